'use client'

import { useState } from 'react'
import { theOne } from '@/core/kinds/documents'
import { offerId } from '@/core/kinds/offer/offer'
import { type Fault } from '@/core/model/fault'
import { parseNumber } from '@/core/model/numbers'
import { bestFor, frontOf, type Candidate, type Wish } from '@/core/readers/best-of'
import { later } from '@/words/en/later'
import { entered } from '@/words/format'
import { useBench, useOption, useSayer, useSite } from '../context'
import { Pills } from '../fields/pills'
import { TextField } from '../fields/text-field'
import { Sheet } from '../sheet'
import { CandidateTable } from './candidate-table'
import { FrontChart } from './front-chart'
import { useCandidates } from './use-candidates'

const words = later.best
const wishes = ['budget', 'offset', 'payback'] as const
type By = (typeof wishes)[number]

/** What is wanted, and the way to do the option that gives it. */
export function BestSheet() {
  const { session, site } = useBench()
  const nothing = site().arrays.every(({ panels }) => panels.length === 0)
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      {nothing ? <p>{words.none}</p> : <Searched />}
    </Sheet>
  )
}

function Searched() {
  const { search, stop, again } = useCandidates()
  const sayer = useSayer()
  return (
    <>
      <p className="quiet mb-2 max-w-prose">{words.intro}</p>
      <div className="mb-3 flex items-center gap-3">
        <p role="status" className="flex-1">
          {search.at === 'searching' && sayer.say(words.searching, { share: search.share })}
          {search.at === 'stopped' && words.stopped}
          {search.at === 'found' && sayer.say(words.found, { count: search.candidates.length })}
        </p>
        {search.at === 'searching' ? (
          <button type="button" className="button" onClick={stop}>
            {words.stop}
          </button>
        ) : (
          search.at !== 'found' && (
            <button type="button" className="button" onClick={again}>
              {words.again}
            </button>
          )
        )}
      </div>
      {search.at === 'wrong' && (
        <p role="alert" className="rounded-md bg-clay-soft p-2 text-clay">
          {sayer.fault(search.fault)}
        </p>
      )}
      {search.at === 'found' &&
        (search.candidates.length === 0 ? (
          <p>{words.noneFits}</p>
        ) : (
          <Wanted candidates={search.candidates} />
        ))}
    </>
  )
}

/** What is wished first: half of what the dearest design costs, half of the bill, the middle of all paybacks. */
function usualWishes(candidates: readonly Candidate[]): Readonly<Record<By, number>> {
  const most = candidates.reduce((a, b) => (b.net > a.net ? b : a), candidates[0] as Candidate)
  const paid = candidates.flatMap(({ paybackYears }) => (paybackYears === null ? [] : [paybackYears]))
  paid.sort((a, b) => a - b)
  return {
    budget: Math.round(most.net / 2000) * 1000,
    offset: 0.5,
    payback: Math.ceil(paid[Math.floor(paid.length / 2)] ?? 10),
  }
}

const wishOf = (by: By, value: number): Wish =>
  by === 'budget' ? { by, net: value } : by === 'offset' ? { by, share: value } : { by, years: value }

function Wanted({ candidates }: { readonly candidates: readonly Candidate[] }) {
  const [by, setBy] = useState<By>('budget')
  const [values, setValues] = useState(() => usualWishes(candidates))
  const option = useOption()
  const { years } = theOne(option, 'offer', offerId)
  const site = useSite()
  const sayer = useSayer()
  const front = frontOf(candidates)
  const wish = wishOf(by, values[by])
  const chosen = bestFor(candidates, wish)
  const factor = by === 'offset' ? 100 : 1
  const type = (text: string): Fault | null => {
    const value = parseNumber(text, site.locale) / factor
    setValues((before) => ({ ...before, [by]: value }))
    return null
  }
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-x-6 gap-y-2">
        <div className="w-72">
          <Pills
            label={words.wish}
            value={by}
            choices={wishes.map((one) => [one, words.by[one]] as const)}
            onChoose={setBy}
          />
        </div>
        <div className="flex w-96 items-center gap-2">
          <div className="flex-1">
            <TextField
              key={by}
              label={words.most[by]}
              shown={entered(values[by] * factor, site, by === 'budget' ? 0 : 1)}
              width="words"
              onType={type}
            />
          </div>
          <span className="text-pencil">{sayer.say(words.unit[by], { currency: site.currency })}</span>
        </div>
      </div>
      {chosen === null && (
        <p role="status" className="mb-2 text-clay">
          {shortOf(candidates, by, sayer)}
        </p>
      )}
      <FrontChart candidates={candidates} front={front} chosen={chosen} years={years} sayer={sayer} />
      <CandidateTable front={front} chosen={chosen} years={years} />
    </>
  )
}

/** How far the nearest is from what is wished. */
function shortOf(candidates: readonly Candidate[], by: By, sayer: ReturnType<typeof useSayer>): string {
  const paid = candidates.flatMap(({ paybackYears }) => (paybackYears === null ? [] : [paybackYears]))
  if (by === 'payback' && paid.length === 0) return words.neverPaid
  const least =
    by === 'budget'
      ? ({ value: Math.min(...candidates.map(({ net }) => net)), unit: 'money', digits: 0 } as const)
      : ({ value: Math.min(...paid), unit: 'years', digits: 1 } as const)
  return sayer.say(words.nothing[by], {
    least,
    most: { value: Math.max(...candidates.map(({ billOffset }) => billOffset)), unit: 'share', digits: 1 },
  })
}
