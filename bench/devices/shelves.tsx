'use client'

import { useState } from 'react'
import {
  batteryFigures,
  findInverters,
  inverterFigures,
  optimizerFigures,
  phasesOf,
  type BatteryFigure,
  type InverterFigure,
  type InverterFilter,
  type OptimizerFigure,
} from '@/core/electrical/device-list'
import { type BatteryType, type InverterType, type OptimizerType } from '@/core/electrical/catalogue'
import { saysAll } from '@/core/electrical/sheet-list'
import { parseNumber } from '@/core/model/numbers'
import { later } from '@/words/en/later'
import { money, number, type Place } from '@/words/format'
import { useCatalogue, useSite } from '../context'
import { ChoiceField } from '../fields/fields'
import { TextField } from '../fields/text-field'
import { DeviceShelf, type ShelfColumn } from './device-shelf'
import { useHere } from './here'
import { phaseChoices } from './phase-choices'

const words = later.devices
const { columns } = words
const catalogueWords = later.catalogue

const kilowatts = (site: Place) => (watts: number) => `${number(watts / 1000, site, 2)} kW`
const volts = (value: number, site: Place) => `${number(value, site)} V`
const amperes = (value: number, site: Place) => `${number(value, site, 1)} A`
const percent = (share: number, site: Place) => `${number(share * 100, site, 1)} %`

const warrantyText = ({ warrantyYears, warrantyKwh }: BatteryType, site: Place): string =>
  [
    ...(warrantyYears === undefined ? [] : [`${number(warrantyYears, site)} y`]),
    ...(warrantyKwh === undefined ? [] : [`${number(warrantyKwh, site)} kWh`]),
  ].join(', ') || '–'

/** Columns from what each shows and is sorted by. */
const columnsFrom = <T, F extends string>(
  figures: Readonly<Record<F, ((sheet: T) => number | undefined) | null>>,
  labels: Readonly<Record<F, string>>,
  written: Readonly<Record<F, (sheet: T) => string>>,
): readonly ShelfColumn<T>[] =>
  (Object.keys(figures) as F[]).map((by) => ({
    by,
    label: labels[by],
    written: written[by],
    of: figures[by],
  }))

const inverterColumns = (site: Place): readonly ShelfColumn<InverterType>[] =>
  columnsFrom<InverterType, InverterFigure>(inverterFigures, columns, {
    name: ({ name }) => name,
    acPowerW: ({ acPowerW }) => kilowatts(site)(acPowerW),
    phases: (inverter) => number(phasesOf(inverter), site),
    mppInputs: ({ mppInputs }) => number(mppInputs, site),
    highestV: ({ highestV }) => volts(highestV, site),
    inputCurrentA: ({ inputCurrentA }) => amperes(inputCurrentA, site),
    efficiency: ({ efficiency }) => percent(efficiency, site),
    batteryPort: ({ batteryPort }) => (batteryPort ? `${number(batteryPort.powerKw, site, 1)} kW` : '–'),
    price: ({ price }) => money(price, site),
    pricePerW: ({ price, acPowerW }) => money(price / acPowerW, site, 2),
  })

const optimizerColumns = (site: Place): readonly ShelfColumn<OptimizerType>[] =>
  columnsFrom<OptimizerType, OptimizerFigure>(optimizerFigures, columns, {
    name: ({ name }) => name,
    powerW: ({ powerW }) => `${number(powerW, site)} W`,
    highestV: ({ highestV }) => volts(highestV, site),
    outputCurrentA: ({ outputCurrentA }) => amperes(outputCurrentA, site),
    mostPerString: ({ mostPerString }) => number(mostPerString, site),
    efficiency: ({ efficiency }) => percent(efficiency, site),
    price: ({ price }) => money(price, site),
  })

