'use client'

import { type Skylight } from '@/core/kinds/skylight/skylight'
import { later } from '@/words/en/later'
import { houseId } from '../../store/documents'
import { ShadeCost } from '../cost'
import { LengthFields } from '../length-fields'
import { NameField } from '../name-field'

const lengths = ['widthM', 'lengthM', 'upstandM', 'clearanceM'] as const

/** The window's measures; its slope is the roof's. */
export function SkylightCard({ object: skylight }: { readonly object: Skylight }) {
  const fields = later.fields.skylight
  return (
    <>
      <NameField documentId={houseId} id={skylight.id} name={skylight.name} />
      <LengthFields object={skylight} lengths={lengths} words={fields} />
      <ShadeCost id={skylight.id} />
    </>
  )
}
