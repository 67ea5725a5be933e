'use client'

import { electricalId } from '@/core/kinds/electrical/electrical'
import { type OptimizerWorth } from '@/core/readers/optimizer-worth'
import { later } from '@/words/en/later'
import { type Sayer } from '@/words/sayer'
import { useBench, useNumbers, useSayer, useSession } from '../context'
import { Sheet } from '../sheet'
import { FigureHeads, RankedRow } from './ranked-row'
import { useRanking } from './use-ranking'

const words = later.optimizers

/** Optimizers at more and more of the most shaded modules, each run through the chain, the best first; one press takes one. */
export function OptimizersSheet() {
  const { session } = useBench()
  const { rows, all, fresh } = useRanking('optimizers')
  const sayer = useSayer()
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      <p className="quiet mb-2" role="status">
        {!fresh || all === null
          ? words.begins
          : all === 0
            ? words.none
            : rows.length === all
              ? words.note
              : sayer.say(words.progress, { done: rows.length, all })}
      </p>
      {rows.length > 0 && (
        <div className={fresh ? '' : 'opacity-60'}>
          <table className="w-full">
            <thead>
              <tr className="border-b border-line">
                <th className="py-1 text-left font-normal text-pencil">{words.at}</th>
                <FigureHeads
                  heads={(['yield', 'change', 'mismatch', 'price', 'payback', 'npv'] as const).map(
                    (column) => words[column],
                  )}
                />
                <td />
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <Row
                  key={`${row.count} ${row.isNow}`}
                  row={row}
                  now={rows.find(({ isNow }) => isNow)}
                  isReady={fresh}
                />
              ))}
            </tbody>
          </table>
        </div>
      )}
    </Sheet>
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
  const more = now ? row.annualKwh - now.annualKwh : 0
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
        sayer.written({ value: row.annualKwh, unit: 'kWh', digits: 0 }),
        isNow || !now
          ? ''
          : `${more >= 0.5 ? '+' : ''}${sayer.written({ value: more, unit: 'kWh', digits: 0 })}`,
        sayer.written({ value: row.mismatchKwh, unit: 'kWh', digits: 0 }),
        sayer.written({ value: row.price, unit: 'money', digits: 0 }),
        row.paybackYears === null
          ? words.never
          : sayer.written({ value: row.paybackYears, unit: 'years', digits: 1 }),
        sayer.written({ value: row.npv, unit: 'money', digits: 0 }),
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
