'use client'

import { memo, useEffect, useState } from 'react'
import { useStore } from 'zustand'
import { type LineId } from '@/core/model/ledger'
import { type ShownLine } from '@/core/readers/books'
import { type KeptLine } from '@/core/readers/kept-line'
import { number } from '@/words/format'
import { type Sayer } from '@/words/sayer'
import { useBench, useNumbers, useSayer, useSession } from '../context'
import { lazyPart } from '../lazy-parts'
import { type SessionStore } from '../store/session'
import { differences } from './differences'

const WhyPanel = lazyPart('WhyPanel')

/** One of today, or of before the job was opened. */
type LedgerLine = KeptLine & Partial<ShownLine>

const groups = [
  { id: 'sun', title: 'Sun to meter, per year' },
  { id: 'use', title: 'Use of the energy' },
  { id: 'money', title: 'Money' },
] as const

/** What matters most stays in sight, whatever is scrolled. */
const pinned = new Set<LineId>(['bill-then', 'payback', 'npv'])

/** How long a difference stays on the screen. */
const differenceMs = 6000

/** The chain of numbers from sunlight to payback: every line live, each with its "why?". */
export function Ledger() {
  const { session, live, last } = useBench()
  const { numbers, fresh } = useNumbers()
  const optionId = useSession((s) => s.optionId)
  const why = useSession((s) => s.why)
  const fault = useStore(live.store, (s) => s.faults[optionId])
  const differences = useDifferences()
  const sayer = useSayer()
  const open = numbers?.summary.ledger.find((line) => line.id === why)
  const before = last.optionId === optionId && !fault ? last.lines : []
  const shown = (numbers?.summary.ledger ?? before).filter((line) => !hidden(line))
  const lineOf = (line: LedgerLine) => (
    <Line
      key={line.id}
      line={line}
      sayer={sayer}
      session={session}
      difference={differences[line.id] ?? null}
      open={why === line.id}
    />
  )
  return (
    <section aria-label="Ledger" data-fresh={fresh} className="group/ledger relative flex h-full flex-col">
      <div tabIndex={0} role="group" aria-label="Lines" className="min-h-0 flex-1 overflow-y-auto px-3 py-2">
        {fault && (
          <p role="alert" className="mb-2 rounded-md bg-clay-soft p-2 text-clay">
            {sayer.fault(fault)}
          </p>
        )}
        {!numbers && !fault && (
          <p className="quiet">
            Computing the year …{before.length > 0 && ' Until then the figures of last time stand here.'}
          </p>
        )}
        {groups.map((group) => {
          const lines = shown.filter((line) => line.group === group.id && !pinned.has(line.id))
          if (lines.length === 0) return null
          return (
            <div key={group.id} className="mb-1">
              <div className="flex items-baseline">
                <h2 className="quiet flex-1">{group.title}</h2>
                {group.id === 'sun' && (
                  <button
                    type="button"
                    className="cursor-pointer text-[12px] text-verdigris hover:underline"
                    onClick={() => session.setState({ dialog: 'year' })}
                  >
                    by month
                  </button>
                )}
              </div>
              {lines.map(lineOf)}
            </div>
          )
        })}
      </div>
      {shown.length > 0 && (
        <div className="shrink-0 border-t border-line px-3 pt-1 pb-1.5">
          {shown.filter((line) => pinned.has(line.id)).map(lineOf)}
        </div>
      )}
      {open && <WhyPanel line={open} onClose={() => session.setState({ why: null })} />}
    </section>
  )
}

/** Losses of nothing would only fill the column; they stand in the yield's explanation. */
const hidden = (line: KeptLine) => line.weight === 'loss' && line.shown === 0

/** How figures look that belong to the design before. */
const stale = 'group-data-[fresh=false]/ledger:text-pencil group-data-[fresh=false]/ledger:opacity-60'

/** One line; it is drawn again only for another figure, whatever else the design has that is new. */
const Line = memo(function Line({
  line,
  sayer,
  session,
  difference,
  open,
}: {
  readonly line: LedgerLine
  readonly sayer: Sayer
  readonly session: SessionStore
  readonly difference: number | null
  readonly open: boolean
}) {
  const shown = sayer.figure(line.shown, line.unit, line.absent)
  const total = line.weight === 'total'
  const better = difference !== null && (line.better === 'more' ? difference > 0 : difference < 0)
  const sign = difference !== null && difference > 0 ? '+' : '−'
  const changed = difference === null ? null : changeOf(Math.abs(difference), line.unit, sayer)
  return (
    <div className={line.id === 'yield' ? 'mt-0.5 border-t border-line' : ''}>
      <button
        type="button"
        aria-expanded={open}
        title="Why?"
        onClick={() => session.setState({ why: open ? null : line.id })}
        onMouseEnter={() => session.setState({ lit: line.about ?? [] })}
        onMouseLeave={() => session.setState({ lit: [] })}
        className="group flex w-full cursor-pointer items-baseline gap-1.5 rounded px-0.5 py-px text-left hover:bg-fold"
      >
        <span className={`min-w-0 flex-1 truncate ${line.weight === 'loss' ? 'text-pencil' : ''}`}>
          {sayer.line(line.id)}{' '}
          <span className="hidden text-[12px] text-verdigris group-hover:inline group-focus-visible:inline">
            why?
          </span>
        </span>
        <span
          data-line={line.id}
          data-value={line.value ?? ''}
          className={`font-semibold ${total ? 'text-[19px] leading-7' : ''} ${stale}`}
        >
          {shown.figure}
        </span>
        <span
          className={`w-[2.9rem] shrink-0 text-[12px] whitespace-nowrap ${changed ? (better ? 'text-verdigris' : 'text-clay') : 'text-pencil'}`}
        >
          {changed ? `${sign}${changed}` : shown.unit}
        </span>
      </button>
    </div>
  )
})

/** A change in the room of a unit; of years, one under a tenth in days. */
function changeOf(difference: number, unit: KeptLine['unit'], sayer: Sayer): string {
  if (unit === 'years' && difference < 0.1) return `${number(difference * 365, sayer.place)} days`
  return sayer.quantity({ value: difference, unit }).figure
}

/** What the last edit changed, line by line, for some seconds. */
function useDifferences(): Readonly<Record<string, number>> {
  const { numbers } = useNumbers()
  const optionId = useSession((s) => s.optionId)
  const [shown, setShown] = useState<{ of: string; values: Readonly<Record<string, number>> }>({
    of: '',
    values: {},
  })
  useEffect(() => {
    if (!numbers?.before) return
    const values = differences(numbers.before.ledger, numbers.summary.ledger)
    if (Object.keys(values).length === 0) return
    const arrive = setTimeout(() => setShown({ of: optionId, values }), 0)
    const leave = setTimeout(() => setShown({ of: '', values: {} }), differenceMs)
    return () => {
      clearTimeout(arrive)
      clearTimeout(leave)
    }
  }, [numbers, optionId])
  return shown.of === optionId ? shown.values : {}
}
