'use client'

import { type ReactNode } from 'react'
import { type Sayer } from '@/words/sayer'
import { useBench, useSayer } from '../context'
import { Sheet } from '../sheet'
import { FigureHeads } from './ranked-row'

/** What a sheet of things that are tried says of how far it is. */
interface RankingWords {
  readonly title: string
  readonly begins: string
  readonly progress: string
  /** Where there is nothing to try, and once all are tried. */
  readonly none: string
  readonly note: string
}

/** Things that are tried in an option, each a row of a table, and how far that is. */
export function RankingSheet({
  words,
  only = words.note,
  first,
  heads,
  ranking: { rows, all, fresh },
  found,
  children,
}: {
  readonly words: RankingWords
  /** Where the present one is all that there is. */
  readonly only?: string
  /** Head of what is tried, and of its figures. */
  readonly first: string
  readonly heads: readonly string[]
  readonly ranking: {
    readonly rows: readonly unknown[]
    readonly all: number | null
    readonly fresh: boolean
  }
  /** What the rows come to, over their table. */
  readonly found?: ReactNode
  readonly children: ReactNode
}) {
  const { session } = useBench()
  const sayer = useSayer()
  const done = all === 1 ? only : words.note
  return (
    <Sheet title={words.title} onClose={() => session.setState({ dialog: null })}>
      <p className="quiet mb-2" role="status">
        {!fresh || all === null
          ? words.begins
          : all === 0
            ? words.none
            : rows.length === all
              ? done
              : sayer.say(words.progress, { done: rows.length, all })}
      </p>
      {rows.length > 0 && found}
      {rows.length > 0 && (
        <table className={`w-full ${fresh ? '' : 'opacity-60'}`}>
          <thead>
            <tr className="border-b border-line">
              <th className="py-1 text-left font-normal text-pencil">{first}</th>
              <FigureHeads heads={heads} />
              <td />
            </tr>
          </thead>
          <tbody>{children}</tbody>
        </table>
      )}
    </Sheet>
  )
}

/** A yield, and by how much it is over the present one; of the present one itself nothing. */
export function yieldFigures(sayer: Sayer, kwh: number, nowKwh: number | null): string[] {
  const more = nowKwh === null ? null : kwh - nowKwh
  const said = (value: number) => sayer.written({ value, unit: 'kWh', digits: 0 })
  return [said(kwh), more === null ? '' : `${more >= 0.5 ? '+' : ''}${said(more)}`]
}

/** Payback and net present value. */
export const moneyFigures = (
  sayer: Sayer,
  { paybackYears, npv }: { readonly paybackYears: number | null; readonly npv: number },
  never: string,
): string[] => [
  paybackYears === null ? never : sayer.written({ value: paybackYears, unit: 'years', digits: 1 }),
  sayer.written({ value: npv, unit: 'money', digits: 0 }),
]
