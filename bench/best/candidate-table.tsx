'use client'

import { theOne } from '@/core/kinds/documents'
import { offerId } from '@/core/kinds/offer/offer'
import { newId } from '@/core/model/new-id'
import { optionOf, type Candidate } from '@/core/readers/best-of'
import { panelsOf } from '@/core/site/site'
import { later } from '@/words/en/later'
import { useBench, useOption, useSayer } from '../context'
import { toast } from '../store/session'

const words = later.best
const cell = 'py-1 pl-3 text-right whitespace-nowrap'
const columns = ['modules', 'power', 'inverter', 'battery', 'net', 'offset', 'payback', 'left'] as const

/** The ways worth a look, the soonest paid back first; one press makes one an option. */
export function CandidateTable({
  front,
  chosen,
  years,
}: {
  readonly front: readonly Candidate[]
  readonly chosen: Candidate | null
  readonly years: number
}) {
  const sayer = useSayer()
  const shown = chosen === null || front.includes(chosen) ? front : [chosen, ...front]
  return (
    <div role="region" aria-label={words.table} tabIndex={0} className="mt-3 overflow-x-auto">
      <table className="w-full min-w-[44rem]">
        <caption className="pb-1 text-left font-semibold">{words.table}</caption>
        <thead>
          <tr className="border-b border-line text-pencil">
            {columns.map((column) => (
              <th
                key={column}
                className={`py-1 font-normal ${column === 'modules' ? 'text-left' : 'pl-3 text-right'}`}
              >
                {sayer.say(words.columns[column], { years })}
              </th>
            ))}
            <td />
          </tr>
        </thead>
        <tbody>
          {shown.map((one) => (
            <Row
              key={`${one.kept.length} ${one.inverterId} ${one.inverterCount} ${one.battery.batteryId} ${one.battery.count}`}
              candidate={one}
              isChosen={one === chosen}
            />
          ))}
        </tbody>
      </table>
    </div>
  )
}

function Row({ candidate, isChosen }: { readonly candidate: Candidate; readonly isChosen: boolean }) {
  const { documents, session, site } = useBench()
  const option = useOption()
  const sayer = useSayer()
  const { kept, powerW, inverterId, inverterCount, battery, net, billOffset, paybackYears, left } = candidate
  const batteryName =
    battery.batteryId === null
      ? null
      : sayer.say(words.batteryOf, { count: battery.count, name: sayer.name(battery.batteryId) })
  const price = sayer.written({ value: net, unit: 'money', digits: 0 })
  const take = () => {
    const id = newId('option', Math.random)
    const offer = theOne(option, 'offer', offerId)
    const name = sayer.say(words.optionName, { modules: kept.length, battery: batteryName ?? 'none' })
    const { step } = documents.edit(words.take, id, () => ({
      ...optionOf(option, panelsOf(site()), candidate),
      [offerId]: { ...offer, name: name.slice(0, 80) },
    }))
    session.setState({ optionId: id, selection: null, dialog: null })
    toast(session, words.made, step)
  }
  return (
    <tr className={`border-b border-line/60 ${isChosen ? 'font-semibold' : ''}`}>
      <th scope="row" className="py-1 text-left font-normal">
        {sayer.written({ value: kept.length, unit: 'count' })}
        {isChosen && (
          <>
            <span aria-hidden className="ml-2 rounded bg-ink px-1.5 py-px text-[11px] text-card">
              {words.tag}
            </span>
            <span className="sr-only">, {words.chosen}</span>
          </>
        )}
      </th>
      <td className={cell}>{sayer.written({ value: powerW / 1000, unit: 'kW', digits: 2 })}</td>
      <td className={cell}>
        {inverterCount > 1
          ? sayer.say(later.inverters.many, { count: inverterCount, name: sayer.name(inverterId) })
          : sayer.name(inverterId)}
      </td>
      <td className={cell}>{batteryName ?? words.noBattery}</td>
      <td className={cell}>{price}</td>
      <td className={cell}>{sayer.written({ value: billOffset, unit: 'share', digits: 1 })}</td>
      <td className={cell}>
        {paybackYears === null
          ? words.never
          : sayer.written({ value: paybackYears, unit: 'years', digits: 1 })}
      </td>
      <td className={cell}>{sayer.written({ value: left, unit: 'money', digits: 0 })}</td>
      <td className={cell}>
        <button
          type="button"
          className="cursor-pointer font-normal text-verdigris hover:underline"
          aria-label={sayer.say(words.takeOne, { modules: kept.length, net: price })}
          onClick={take}
        >
          {words.take}
        </button>
      </td>
    </tr>
  )
}
