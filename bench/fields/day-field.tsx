'use client'

import { useId, useState } from 'react'
import { isDay } from '@/core/model/day'
import { type Fault } from '@/core/model/fault'
import { useSayer } from '../context'

/** A day of the calendar, written as the reader's system writes it; empty where there may be none. */
export function DayField({
  label,
  value,
  onSet,
  bare = false,
}: {
  readonly label: string
  /** Named by what stands over and beside it in a table. */
  readonly bare?: boolean
  readonly value: string | null
  /** @returns what is wrong, or null */
  readonly onSet: (day: string | null) => Fault | null
}) {
  const id = useId()
  const sayer = useSayer()
  const [typed, setTyped] = useState<string | null>(null)
  const [wrong, setWrong] = useState<Fault | null>(null)
  const take = (text: string) => {
    const fault = onSet(text === '' ? null : text)
    setWrong(fault)
    if (fault === null) setTyped(null)
  }
  return (
    <div className="py-0.5">
      <div className="flex items-center gap-1.5">
        {!bare && (
          <label htmlFor={id} className="min-w-0 flex-1 leading-4 text-pencil">
            {label}
          </label>
        )}
        <input
          id={id}
          type="date"
          className="field w-[8.6rem] shrink-0"
          aria-label={bare ? label : undefined}
          value={typed ?? value ?? ''}
          min="1900-01-01"
          max="2199-12-31"
          aria-invalid={wrong !== null}
          aria-describedby={wrong === null ? undefined : `${id}-wrong`}
          onKeyDown={(event) => event.stopPropagation()}
          onChange={({ target: { value: text, validity } }) => {
            setTyped(text)
            // While a year is typed its first figures are a year, too: what is out of bounds waits.
            if (!validity.badInput && !validity.rangeUnderflow && (text === '' || isDay(text))) take(text)
          }}
          onBlur={() => {
            if (wrong === null) setTyped(null)
          }}
        />
      </div>
      {wrong !== null && (
        <p id={`${id}-wrong`} role="alert" className="mt-0.5 text-[12px] text-clay">
          {sayer.faultHere(wrong)}
        </p>
      )}
    </div>
  )
}
