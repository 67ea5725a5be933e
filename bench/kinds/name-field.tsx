'use client'

import { useBench } from '../context'
import { TextField } from '../fields/text-field'

/** What an object is called. */
export function NameField({
  documentId,
  id,
  name,
}: {
  readonly documentId: string
  readonly id: string
  readonly name: string
}) {
  const { documents } = useBench()
  return (
    <TextField
      label="Name"
      shown={name}
      width="name"
      onType={(text) => documents.set('Name', documentId, id, { name: text })}
    />
  )
}
