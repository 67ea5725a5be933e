'use client'

import { useMemo, useState } from 'react'
import { MonthBars } from '@/charts/month-bars'
import { mostTimes } from '@/core/battery/off-grid'
import { storageId, type Storage } from '@/core/kinds/storage/storage'
import { type OffGridSize } from '@/core/readers/off-grid-sizes'
import { isChosen } from '@/core/readers/storage-sizes'
import { type RunSummary } from '@/core/readers/summary'
import { later } from '@/words/en/later'
import { useSayer, useSession } from '../context'
import { PercentField } from '../fields/fields'
import { momentText, sizeName } from './said'
import { YearCarpet } from './year-carpet'

const words = later.battery
const cell = 'py-1 pl-2 text-right whitespace-nowrap'
const head = 'py-1 pl-2 text-right align-bottom font-normal'

/** The option's house without a grid, for those who ask: what each battery makes of it, and the array or generator that it would take. */
export function OffGridView(of: Props) {
  const [open, setOpen] = useState(false)
  return (
    <section aria-label={words.offGrid}>
      <h3 className="font-semibold">{words.offGrid}</h3>
      <button
        type="button"
        className="cursor-pointer text-verdigris hover:underline"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        {open ? words.offGridClose : words.offGridOpen}
      </button>
      {open && <Sizes {...of} />}
    </section>
  )
}

interface Props {
  readonly sizes: readonly OffGridSize[]
  /** kWh in each interval with the battery that is chosen; null until it is known. */
  readonly missing: Float32Array | null
  readonly storage: Storage
  readonly summary: RunSummary
}

function Sizes({ sizes, missing, storage, summary }: Props) {
  const sayer = useSayer()
  const documentId = useSession((s) => s.optionId)
  const share = { value: storage.offGridShare, unit: 'share', digits: 1 } as const
  const own = sizes.find((size) => isChosen(size, storage))
  const stepHours = summary.carpet.stepMinutes / 60
  const missingKw = useMemo(() => missing?.map((kwh) => kwh / stepHours) ?? null, [missing, stepHours])
  const mostKw = missingKw?.reduce((most, kw) => Math.max(most, kw), 0) ?? 0
  const columns = [
    words.usable,
    words.served,
    words.unserved,
    sayer.say(words.arrayFor, { share }),
    sayer.say(words.generatorFor, { share }),
    words.generatorKwh,
    words.generatorHours,
  ]
  return (
    <>
      <p className="quiet">{words.offGridNote}</p>
      <div className="max-w-[20rem]">
        <PercentField
          documentId={documentId}
          objectId={storageId}
          name={words.offGridName}
          label={words.offGridWanted}
          value={storage.offGridShare}
          fields={(offGridShare) => ({ offGridShare })}
        />
      </div>
      <div className="overflow-x-auto">
        <table className="w-full">
          <thead>
            <tr className="border-b border-line text-[12px] text-pencil">
              <th className="py-1 pl-1 text-left align-bottom font-normal">{words.battery}</th>
              {columns.map((column) => (
                <th key={column} className={head}>
                  {column}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {sizes.map((size) => (
              <Size
                key={`${size.batteryId} ${size.count}`}
                size={size}
                chosen={isChosen(size, storage)}
                powerW={summary.powerW}
              />
            ))}
          </tbody>
        </table>
      </div>
      {own && (
        <>
          <p className="my-1">
            {own.longest.hours === 0
              ? sayer.say(words.noGap, { name: sizeName(own, sayer) })
              : sayer.say(words.longestGap, {
                  name: sizeName(own, sayer),
                  kwh: { value: own.unservedKwh, unit: 'kWh', digits: 0 },
                  hours: own.longest.hours,
                  moment: momentText(own.longest.first, summary.carpet, sayer),
                })}
          </p>
          {own.longest.hours > 0 && missingKw && (
            <YearCarpet
              title={words.missingCarpet}
              carpet={summary.carpet}
              values={missingKw}
              most={mostKw}
              unit="kW"
              over={sayer.written({ value: mostKw, unit: 'kW', digits: 1 })}
            />
          )}
          {own.longest.hours > 0 && (
            <MonthBars
              byMonth={own.unservedByMonth}
              unit="kWh"
              title={words.missingByMonth}
              sayer={sayer}
              height={190}
            />
          )}
        </>
      )}
    </>
  )
}

function Size({
  size,
  chosen,
  powerW,
}: {
  readonly size: OffGridSize
  readonly chosen: boolean
  /** Of the modules that are laid, all together. */
  readonly powerW: number
}) {
  const sayer = useSayer()
  const { arrayTimes, generator } = size
  const figure = (value: number, unit: 'kWh' | 'kW' | 'h', digits: number) =>
    sayer.written({ value, unit, digits })
  const cells = [
    size.batteryId === null ? '–' : figure(size.usableKwh, 'kWh', 1),
    sayer.written({ value: size.servedShare, unit: 'share', digits: 1 }),
    figure(size.unservedKwh, 'kWh', 0),
    arrayTimes === null
      ? sayer.say(words.noArray, { most: figure((mostTimes * powerW) / 1000, 'kW', 0) })
      : figure((arrayTimes * powerW) / 1000, 'kW', 1),
    ...(generator.kw === 0
      ? [words.noGenerator, '–', '–']
      : [figure(generator.kw, 'kW', 1), figure(generator.kwh, 'kWh', 0), figure(generator.hours, 'h', 0)]),
  ]
  return (
    <tr className={`border-b border-line/60 ${chosen ? 'bg-fold' : ''}`}>
      <th scope="row" className="py-1 pl-1 text-left font-normal whitespace-nowrap">
        {sizeName(size, sayer)}
      </th>
      {cells.map((shown, k) => (
        <td key={k} className={cell}>
          {shown}
        </td>
      ))}
    </tr>
  )
}
