'use client'

import { type Walkway } from '@/core/kinds/walkway/walkway'
import { later } from '@/words/en/later'
import { houseId } from '../../store/documents'
import { LengthFields } from '../length-fields'
import { NameField } from '../name-field'

const lengths = ['widthM'] as const

/** How wide it is; where it runs is dragged. */
export function WalkwayCard({ object: walkway }: { readonly object: Walkway }) {
  const fields = later.fields.walkway
  return (
    <>
      <NameField documentId={houseId} id={walkway.id} name={walkway.name} />
      <LengthFields object={walkway} lengths={lengths} words={fields} />
    </>
  )
}
