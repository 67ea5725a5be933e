'use client'

import { theOne } from '@/core/kinds/documents'
import { loadId } from '@/core/kinds/load/load'
import { storageId } from '@/core/kinds/storage/storage'
import { offsetsOf, selfUseSpread } from '@/core/readers/offsets'
import { type RunSummary } from '@/core/readers/summary'
import { later } from '@/words/en/later'
import { money } from '@/words/format'
import { useHouse, useOption, useSayer } from '../context'

const words = later.offsets

/** How much of consumption and of the bill goes, side by side, and why the two differ. */
export function Offsets({ summary }: { readonly summary: RunSummary }) {
  const sayer = useSayer()
  const offsets = offsetsOf(summary)
  // As the ledger shows it, where parts add up.
  const sold = summary.ledger.find(({ id }) => id === 'sold')?.shown ?? offsets.soldKwh
  const load = theOne(useHouse(), 'load', loadId)
  const { batteryId } = theOne(useOption(), 'storage', storageId)
  const spread = batteryId === null ? selfUseSpread(load, offsets.selfUse) : null
  const selfUseNote =
    spread === null || spread < 0.005
      ? words.selfUseNote
      : sayer.say(words.selfUseSpread, { points: Math.round(100 * spread) })
  const perKwh = (price: number | null) => (price === null ? '–' : `${money(price, sayer.place, 3)}/kWh`)
  const tiles = [
    ['consumption', words.consumptionNote, offsets.consumption],
    ['bill', words.billNote, offsets.bill],
    ['selfUse', selfUseNote, offsets.selfUse],
    ['sufficiency', words.sufficiencyNote, offsets.selfSufficiency],
  ] as const
  return (
    <section aria-label={words.title}>
      <dl className="grid grid-cols-2 gap-2 xl:grid-cols-4">
        {tiles.map(([name, note, share]) => (
          <div key={name} className="rounded-lg border border-line bg-card px-3 py-2">
            <dt className="quiet">{words[name]}</dt>
            <dd className="text-[18px] leading-6 font-semibold">
              {sayer.written({ value: share, unit: 'share', digits: 0 })}{' '}
              <span className="block text-[12px] leading-4 font-normal text-pencil">{note}</span>
            </dd>
          </div>
        ))}
      </dl>
      <p className="mt-2">
        {offsets.earned === null
          ? words.same
          : sayer.say(words.why, {
              sold: { value: sold, unit: 'kWh', digits: 0 },
              earned: perKwh(offsets.earned),
              paid: perKwh(offsets.paid),
              fixed: money(offsets.fixed, sayer.place),
            })}
      </p>
    </section>
  )
}
