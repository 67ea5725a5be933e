'use client'

import { type Tree } from '@/core/kinds/tree/tree'
import { useWords } from '../../context'
import { LengthField, PercentField } from '../../fields/fields'
import { houseId } from '../../store/documents'
import { ShadeCost } from '../cost'
import { NameField } from '../name-field'

/** Height, crown, and what light passes it. */
export function TreeCard({ object: tree }: { readonly object: Tree }) {
  const { fields } = useWords().kinds.tree
  const of = { documentId: houseId, objectId: tree.id }
  const inLeaf = Math.min(...tree.transmissivity)
  const bare = Math.max(...tree.transmissivity)
  const replaced = (from: number) => (value: number) => ({
    transmissivity: tree.transmissivity.map((t) => (t === from ? value : t)),
  })
  return (
    <>
      <NameField documentId={houseId} id={tree.id} name={tree.name} />
      <LengthField
        {...of}
        label={fields.heightM}
        name="Height"
        value={tree.heightM}
        fields={(heightM) => ({ heightM })}
      />
      <LengthField
        {...of}
        label={fields.crownDiameterM}
        name="Crown width"
        value={tree.crownDiameterM}
        fields={(crownDiameterM) => ({ crownDiameterM })}
      />
      <PercentField
        {...of}
        digits={0}
        label={`${fields.transmissivity}, in leaf`}
        name="Transmissivity in leaf"
        value={inLeaf}
        fields={replaced(inLeaf)}
      />
      {bare !== inLeaf && (
        <PercentField
          {...of}
          digits={0}
          label={`${fields.transmissivity}, bare`}
          name="Transmissivity when bare"
          value={bare}
          fields={replaced(bare)}
        />
      )}
      <ShadeCost id={tree.id} />
    </>
  )
}
