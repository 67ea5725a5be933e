'use client'

import { type Skylight } from '@/core/kinds/skylight/skylight'
import { useWords } from '../../context'
import { LengthField } from '../../fields/fields'
import { houseId } from '../../store/documents'
import { ShadeCost } from '../cost'
import { NameField } from '../name-field'

const lengths = ['widthM', 'lengthM', 'upstandM', 'clearanceM'] as const

/** The window's measures; its slope is the roof's. */
export function SkylightCard({ object: skylight }: { readonly object: Skylight }) {
  const { fields } = useWords().kinds.skylight
  return (
    <>
      <NameField documentId={houseId} id={skylight.id} name={skylight.name} />
      {lengths.map((field) => (
        <LengthField
          documentId={houseId}
          objectId={skylight.id}
          key={field}
          label={fields[field]}
          name={fields[field]}
          value={skylight[field]}
          fields={(value) => ({ [field]: value })}
        />
      ))}
      <ShadeCost id={skylight.id} />
    </>
  )
}
