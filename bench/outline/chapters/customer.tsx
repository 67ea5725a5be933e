'use client'

import { later } from '@/words/en/later'
import { useBench, useSite } from '../../context'
import { NotesField } from '../../fields/notes-field'
import { TextField } from '../../fields/text-field'
import { RecordButton } from '../../record/record-button'
import { houseId } from '../../store/documents'

const lines = ['contactName', 'contactPhone', 'contactEmail'] as const

/** Whom to talk to, and what was said: for the team alone. */
export function Customer() {
  const { documents } = useBench()
  const site = useSite()
  const fields = later.fields.site
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
      <NotesField label={fields.notes} text={site.notes} onType={(notes) => set(fields.notes, { notes })} />
      <RecordButton />
    </>
  )
}
