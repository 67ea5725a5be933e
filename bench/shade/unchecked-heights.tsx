'use client'

import { higherM } from '@/core/readers/height-worth'
import { later } from '@/words/en/later'
import { useBench, useSayer } from '../context'
import { useHeightCosts } from './height-cost'

const words = later.shade

/** Which heights that nobody has measured yet matter for the shade, and how much. */
export function UncheckedHeights() {
  const { session } = useBench()
  const sayer = useSayer()
  const { costs, fresh } = useHeightCosts()
  if (costs.length === 0) return null
  return (
    <section aria-labelledby="unchecked-heights" className={fresh ? '' : 'opacity-60'}>
      <h3 id="unchecked-heights" className="mb-1 text-[15px] font-semibold">
        {words.heights}
      </h3>
      <p className="quiet mb-1">{sayer.say(words.heightsNote, { higher: { value: higherM, unit: 'm' } })}</p>
      <ul>
        {costs.map(({ id, heightM, cost }) => (
          <li key={id} className="flex items-baseline gap-3 border-t border-line py-1">
            <button
              type="button"
              className="flex-1 cursor-pointer text-left hover:text-verdigris hover:underline"
              onClick={() => session.setState({ selection: { kind: 'object', id }, dialog: null })}
            >
              {sayer.name(id)}
            </button>
            <span className="text-pencil">{sayer.written({ value: heightM, unit: 'm' })}</span>
            <span className="w-44 text-right">{cost}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
