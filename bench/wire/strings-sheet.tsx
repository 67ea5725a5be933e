'use client'

import { electricalId } from '@/core/kinds/electrical/electrical'
import { type StringsWorth } from '@/core/readers/strings-worth'
import { later } from '@/words/en/later'
import { useBench, useSayer, useSession } from '../context'
import { Sheet } from '../sheet'
import { FigureHeads, RankedRow } from './ranked-row'
import { useRanking } from './use-ranking'

const words = later.strings

/** Ways to string the modules of the option, each run through the chain, the best first; one press takes one. */
export function StringsSheet() {
  const { session } = useBench()
  const { rows, all, fresh } = useRanking('strings')
  const sayer = useSayer()
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      <p className="quiet mb-2" role="status">
        {!fresh || all === null
          ? words.begins
          : all === 0
            ? words.none
            : rows.length === all
              ? all === 1
                ? words.only
                : words.note
              : sayer.say(words.progress, { done: rows.length, all })}
      </p>
      {rows.length > 0 && (
        <div className={fresh ? '' : 'opacity-60'}>
          <Ways ways={rows} isReady={fresh} />
        </div>
      )}
    </Sheet>
  )
}

function Ways({ ways, isReady }: { readonly ways: readonly StringsWorth[]; readonly isReady: boolean }) {
  const now = ways.find(({ by }) => by === null)
  return (
    <table className="w-full">
      <thead>
        <tr className="border-b border-line">
          <th className="py-1 text-left font-normal text-pencil">{words.strings}</th>
          <FigureHeads
            heads={(['yield', 'change', 'mismatch', 'cable', 'payback', 'npv'] as const).map(
              (column) => words[column],
            )}
          />
          <td />
        </tr>
      </thead>
      <tbody>
        {ways.map((way, k) => (
          <Way key={k} way={way} now={now} isReady={isReady} />
        ))}
      </tbody>
    </table>
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
  const more = now ? way.annualKwh - now.annualKwh : 0
  const cells = [
    sayer.written({ value: way.annualKwh, unit: 'kWh', digits: 0 }),
    by === null || !now
      ? ''
      : `${more >= 0.5 ? '+' : ''}${sayer.written({ value: more, unit: 'kWh', digits: 0 })}`,
    sayer.written({ value: way.mismatchKwh, unit: 'kWh', digits: 0 }),
    sayer.written({ value: way.cableM, unit: 'm', digits: 0 }),
    way.paybackYears === null
      ? words.never
      : sayer.written({ value: way.paybackYears, unit: 'years', digits: 1 }),
    sayer.written({ value: way.npv, unit: 'money', digits: 0 }),
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
