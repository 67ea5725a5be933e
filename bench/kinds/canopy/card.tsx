'use client'

import { canopyUses, usualCanopies, type Canopy } from '@/core/kinds/canopy/canopy'
import { withUsual } from '@/core/kinds/usual'
import { later } from '@/words/en/later'
import { useBench, useWords } from '../../context'
import { ChoiceField, SlopeField } from '../../fields/fields'
import { houseId } from '../../store/documents'
import { ShadeCost } from '../cost'
import { LengthFields } from '../length-fields'
import { NameField } from '../name-field'
import { RotationField } from '../rotation-field'

const lengths = ['eaveHeightM', 'widthM', 'depthM'] as const

/** What it is, its leaves and their measures. */
export function CanopyCard({ object: canopy }: { readonly object: Canopy }) {
  const { documents } = useBench()
  const { canopyUses: uses } = useWords()
  const { canopyLeaves, canopyCovers } = later
  const fields = later.fields.canopy
  const of = { documentId: houseId, objectId: canopy.id }
  return (
    <>
      <NameField documentId={houseId} id={canopy.id} name={canopy.name} />
      <ChoiceField
        label={fields.use}
        value={canopy.use}
        choices={canopyUses.map((value) => ({ value, label: uses[value] }))}
        onChoose={(use) =>
          documents.set(fields.use, houseId, canopy.id, {
            use,
            ...withUsual(canopy, usualCanopies[canopy.use], usualCanopies[use]),
          })
        }
      />
      <ChoiceField
        label={fields.leaves}
        value={canopy.leaves}
        choices={(['one', 'two'] as const).map((value) => ({ value, label: canopyLeaves[value] }))}
        onChoose={(leaves) => documents.set(fields.leaves, houseId, canopy.id, { leaves })}
      />
      <ChoiceField
        label={fields.cover}
        value={canopy.cover}
        choices={(['closed', 'slats'] as const).map((value) => ({ value, label: canopyCovers[value] }))}
        onChoose={(cover) => documents.set(fields.cover, houseId, canopy.id, { cover })}
      />
      <SlopeField
        {...of}
        label={fields.pitchDeg}
        name={fields.pitchDeg}
        value={canopy.pitchDeg}
        fields={(pitchDeg) => ({ pitchDeg })}
      />
      <LengthFields object={canopy} lengths={lengths} words={fields} />
      <RotationField object={canopy} label={fields.rotationDeg} />
      <ShadeCost id={canopy.id} />
    </>
  )
}
