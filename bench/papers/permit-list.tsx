'use client'

import { permitLines, rulesOf, type PaperFacts } from '@/core/readers/papered'
import { later } from '@/words/en/later'
import { itemName, toDo } from '@/words/papers/permit-text'
import { useSayer } from '../context'

const words = later.papers

/** What is missing before the set can be handed in, first what can be helped in the job. */
export function PermitList({ facts }: { readonly facts: PaperFacts }) {
  const sayer = useSayer()
  const rules = rulesOf(facts)
  const lines = permitLines(facts)
  const open = lines.filter(({ state }) => state === 'missing')
  const byHand = lines.filter(({ state }) => state === 'by-hand')
  return (
    <section aria-labelledby="permit-list" className="mb-4">
      <h3 id="permit-list" className="text-[15px] font-semibold">
        {rules ? sayer.say(words.asks, { authority: rules.authority || rules.name }) : words.asksUsual}
      </h3>
      <p className="quiet">{sayer.say(words.outstanding, { count: open.length })}</p>
      <ul>
        {[...open, ...byHand].map((line) => (
          <li key={line.item} className="flex flex-wrap gap-x-3 border-t border-line py-1">
            <span className="w-64">{itemName(line)}</span>
            <span className={`w-28 ${line.state === 'missing' ? 'text-clay' : 'text-pencil'}`}>
              {words.state[line.state]}
            </span>
            <span className="flex-1 text-pencil">{toDo(sayer, line)}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
