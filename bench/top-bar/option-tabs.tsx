'use client'

import { useEffect, useRef } from 'react'
import { useStore } from 'zustand'
import { theOne } from '@/core/kinds/documents'
import { optionLetter } from '@/core/kinds/job'
import { offerId } from '@/core/kinds/offer/offer'
import { newId } from '@/core/model/new-id'
import { useBench, useHouse, useOptions, useSession, useSite } from '../context'
import { intoView } from '../fields/into-view'
import { number } from '@/words/format'
import { toast } from '../store/session'

/** The ways to do the job, each with its own small numbers. */
export function OptionTabs() {
  const { documents, session, live } = useBench()
  const options = useOptions()
  const house = useHouse()
  const site = useSite()
  const active = useSession((s) => s.optionId)
  const byOption = useStore(live.store, (s) => s.byOption)
  const index = options.findIndex((option) => option.id === active)
  const tabs = useRef<HTMLDivElement>(null)
  // Of many options the one on the screen is in sight.
  useEffect(() => {
    intoView(tabs.current?.children.item(index) ?? null)
  }, [index])

  const copy = () => {
    const from = options[index] ?? options[0]
    if (!from) return
    const id = newId('option', Math.random)
    const offer = theOne(from.objects, 'offer', offerId)
    const { step } = documents.edit('Copy option', id, () => ({
      ...from.objects,
      [offerId]: { ...offer, name: `${offer.name}, copy`.slice(0, 80) },
    }))
    if (step) session.setState({ optionId: id, selection: null, chapter: 'offer' })
  }
  const remove = (id: string) => {
    const rest = options.filter((option) => option.id !== id)
    const next = rest[Math.min(index, rest.length - 1)]
    if (!next) return
    const { step } = documents.edit('Remove option', id, () => ({}))
    if (!step) return
    if (id === active) session.setState({ optionId: next.id, selection: null })
    toast(session, 'Option removed.', step)
  }

  return (
    <div className="flex min-w-12 flex-1 items-center justify-end gap-1">
      <div ref={tabs} role="tablist" aria-label="Options" className="flex min-w-0 gap-1 overflow-x-auto">
        {options.map((option, i) => {
          const numbers = byOption[option.id]
          const fresh = numbers?.house === house && numbers.objects === option.objects
          const payback = numbers?.summary.ledger.find((line) => line.id === 'payback')?.value
          const selected = option.id === active
          return (
            <button
              key={option.id}
              type="button"
              role="tab"
              aria-selected={selected}
              className={`flex h-8 cursor-pointer items-baseline gap-1.5 rounded-md border px-2 pt-[6px] whitespace-nowrap ${selected ? 'border-ink bg-ink text-card' : 'border-line bg-card hover:border-pencil'}`}
              onClick={() => session.setState({ optionId: option.id, selection: null })}
            >
              <span className="font-semibold">{optionLetter(i)}</span>
              <span className="max-w-24 truncate max-[520px]:hidden">
                {theOne(option.objects, 'offer', offerId).name}
              </span>
              <span
                className={`text-[12px] ${selected ? 'opacity-80' : 'text-pencil'} ${fresh ? '' : 'opacity-50'}`}
              >
                {numbers
                  ? `${number(numbers.summary.powerW / 1000, site, 1)} kW · ${payback === null || payback === undefined ? '–' : `${number(payback, site, 1)} y`}`
                  : '…'}
              </span>
            </button>
          )
        })}
      </div>
      <button
        type="button"
        className="button h-8 shrink-0 max-[520px]:hidden"
        title="A new option: a copy of this one"
        aria-label="New option, a copy of this one"
        onClick={copy}
      >
        +
      </button>
      {options.length > 1 && index >= 0 && (
        <button
          type="button"
          aria-label={`Remove option ${optionLetter(index)}`}
          title={`Remove option ${optionLetter(index)}`}
          className="button h-8 shrink-0 px-2 max-[520px]:hidden"
          onClick={() => remove(active)}
        >
          −
        </button>
      )}
    </div>
  )
}
