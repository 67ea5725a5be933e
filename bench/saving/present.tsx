'use client'

import { useStore } from 'zustand'
import { useBench, useSayer } from '../context'

const initials = (name: string) =>
  name
    .split(/\s+/)
    .map((part) => part.charAt(0))
    .slice(0, 2)
    .join('')

/** Who else has the job open, and what they have selected. */
export function OthersPanel() {
  const { line } = useBench()
  const present = useStore(line.store, (s) => s.present)
  const sayer = useSayer()
  return (
    <ul aria-label="Also here" className="flex shrink-0 gap-1">
      {present.slice(0, 4).map(({ screenId, name, selection }) => {
        const what = selection === null ? 'nothing selected' : sayer.name(selection)
        return (
          <li
            key={screenId}
            title={`${name}: ${what}`}
            className="flex h-7 items-center gap-1 rounded-full border border-verdigris bg-card px-2 text-[12px]"
          >
            <span aria-hidden className="font-semibold text-verdigris">
              {initials(name)}
            </span>
            <span className="sr-only">{name}: </span>
            <span className="max-w-20 truncate text-pencil">{selection === null ? 'here' : what}</span>
          </li>
        )
      })}
      {present.length > 4 && <li className="quiet self-center">+{present.length - 4}</li>}
    </ul>
  )
}
