'use client'

import { useId, useRef, useState } from 'react'

/** A pause in typing after which the notes are kept, so that a page that is closed takes nothing with it. */
const pauseMs = 1000

/** Some lines of text, kept while they are typed. */
export function NotesField({
  label,
  text,
  onType,
  most = 4000,
}: {
  readonly label: string
  readonly text: string
  readonly onType: (text: string) => void
  /** Letters it takes. */
  readonly most?: number
}) {
  const id = useId()
  const [typed, setTyped] = useState<string | null>(null)
  const pause = useRef<ReturnType<typeof setTimeout>>(undefined)
  return (
    <div className="py-0.5">
      <label htmlFor={id} className="text-pencil">
        {label}
      </label>
      <textarea
        id={id}
        rows={3}
        maxLength={most}
        className="field mt-0.5 h-auto w-full resize-y py-1 leading-snug"
        value={typed ?? text}
        onKeyDown={(event) => event.stopPropagation()}
        onChange={({ target: { value } }) => {
          setTyped(value)
          clearTimeout(pause.current)
          pause.current = setTimeout(() => onType(value), pauseMs)
        }}
        onBlur={() => {
          clearTimeout(pause.current)
          if (typed !== null && typed !== text) onType(typed)
          setTyped(null)
        }}
      />
    </div>
  )
}