const batteryColumns = (site: Place): readonly ShelfColumn<BatteryType>[] =>
  columnsFrom<BatteryType, BatteryFigure>(
    batteryFigures,
    { ...columns, efficiency: columns.roundTrip },
    {
      name: ({ name }) => name,
      usableKwh: ({ usableKwh }) => `${number(usableKwh, site, 1)} kWh`,
      chargeKw: ({ chargeKw }) => `${number(chargeKw, site, 1)} kW`,
      dischargeKw: ({ dischargeKw }) => `${number(dischargeKw, site, 1)} kW`,
      efficiency: ({ efficiency }) => percent(efficiency ** 2, site),
      standbyW: ({ standbyW }) => `${number(standbyW, site)} W`,
      dcSide: ({ dcSide }) =>
        dcSide
          ? `${words.dcCoupled}, ${number(dcSide.lowV, site)}–${number(dcSide.highV, site)} V`
          : words.acCoupled,
      price: ({ price }) => money(price, site),
      pricePerKwh: ({ price, usableKwh }) => money(price / usableKwh, site),
      warrantyYears: (sheet) => warrantyText(sheet, site),
    },
  )

function Search({ text, onType }: { readonly text: string; readonly onType: (text: string) => void }) {
  return (
    <label className="block">
      <span className="text-pencil">{catalogueWords.search}</span>
      <input
        type="search"
        className="field mt-0.5 w-full"
        value={text}
        onChange={(event) => onType(event.target.value)}
      />
    </label>
  )
}

const everyInverter: InverterFilter = { text: '', phases: 'any', place: 'any', leastW: 0, mostW: Infinity }

export function Inverters() {
  const { inverters } = useCatalogue()
  const site = useSite()
  const here = useHere()
  const [filter, setFilter] = useState(everyInverter)
  const set = (changed: Partial<InverterFilter>) => {
    setFilter({ ...filter, ...changed })
    return null
  }
  const limit = (label: string, watts: number, none: number, change: (watts: number) => null) => (
    <TextField
      label={label}
      unit="kW"
      shown={watts === none ? '' : number(watts / 1000, site, 1)}
      onType={(text) => change(text.trim() === '' ? none : parseNumber(text, site.locale) * 1000)}
    />
  )
  return (
    <DeviceShelf
      type="inverter"
      all={inverters}
      found={findInverters(inverters, filter)}
      columns={inverterColumns(site)}
      here={here.inverters}
      filters={
        <div className="mb-2 grid grid-cols-2 items-end gap-x-6 sm:grid-cols-5">
          <Search text={filter.text} onType={(text) => set({ text })} />
          <ChoiceField
            label={words.phases}
            value={String(filter.phases)}
            choices={phaseChoices}
            wide
            onChoose={(phases) => set({ phases: phases === '1' ? 1 : phases === '3' ? 3 : 'any' })}
          />
          <ChoiceField
            label={words.place}
            value={filter.place}
            choices={(['any', 'strings', 'modules', 'battery'] as const).map((value) => ({
              value,
              label: words.places[value],
            }))}
            wide
            onChoose={(place) => set({ place })}
          />
          {limit(words.least, filter.leastW, 0, (leastW) => set({ leastW }))}
          {limit(words.most, filter.mostW, Infinity, (mostW) => set({ mostW }))}
        </div>
      }
    />
  )
}

export function Optimizers() {
  const { optimizers } = useCatalogue()
  const site = useSite()
  const here = useHere()
  const [text, setText] = useState('')
  return (
    <DeviceShelf
      type="optimizer"
      all={optimizers}
      found={optimizers.filter((sheet) => saysAll(sheet, text))}
      columns={optimizerColumns(site)}
      here={here.optimizers}
      filters={<Narrow text={text} onType={setText} />}
    />
  )
}

export function Batteries() {
  const { batteries } = useCatalogue()
  const site = useSite()
  const [text, setText] = useState('')
  return (
    <DeviceShelf
      type="battery"
      all={batteries}
      found={batteries.filter((sheet) => saysAll(sheet, text))}
      columns={batteryColumns(site)}
      here={() => []}
      filters={<Narrow text={text} onType={setText} />}
    />
  )
}

function Narrow(props: { readonly text: string; readonly onType: (text: string) => void }) {
  return (
    <div className="mb-2 grid grid-cols-2 sm:grid-cols-4">
      <Search {...props} />
    </div>
  )
}
