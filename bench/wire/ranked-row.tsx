'use client'

import { type ReactNode } from 'react'
import { type InverterWorth } from '@/core/readers/inverter-worth'
import { saidCheck } from '@/words/said-check'
import { useSayer } from '../context'

/** Heads of the columns of figures. */
export function FigureHeads({ heads }: { readonly heads: readonly string[] }) {
  return heads.map((head) => (
    <th key={head} className="py-1 pl-3 text-right font-normal text-pencil">
      {head}
    </th>
  ))
}

/** One of several things that were tried in an option: what it is, what is wrong with it, its figures, and a press that takes it. */
export function RankedRow({
  name,
  breaks,
  figures,
  take,
}: {
  readonly name: ReactNode
  readonly breaks: InverterWorth['breaks']
  readonly figures: readonly string[]
  /** What stands in the place of the button where it is the one that is taken. */
  readonly take:
    | string
    | {
        readonly said: string
        readonly label: string
        readonly isReady: boolean
        readonly onTake: () => void
      }
}) {
  const sayer = useSayer()
  return (
    <tr className="border-b border-line/60 align-top">
      <th scope="row" className="py-1 text-left font-normal">
        {name}
        {breaks && <span className="block text-[12px] text-clay">{saidCheck(sayer, breaks).title}</span>}
      </th>
      {figures.map((figure, k) => (
        <td key={k} className="py-1 pl-3 text-right whitespace-nowrap">
          {figure}
        </td>
      ))}
      <td className="py-1 pl-3 text-right">
        {typeof take === 'string' ? (
          <span className="quiet">{take}</span>
        ) : (
          <button
            type="button"
            disabled={!take.isReady}
            className="cursor-pointer text-verdigris hover:underline disabled:text-pencil"
            aria-label={take.label}
            onClick={take.onTake}
          >
            {take.said}
          </button>
        )}
      </td>
    </tr>
  )
}
