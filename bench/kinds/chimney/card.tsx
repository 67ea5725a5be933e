'use client'

import { type Chimney } from '@/core/kinds/chimney/chimney'
import { later } from '@/words/en/later'
import { houseId } from '../../store/documents'
import { ShadeCost } from '../cost'
import { LengthFields } from '../length-fields'
import { NameField } from '../name-field'
import { RotationField } from '../rotation-field'

const lengths = ['heightM', 'widthM', 'depthM', 'clearanceM'] as const

/** The box's measures. */
export function ChimneyCard({ object: chimney }: { readonly object: Chimney }) {
  const fields = later.fields.chimney
  return (
    <>
      <NameField documentId={houseId} id={chimney.id} name={chimney.name} />
      <LengthFields object={chimney} lengths={lengths} words={fields} />
      <RotationField object={chimney} label={fields.rotationDeg} />
      <ShadeCost id={chimney.id} />
    </>
  )
}
