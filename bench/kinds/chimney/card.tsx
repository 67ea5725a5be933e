'use client'

import { type Chimney } from '@/core/kinds/chimney/chimney'
import { useWords } from '../../context'
import { LengthField, NumberField } from '../../fields/fields'
import { houseId } from '../../store/documents'
import { ShadeCost } from '../cost'
import { NameField } from '../name-field'

const lengths = ['heightM', 'widthM', 'depthM', 'clearanceM'] as const

/** The box's measures. */
export function ChimneyCard({ object: chimney }: { readonly object: Chimney }) {
  const { fields } = useWords().kinds.chimney
  const of = { documentId: houseId, objectId: chimney.id }
  return (
    <>
      <NameField documentId={houseId} id={chimney.id} name={chimney.name} />
      {lengths.map((field) => (
        <LengthField
          {...of}
          key={field}
          label={fields[field]}
          name={fields[field]}
          value={chimney[field]}
          fields={(value) => ({ [field]: value })}
        />
      ))}
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
