'use client'

import { useId, useRef, useState, type ReactNode } from 'react'
import { Fault } from '@/core/model/fault'
import { useSayer } from '../context'

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
  const [typed, setTyped] = useState<string | null>(null)
  const [wrong, setWrong] = useState<Fault | null>(null)
  const sayer = useSayer()
  /** Set while Enter or Esc leaves the field: what was typed has been dealt with. */
  const done = useRef(false)

  const take = (text: string): boolean => {
    if (text === shown) {
      setTyped(null)
      setWrong(null)
      return true
    }
    let problem: Fault | null
    try {
      problem = onType(text)
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      problem = error
    }
    setWrong(problem)
    if (problem === null) setTyped(null)
    return problem === null
  }

  return (
    <div className="py-0.5">
      <div className={width === 'name' ? '' : 'flex items-center gap-1.5'}>
        <label htmlFor={id} className="min-w-0 flex-1 leading-4 text-pencil">
          {label}
        </label>
        <input
          id={id}
          className={`field shrink-0 ${widths[width]}`}
          value={typed ?? shown}
          title={hint}
          aria-invalid={wrong !== null}
          aria-describedby={wrong === null ? undefined : `${id}-wrong`}
          onChange={(event) => setTyped(event.target.value)}
          onFocus={(event) => event.target.select()}
          onBlur={(event) => {
            if (typed !== null && !done.current) take(event.target.value)
            done.current = false
          }}
          onKeyDown={(event) => {
            event.stopPropagation()
            // Taken or given up: the keys belong to the tools again.
            const leave = () => {
              done.current = true
              event.currentTarget.blur()
            }
            if (event.key === 'Enter' && take(event.currentTarget.value)) leave()
            if (event.key === 'Escape') {
              setTyped(null)
              setWrong(null)
              leave()
            }
          }}
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
