'use client'

import { NumberField } from '../fields/fields'
import { houseId } from '../store/documents'

/** How an object of the house is turned, counter-clockwise from how it lies unturned. */
export function RotationField({
  object,
  label,
}: {
  readonly object: { readonly id: string; readonly rotationDeg: number }
  readonly label: string
}) {
  return (
    <NumberField
      documentId={houseId}
      objectId={object.id}
      label={label}
      name={label}
      unit="°"
      digits={1}
      value={object.rotationDeg}
      fields={(rotationDeg) => ({ rotationDeg })}
    />
  )
}
