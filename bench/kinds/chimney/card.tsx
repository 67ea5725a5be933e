'use client'

import { type Chimney } from '@/core/kinds/chimney/chimney'
import { useWords } from '../../context'
import { NumberField } from '../../fields/fields'
import { houseId } from '../../store/documents'
import { ShadeCost } from '../cost'
import { LengthFields } from '../length-fields'
import { NameField } from '../name-field'

const lengths = ['heightM', 'widthM', 'depthM', 'clearanceM'] as const

/** The box's measures. */
export function ChimneyCard({ object: chimney }: { readonly object: Chimney }) {
  const { fields } = useWords().kinds.chimney
  const of = { documentId: houseId, objectId: chimney.id }
  return (
    <>
      <NameField documentId={houseId} id={chimney.id} name={chimney.name} />
      <LengthFields object={chimney} lengths={lengths} words={fields} />
      <NumberField
        {...of}
        label={fields.rotationDeg}
        name="Rotation"
        unit="°"
        digits={1}
        value={chimney.rotationDeg}
        fields={(rotationDeg) => ({ rotationDeg })}
      />
      <ShadeCost id={chimney.id} />
    </>
  )
}
