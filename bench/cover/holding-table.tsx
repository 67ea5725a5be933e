'use client'

import { type HoldingRow } from '@/core/readers/structure-table'
import { later } from '@/words/en/later'
import { useSayer } from '../context'
import { useTitles } from './use-titles'

const words = later.structure
const head = 'py-1 font-normal text-pencil'

/** What holds each array, and how near it is to what it bears. */
export function HoldingTable({ rows }: { readonly rows: readonly HoldingRow[] }) {
  const sayer = useSayer()
  const titleOf = useTitles()
  const { columns } = words
  return (
    <table className="mt-4 w-full">
      <thead>
        <tr className="border-b border-line">
          <th className={`${head} text-left`}>{columns.name}</th>
          {(['held', 'feet', 'most', 'share', 'weight', 'load'] as const).map((column) => (
            <th key={column} className={`${head} text-right`}>
              {columns[column]}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ arrayId, railM, feet, blocks, most, weightKg, deadKpa }) => {
          const isBlocks = most.side === 'blocks'
          const amount = (value: number) => ({ value, unit: isBlocks ? 'count' : 'kN' }) as const
          const over = most.figure > most.limit + 1e-6
          const cells = [
            railM === null ? '–' : sayer.written({ value: railM, unit: 'm', digits: 1 }),
            sayer.written({ value: feet ?? blocks ?? 0, unit: 'count' }),
            sayer.say(words.sides[most.side], { figure: amount(most.figure), limit: amount(most.limit) }),
            sayer.written({ value: most.figure / most.limit, unit: 'share', digits: 0 }),
            sayer.written({ value: weightKg, unit: 'kg' }),
            sayer.written({ value: deadKpa, unit: 'kN/m²' }),
          ]
          return (
            <tr key={arrayId} className="border-b border-line/60">
              <th scope="row" className="py-1 text-left font-normal">
                {titleOf(arrayId)}
              </th>
              {cells.map((cell, i) => (
                <td key={i} className={`text-right ${over && (i === 2 || i === 3) ? 'text-clay' : ''}`}>
                  {cell}
                </td>
              ))}
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
