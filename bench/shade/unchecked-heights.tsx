'use client'

import { higherM } from '@/core/readers/height-worth'
import { worthOfLight } from '@/core/readers/shade-worth'
import { type RunSummary } from '@/core/readers/summary'
import { later } from '@/words/en/later'
import { money } from '@/words/format'
import { useBench, useSayer, useShade, useSite } from '../context'

const words = later.shade

/** Less is within what a hand that measures may miss. */
const worthNamingKwh = 0.5

/** Which heights that nobody has measured yet matter for the shade, and how much. */
export function UncheckedHeights({ summary }: { readonly summary: RunSummary }) {
  const { session } = useBench()
  const site = useSite()
  const sayer = useSayer()
  const known = useShade()
  const heights = known?.heights?.filter(({ kwh }) => kwh >= worthNamingKwh) ?? []
  if (heights.length === 0) return null
  const rate = worthOfLight(summary)
  return (
    <section aria-labelledby="unchecked-heights" className={known?.fresh ? '' : 'opacity-60'}>
      <h3 id="unchecked-heights" className="mb-1 text-[15px] font-semibold">
        {words.heights}
      </h3>
      <p className="quiet mb-1">{sayer.say(words.heightsNote, { higher: { value: higherM, unit: 'm' } })}</p>
      <ul>
        {heights.map(({ id, heightM, kwh }) => (
          <li key={id} className="flex items-baseline gap-3 border-t border-line py-1">
            <button
              type="button"
              className="flex-1 cursor-pointer text-left hover:text-verdigris hover:underline"
              onClick={() => session.setState({ selection: { kind: 'object', id }, dialog: null })}
            >
              {sayer.name(id)}
            </button>
            <span className="text-pencil">{sayer.written({ value: heightM, unit: 'm' })}</span>
            <span className="w-44 text-right">
              {sayer.say(words.cost, {
                energy: { value: kwh, unit: 'kWh', digits: kwh < 10 ? 1 : 0 },
                money: money(kwh * rate, site),
              })}
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
