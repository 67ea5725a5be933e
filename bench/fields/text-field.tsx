'use client'

import { useId, type ReactNode } from 'react'
import { type Fault } from '@/core/model/fault'
import { useSayer } from '../context'
import { useTyped } from './use-typed'

const widths = {
  short: 'w-[3.1rem] text-right',
  figure: 'w-[4.6rem] text-right',
  length: 'w-[5.4rem] text-right',
  words: 'w-[7.6rem]',
  name: 'mt-0.5 w-full',
} as const

interface Props {
  readonly label: ReactNode
  /** As it stands, written out. */
  readonly shown: string
  readonly unit?: string | undefined
  /** Takes what was typed; returns what is wrong, or null. May throw a Fault as well. */
  readonly onType: (text: string) => Fault | null
  /** Room for what stands in it: three figures, a figure, feet and inches, words; a name has the line below. */
  readonly width?: keyof typeof widths
  readonly hint?: string | undefined
}

/** A measure one can click and type. Enter or leaving takes it; Esc brings the old one back; a fault stands below. */
export function TextField({ label, shown, unit, onType, width = 'figure', hint }: Props) {
  const id = useId()
  const { input, wrong } = useTyped(shown, onType)
  const sayer = useSayer()

  return (
    <div className="py-0.5">
      <div className={width === 'name' ? '' : 'flex items-center gap-1.5'}>
        <label htmlFor={id} className="min-w-0 flex-1 leading-4 text-pencil">
          {label}
        </label>
        <input
          id={id}
          className={`field shrink-0 ${widths[width]}`}
          title={hint}
          aria-describedby={wrong === null ? undefined : `${id}-wrong`}
          {...input}
        />
        {unit !== undefined && (
          <span className="w-[1.9rem] shrink-0 text-[12px] whitespace-nowrap text-pencil empty:hidden">
            {unit}
          </span>
        )}
      </div>
      {wrong !== null && (
        <p id={`${id}-wrong`} role="alert" className="mt-0.5 text-[12px] text-clay">
          {sayer.faultHere(wrong)}
        </p>
      )}
    </div>
  )
}
