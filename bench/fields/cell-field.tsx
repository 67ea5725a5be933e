'use client'

import { useId } from 'react'
import { type Fault } from '@/core/model/fault'
import { useSayer } from '../context'
import { useTyped } from './use-typed'

/** A field in a table, named by what stands over and beside it; a fault stands below. */
export function CellField({
  label,
  shown,
  placeholder,
  left = false,
  onType,
}: {
  /** For those who do not see the table. */
  readonly label: string
  readonly shown: string
  /** What holds while it is empty. */
  readonly placeholder?: string | undefined
  /** Words begin at the left, figures end at the right. */
  readonly left?: boolean
  readonly onType: (text: string) => Fault | null
}) {
  const id = useId()
  const sayer = useSayer()
  const { input, wrong } = useTyped(shown, onType)
  return (
    <>
      <input
        className={`field ${left ? '' : 'text-right'}`}
        aria-label={label}
        placeholder={placeholder}
        aria-describedby={wrong === null ? undefined : id}
        {...input}
      />
      {wrong !== null && (
        <p id={id} role="alert" className="mt-0.5 text-left text-[12px] text-clay">
          {sayer.faultHere(wrong)}
        </p>
      )}
    </>
  )
}
