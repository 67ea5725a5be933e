'use client'

import { useState } from 'react'
import { theOne } from '@/core/kinds/documents'
import { storageId } from '@/core/kinds/storage/storage'
import { parsePercent } from '@/core/model/numbers'
import { isChosen, recommendedSizes } from '@/core/readers/storage-sizes'
import { type StorageWorth } from '@/core/readers/storage-worth'
import { later } from '@/words/en/later'
import { entered } from '@/words/format'
import { useBench, useOption, useSayer, useSession, useSite } from '../context'
import { TextField } from '../fields/text-field'
import { sizeName } from './said'

const words = later.battery
const cell = 'py-1 pl-2 text-right whitespace-nowrap'
const head = 'py-1 pl-2 text-right align-bottom font-normal'

/** Share of the bill that is wanted gone, until another is typed. */
const usualOffset = 0.6

/**
 * Batteries of the catalogue, one to three of each, as this option would be with them, and which of them are recommended;
 * one press takes one.
 */
export function SizesTable({
  worths,
  complete,
}: {
  readonly worths: readonly StorageWorth[]
  /** Whether all of them are known: only then one is the best. */
  readonly complete: boolean
}) {
  const [wanted, setWanted] = useState(usualOffset)
  const site = useSite()
  const sayer = useSayer()
  const best = complete ? recommendedSizes(worths, wanted) : null
  const offset = { value: wanted, unit: 'share', digits: 1 } as const
  const most = Math.max(...worths.map(({ billOffset }) => billOffset))
  const marksOf = (place: number) => [
    ...(best?.mostWorth === place ? [words.mostWorth] : []),
    ...(best?.shortestPayback === place ? [words.shortestPayback] : []),
    ...(best?.reaching === place ? [sayer.say(words.reaching, { offset })] : []),
  ]
  return (
    <div className="overflow-x-auto">
      <div className="flex flex-wrap items-center gap-x-4">
        <div className="w-80">
          <TextField
            label={words.wantedOffset}
            shown={entered(Number((wanted * 100).toPrecision(12)), site, 1)}
            unit="%"
            onType={(text) => {
              setWanted(parsePercent(text, site.locale))
              return null
            }}
          />
        </div>
        {best !== null && best.reaching === null && (
          <p role="status" className="quiet">
            {sayer.say(words.noneReaches, { offset, most: { value: most, unit: 'share', digits: 1 } })}
          </p>
        )}
      </div>
      <table className="w-full">
        <thead>
          <tr className="border-b border-line text-[12px] text-pencil">
            <th className="py-1 pl-1 text-left align-bottom font-normal">{words.battery}</th>
            {(
              [
                'usable',
                'bill',
                'billOffset',
                'selfSufficiency',
                'cycles',
                'ofBest',
                'price',
                'payback',
                'npv',
              ] as const
            ).map((column) => (
              <th key={column} className={head}>
                {words[column]}
              </th>
            ))}
            <td />
          </tr>
        </thead>
        <tbody>
          {worths.map((worth, place) => (
            <Size key={`${worth.batteryId} ${worth.count}`} worth={worth} marks={marksOf(place)} />
          ))}
        </tbody>
      </table>
    </div>
  )
}

function Size({
  worth,
  marks,
}: {
  readonly worth: StorageWorth
  /** What it is recommended for. */
  readonly marks: readonly string[]
}) {
  const { documents } = useBench()
  const sayer = useSayer()
  const optionId = useSession((s) => s.optionId)
  const chosen = theOne(useOption(), 'storage', storageId)
  const { batteryId, count } = worth
  const name = sizeName(worth, sayer)
  const isOwn = isChosen(worth, chosen)
  const share = (value: number, digits = 0) => sayer.written({ value, unit: 'share', digits })
  const money = (value: number) => sayer.written({ value, unit: 'money', digits: 0 })
  const cells = [
    batteryId === null ? '–' : sayer.written({ value: worth.usableKwh, unit: 'kWh', digits: 1 }),
    money(worth.bill),
    share(worth.billOffset, 1),
    share(worth.selfSufficiency),
    batteryId === null ? '–' : sayer.written({ value: worth.cycles, unit: '', digits: 0 }),
    worth.ofBest === null ? '–' : share(worth.ofBest),
    money(worth.price),
    worth.paybackYears === null
      ? words.never
      : sayer.written({ value: worth.paybackYears, unit: 'years', digits: 1 }),
    money(worth.npv),
  ]
  return (
    <tr className={`border-b border-line/60 ${isOwn ? 'bg-fold' : ''}`}>
      <th scope="row" className="py-1 pl-1 text-left font-normal whitespace-nowrap">
        {name}
        {marks.map((mark) => (
          <span key={mark} className="block text-[12px] text-verdigris">
            {mark}
          </span>
        ))}
      </th>
      {cells.map((shown, k) => (
        <td key={k} className={cell}>
          {shown}
        </td>
      ))}
      <td className="py-1 pr-1 pl-3 text-right">
        {isOwn ? (
          <span className="quiet">{words.chosen}</span>
        ) : (
          <button
            type="button"
            className="cursor-pointer text-verdigris hover:underline"
            aria-label={sayer.say(words.takes, { name })}
            onClick={() => documents.set('Battery', optionId, storageId, { batteryId, count })}
          >
            {words.take}
          </button>
        )}
      </td>
    </tr>
  )
}
