'use client'

import { electricalId } from '@/core/kinds/electrical/electrical'
import { type OptimizerWorth } from '@/core/readers/optimizer-worth'
import { later } from '@/words/en/later'
import { type Sayer } from '@/words/sayer'
import { useBench, useNumbers, useSayer, useSession } from '../context'
import { RankedRow } from './ranked-row'
import { moneyFigures, RankingSheet, yieldFigures } from './ranking-sheet'
import { useRanking } from './use-ranking'

const words = later.optimizers

/** Optimizers at more and more of the most shaded modules, each run through the chain, the best first; one press takes one. */
export function OptimizersSheet() {
  const ranking = useRanking('optimizers')
  const { rows, fresh } = ranking
  return (
    <RankingSheet
      words={words}
      first={words.at}
      heads={(['yield', 'change', 'mismatch', 'price', 'payback', 'npv'] as const).map((one) => words[one])}
      ranking={ranking}
    >
      {rows.map((row) => (
        <Row
          key={`${row.count} ${row.isNow}`}
          row={row}
          now={rows.find(({ isNow }) => isNow)}
          isReady={fresh}
        />
      ))}
    </RankingSheet>
  )
}

/** The present ones may stand anywhere: they are only counted. */
function whereOf({ set, count, isNow }: OptimizerWorth, all: number, sayer: Sayer): string {
  if (count === 0) return words.nowhere
  if (count === all) return sayer.say(words.every, { modules: all })
  return sayer.say(isNow || set.optimizersAt === null ? words.present : words.modules, { modules: count })
}

function Row({
  row,
  now,
  isReady,
}: {
  readonly row: OptimizerWorth
  readonly now: OptimizerWorth | undefined
  readonly isReady: boolean
}) {
  const { documents } = useBench()
  const optionId = useSession((s) => s.optionId)
  const { numbers } = useNumbers()
  const sayer = useSayer()
  const where = whereOf(row, numbers?.summary.count ?? 0, sayer)
  const { set, isNow } = row
  return (
    <RankedRow
      name={
        <>
          {where}
          {set.optimizerId !== null && row.count > 0 && (
            <span className="quiet block">{sayer.name(set.optimizerId)}</span>
          )}
        </>
      }
      breaks={row.breaks}
      figures={[
        ...yieldFigures(sayer, row.annualKwh, isNow || !now ? null : now.annualKwh),
        sayer.written({ value: row.mismatchKwh, unit: 'kWh', digits: 0 }),
        sayer.written({ value: row.price, unit: 'money', digits: 0 }),
        ...moneyFigures(sayer, row, words.never),
      ]}
      take={
        isNow
          ? words.now
          : {
              said: words.take,
              label: sayer.say(words.takes, { where }),
              isReady,
              onTake: () =>
                documents.set(words.step, optionId, electricalId, {
                  optimizerId: set.optimizerId,
                  optimizersAt: set.optimizersAt && [...set.optimizersAt],
                }),
            }
      }
    />
  )
}
