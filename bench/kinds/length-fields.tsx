'use client'

import { LengthField } from '../fields/fields'
import { houseId } from '../store/documents'

/** The lengths of an object of the house, each under its name. */
export function LengthFields<F extends string>({
  object,
  lengths,
  words,
}: {
  readonly object: { readonly id: string } & Readonly<Record<F, number>>
  readonly lengths: readonly F[]
  /** What each field is called. */
  readonly words: Readonly<Record<F, string>>
}) {
  return lengths.map((field) => (
    <LengthField
      key={field}
      documentId={houseId}
      objectId={object.id}
      label={words[field]}
      name={words[field]}
      value={object[field]}
      fields={(value) => ({ [field]: value })}
    />
  ))
}
