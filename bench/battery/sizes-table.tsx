'use client'

import { theOne } from '@/core/kinds/documents'
import { storageId } from '@/core/kinds/storage/storage'
import { type StorageWorth } from '@/core/readers/storage-worth'
import { later } from '@/words/en/later'
import { useBench, useOption, useSayer, useSession } from '../context'

const words = later.battery
const cell = 'py-1 pl-2 text-right whitespace-nowrap'
const head = 'py-1 pl-2 text-right align-bottom font-normal'

/** Batteries of the catalogue, one to three of each, as this option would be with them; one press takes one. */
export function SizesTable({
  worths,
  complete,
}: {
  readonly worths: readonly StorageWorth[]
  /** Whether all of them are known: only then one is the best. */
  readonly complete: boolean
}) {
  const best = complete ? worths.reduce((most, { npv }) => Math.max(most, npv), -Infinity) : null
  return (
    <div className="overflow-x-auto">
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
          {worths.map((worth) => (
            <Size key={`${worth.batteryId} ${worth.count}`} worth={worth} isBest={worth.npv === best} />
          ))}
        </tbody>
      </table>
    </div>
  )
}

function Size({ worth, isBest }: { readonly worth: StorageWorth; readonly isBest: boolean }) {
  const { documents } = useBench()
  const sayer = useSayer()
  const optionId = useSession((s) => s.optionId)
  const chosen = theOne(useOption(), 'storage', storageId)
  const { batteryId, count } = worth
  const isChosen = batteryId === chosen.batteryId && (batteryId === null || count === chosen.count)
  const name =
    batteryId === null
      ? words.none
      : count === 1
        ? sayer.name(batteryId)
        : sayer.say(words.several, { count, name: sayer.name(batteryId) })
  const share = (value: number) => sayer.written({ value, unit: 'share', digits: 0 })
  const money = (value: number) => sayer.written({ value, unit: 'money', digits: 0 })
  const cells = [
    batteryId === null ? '–' : sayer.written({ value: worth.usableKwh, unit: 'kWh', digits: 1 }),
    money(worth.bill),
    share(worth.billOffset),
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
    <tr className={`border-b border-line/60 ${isChosen ? 'bg-fold' : ''}`}>
      <th scope="row" className="py-1 pl-1 text-left font-normal whitespace-nowrap">
        {name}
        {isBest && <span className="block text-[12px] text-verdigris">{words.mostWorth}</span>}
      </th>
      {cells.map((shown, k) => (
        <td key={k} className={cell}>
          {shown}
        </td>
      ))}
      <td className="py-1 pr-1 pl-3 text-right">
        {isChosen ? (
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
