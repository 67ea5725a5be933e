'use client'

import { dormerForms, usualPitchDeg, type Dormer } from '@/core/kinds/dormer/dormer'
import { later } from '@/words/en/later'
import { useBench, useWords } from '../../context'
import { ChoiceField, SlopeField } from '../../fields/fields'
import { houseId } from '../../store/documents'
import { ShadeCost } from '../cost'
import { LengthFields } from '../length-fields'
import { NameField } from '../name-field'

const lengths = ['widthM', 'wallHeightM', 'clearanceM'] as const

/** The form of its roof and its measures; the way it looks is the plane's. */
export function DormerCard({ object: dormer }: { readonly object: Dormer }) {
  const { documents } = useBench()
  const { dormerForms: names } = useWords()
  const fields = later.fields.dormer
  const of = { documentId: houseId, objectId: dormer.id }
  return (
    <>
      <NameField documentId={houseId} id={dormer.id} name={dormer.name} />
      <ChoiceField
        label={fields.form}
        value={dormer.form}
        choices={dormerForms.map((form) => ({ value: form, label: names[form] }))}
        onChoose={(form) =>
          documents.set(fields.form, houseId, dormer.id, { form, pitchDeg: usualPitchDeg[form] })
        }
      />
      {dormer.form !== 'flat' && (
        <SlopeField
          {...of}
          label={fields.pitchDeg}
          name={fields.pitchDeg}
          value={dormer.pitchDeg}
          fields={(pitchDeg) => ({ pitchDeg })}
        />
      )}
      <LengthFields object={dormer} lengths={lengths} words={fields} />
      <ShadeCost id={dormer.id} />
    </>
  )
}
