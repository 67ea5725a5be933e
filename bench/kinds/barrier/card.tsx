'use client'

import { barrierUses, usualBarriers, type Barrier } from '@/core/kinds/barrier/barrier'
import { withUsual } from '@/core/kinds/usual'
import { later } from '@/words/en/later'
import { useBench, useWords } from '../../context'
import { ChoiceField } from '../../fields/fields'
import { houseId } from '../../store/documents'
import { ShadeCost } from '../cost'
import { LengthFields } from '../length-fields'
import { NameField } from '../name-field'

const lengths = ['heightM', 'thicknessM'] as const

/** What it is, with the usual measures of that, and its own. */
export function BarrierCard({ object: barrier }: { readonly object: Barrier }) {
  const { documents } = useBench()
  const { barrierUses: uses } = useWords()
  const fields = later.fields.barrier
  return (
    <>
      <NameField documentId={houseId} id={barrier.id} name={barrier.name} />
      <ChoiceField
        label={fields.use}
        value={barrier.use}
        choices={barrierUses.map((value) => ({ value, label: uses[value] }))}
        onChoose={(use) =>
          documents.set(fields.use, houseId, barrier.id, {
            use,
            ...withUsual(barrier, usualBarriers[barrier.use], usualBarriers[use]),
          })
        }
      />
      <LengthFields object={barrier} lengths={lengths} words={fields} />
      <ShadeCost id={barrier.id} />
    </>
  )
}
