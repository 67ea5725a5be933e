'use client'

import { useState } from 'react'
import { theOne } from '@/core/kinds/documents'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { wantedOf, type InverterWanted, type InverterWorth } from '@/core/readers/inverter-worth'
import { later } from '@/words/en/later'
import { parseNumber } from '@/core/model/numbers'
import { number } from '@/words/format'
import { useBench, useCatalogue, useOption, useSayer, useSession, useSite } from '../context'
import { phaseChoices } from '../devices/phase-choices'
import { ChoiceField } from '../fields/fields'
import { TextField } from '../fields/text-field'
import { Sheet } from '../sheet'
import { FigureHeads, RankedRow } from './ranked-row'
import { useRanking } from './use-ranking'

const words = later.inverters

const everything: InverterWanted = {
  electronics: 'any',
  phases: 'any',
  leastDcAc: 0,
  mostDcAc: Infinity,
  soundOnly: false,
  hybridOnly: false,
}

/** The inverters of the catalogue, each tried in this option, the best first; one press takes one. */
export function InvertersSheet() {
  const { session } = useBench()
  const { inverters } = useCatalogue()
  const { rows: known, all, fresh } = useRanking('inverters')
  const sayer = useSayer()
  const [wanted, setWanted] = useState(everything)
  const shown = wantedOf(known, inverters, wanted)
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      <p className="quiet mb-2" role="status">
        {fresh && all === 0
          ? words.none
          : fresh && known.length === all
            ? words.note
            : sayer.say(words.progress, {
                done: fresh ? known.length : 0,
                all: (fresh && all) || inverters.length,
              })}
      </p>
      {known.length > 0 && (
        <div className={fresh ? '' : 'opacity-60'}>
          <Narrow wanted={wanted} onChange={setWanted} />
          {shown.length < known.length && (
            <p role="status" className="quiet mb-1">
              {sayer.say(words.shown, { shown: shown.length, all: known.length })}
            </p>
          )}
          <Ranked inverters={shown} />
        </div>
      )}
    </Sheet>
  )
}

function Narrow({
  wanted,
  onChange,
}: {
  readonly wanted: InverterWanted
  readonly onChange: (wanted: InverterWanted) => void
}) {
  const site = useSite()
  const set = (changed: Partial<InverterWanted>) => {
    onChange({ ...wanted, ...changed })
    return null
  }
  const ratio = (label: string, value: number, none: number, change: (ratio: number) => null) => (
    <TextField
      label={label}
      shown={value === none ? '' : number(value, site, 2)}
      onType={(text) => change(text.trim() === '' ? none : parseNumber(text, site.locale))}
    />
  )
  return (
    <div className="mb-2 grid grid-cols-2 items-end gap-x-6 sm:grid-cols-5">
      <ChoiceField
        label={words.electronics}
        value={wanted.electronics}
        choices={(['any', 'strings', 'at-modules'] as const).map((value) => ({
          value,
          label: words.kinds[value],
        }))}
        wide
        onChoose={(electronics) => set({ electronics })}
      />
      <ChoiceField
        label={words.phases}
        value={String(wanted.phases)}
        choices={phaseChoices}
        wide
        onChoose={(phases) => set({ phases: phases === '1' ? 1 : phases === '3' ? 3 : 'any' })}
      />
      {ratio(words.ratioFrom, wanted.leastDcAc, 0, (leastDcAc) => set({ leastDcAc }))}
      {ratio(words.ratioTo, wanted.mostDcAc, Infinity, (mostDcAc) => set({ mostDcAc }))}
      {(['soundOnly', 'hybridOnly'] as const).map((only) => (
        <label key={only} className="flex items-center gap-2 py-1">
          <input
            type="checkbox"
            checked={wanted[only]}
            onChange={(event) => set({ [only]: event.target.checked })}
          />
          {words[only]}
        </label>
      ))}
    </div>
  )
}

function Ranked({ inverters }: { readonly inverters: readonly InverterWorth[] }) {
  return (
    <table className="w-full">
      <thead>
        <tr className="border-b border-line">
          <th className="py-1 text-left font-normal text-pencil">{words.name}</th>
          <FigureHeads
            heads={(['power', 'ratio', 'yield', 'clipped', 'price', 'payback', 'npv'] as const).map(
              (column) => words[column],
            )}
          />
          <td />
        </tr>
      </thead>
      <tbody>
        {inverters.map((inverter) => (
          <Candidate key={`${inverter.id} ${inverter.count}`} inverter={inverter} />
        ))}
      </tbody>
    </table>
  )
}

function Candidate({ inverter }: { readonly inverter: InverterWorth }) {
  const { documents } = useBench()
  const option = useOption()
  const optionId = useSession((s) => s.optionId)
  const { inverters } = useCatalogue()
  const sayer = useSayer()
  const { id, breaks } = inverter
  const isMicro = inverters.find((sheet) => sheet.id === id)?.micro !== undefined
  const beside = isMicro ? 1 : inverter.count
  const now = theOne(option, 'electrical', electricalId)
  const isChosen = now.inverterId === id && (isMicro || beside === now.inverterCount)
  const one = sayer.name(id)
  const name = inverter.count > 1 ? sayer.say(words.many, { count: inverter.count, name: one }) : one
  const cells = [
    sayer.written({ value: inverter.acPowerW / 1000, unit: 'kW', digits: 1 }),
    sayer.written({ value: inverter.dcAc, unit: 'ratio', digits: 2 }),
    sayer.written({ value: inverter.annualKwh, unit: 'kWh', digits: 0 }),
    sayer.written({ value: inverter.clippedKwh, unit: 'kWh', digits: 0 }),
    sayer.written({ value: inverter.price, unit: 'money', digits: 0 }),
    inverter.paybackYears === null
      ? words.never
      : sayer.written({ value: inverter.paybackYears, unit: 'years', digits: 1 }),
    sayer.written({ value: inverter.npv, unit: 'money', digits: 0 }),
  ]
  return (
    <RankedRow
      name={
        <>
          {name}
          {inverter.optimizerId !== null && (
            <span className="quiet block">
              {sayer.say(inverter.atEach ? words.with : words.withSome, {
                name: sayer.name(inverter.optimizerId),
              })}
            </span>
          )}
        </>
      }
      breaks={breaks}
      figures={cells}
      take={
        isChosen
          ? words.chosen
          : {
              said: words.take,
              label: sayer.say(words.takes, { name }),
              isReady: true,
              onTake: () =>
                documents.set('Inverter', optionId, electricalId, { inverterId: id, inverterCount: beside }),
            }
      }
    />
  )
}
