'use client'

import { electricalId } from '@/core/kinds/electrical/electrical'
import { type StringsWorth } from '@/core/readers/strings-worth'
import { later } from '@/words/en/later'
import { useBench, useSayer, useSession } from '../context'
import { RankedRow } from './ranked-row'
import { moneyFigures, RankingSheet, yieldFigures } from './ranking-sheet'
import { useRanking } from './use-ranking'

const words = later.strings

/** Ways to string the modules of the option, each run through the chain, the best first; one press takes one. */
export function StringsSheet() {
  const ranking = useRanking('strings')
  const { rows, fresh } = ranking
  return (
    <RankingSheet
      words={words}
      only={words.only}
      first={words.strings}
      heads={(['yield', 'change', 'mismatch', 'cable', 'payback', 'npv'] as const).map((one) => words[one])}
      ranking={ranking}
    >
      {rows.map((way, k) => (
        <Way key={k} way={way} now={rows.find(({ by }) => by === null)} isReady={fresh} />
      ))}
    </RankingSheet>
  )
}

function Way({
  way,
  now,
  isReady,
}: {
  readonly way: StringsWorth
  readonly now: StringsWorth | undefined
  readonly isReady: boolean
}) {
  const { documents } = useBench()
  const optionId = useSession((s) => s.optionId)
  const sayer = useSayer()
  const { by, breaks, left } = way
  const name = way.inputs.map((own) => own.join(' ∥ ')).join(' + ')
  const cells = [
    ...yieldFigures(sayer, way.annualKwh, by === null || !now ? null : now.annualKwh),
    sayer.written({ value: way.mismatchKwh, unit: 'kWh', digits: 0 }),
    sayer.written({ value: way.cableM, unit: 'm', digits: 0 }),
    ...moneyFigures(sayer, way, words.never),
  ]
  return (
    <RankedRow
      name={
        <>
          {name}
          {left > 0 && <>, {sayer.say(words.left, { modules: left })}</>}
          {by !== null && <span className="quiet block">{words.by[by]}</span>}
        </>
      }
      breaks={breaks}
      figures={cells}
      take={
        by === null
          ? words.now
          : {
              said: words.take,
              label: sayer.say(words.takes, { name, by: words.by[by] }),
              isReady,
              onTake: () => documents.set(words.step, optionId, electricalId, { drawn: way.drawn }),
            }
      }
    />
  )
}
