'use client'

import { useId, useRef, useState } from 'react'
import { useBench, useSite, useWords } from '../../context'
import { TextField } from '../../fields/text-field'
import { houseId } from '../../store/documents'

const lines = ['contactName', 'contactPhone', 'contactEmail'] as const

/** Whom to talk to, and what was said: for the team alone. */
export function Customer() {
  const { documents } = useBench()
  const site = useSite()
  const { fields } = useWords().kinds.site
  const set = (label: string, changed: Readonly<Record<string, unknown>>) =>
    documents.set(label, houseId, site.id, changed)
  return (
    <>
      <h3 className="quiet mt-2">Customer</h3>
      {lines.map((field) => (
        <TextField
          key={field}
          label={fields[field]}
          shown={site[field]}
          width="words"
          onType={(text) => set(fields[field], { [field]: text.trim() })}
        />
      ))}
      <Notes label={fields.notes} text={site.notes} onType={(notes) => set(fields.notes, { notes })} />
    </>
  )
}

/** A pause in typing after which the notes are kept, so that a page that is closed takes nothing with it. */
const pauseMs = 1000

function Notes({
  label,
  text,
  onType,
}: {
  readonly label: string
  readonly text: string
  readonly onType: (text: string) => void
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
        maxLength={4000}
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
