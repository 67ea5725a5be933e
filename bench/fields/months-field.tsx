'use client'

import { useId, useState, type ReactNode } from 'react'
import { parseNumber } from '@/core/model/numbers'
import { useSite } from '../context'
import { type Fault } from '@/core/model/fault'
import { monthNames, number } from '@/words/format'
import { TextField } from './text-field'

interface Props {
  readonly label: ReactNode
  readonly name: string
  /** Twelve, January first. */
  readonly values: readonly number[]
  readonly unit: string
  /** What a stored 1 is shown as. */
  readonly times: number
  readonly digits: number
  readonly onSet: (values: readonly number[]) => Fault | null
}

/** A value for every month: one field while all are alike, twelve when opened. */
export function MonthsField({ label, name, values, unit, times, digits, onSet }: Props) {
  const site = useSite()
  const list = useId()
  const [open, setOpen] = useState(false)
  const [low, high] = [Math.min(...values), Math.max(...values)]
  const shown = (value: number) => number(value * times, site, digits).replace('−', '-')
  const even = low === high
  return (
    <div>
      <TextField
        label={label}
        shown={even ? shown(low) : `${shown(low)}–${shown(high)}`}
        unit={unit}
        hint="One value for the whole year; open the months to set each one"
        onType={(text) => onSet(values.map(() => parseNumber(text, site.locale) / times))}
      />
      <button
        type="button"
        aria-expanded={open}
        aria-controls={list}
        className="mb-0.5 block w-full cursor-pointer text-right text-[12px] text-verdigris hover:underline"
        onClick={() => setOpen(!open)}
      >
        {open ? 'Close the months' : `${name} by month`}
      </button>
      {open && (
        <div id={list} className="mb-1.5 grid grid-cols-2 gap-x-2 rounded-md bg-fold px-2 py-1">
          {monthNames('en').map((month, m) => (
            <TextField
              key={month}
              label={<span aria-label={`${name}, ${month}`}>{month}</span>}
              shown={shown(values[m] ?? 0)}
              width="short"
              onType={(text) =>
                onSet(values.map((value, k) => (k === m ? parseNumber(text, site.locale) / times : value)))
              }
            />
          ))}
        </div>
      )}
    </div>
  )
}
