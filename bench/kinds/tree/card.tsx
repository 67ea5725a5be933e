'use client'

import {
  foliages,
  grown,
  inLeaf,
  leafSeason,
  transmissivityOf,
  usualTrees,
  type Tree,
} from '@/core/kinds/tree/tree'
import { withUsual } from '@/core/kinds/usual'
import { parseNumber } from '@/core/model/numbers'
import { monthNames } from '@/words/format'
import { later } from '@/words/en/later'
import { useBench, useSite } from '../../context'
import { ChoiceField, PercentField } from '../../fields/fields'
import { TextField } from '../../fields/text-field'
import { houseId } from '../../store/documents'
import { ShadeCost } from '../cost'
import { LengthFields } from '../length-fields'
import { NameField } from '../name-field'

const lengths = ['heightM', 'crownDiameterM', 'clearStemM'] as const

/** What sort it is, its measures, what light passes its crown and when. */
export function TreeCard({ object: tree }: { readonly object: Tree }) {
  const { documents } = useBench()
  const site = useSite()
  const { treeCard, foliages: sorts } = later
  const fields = later.fields.tree
  const of = { documentId: houseId, objectId: tree.id }
  const set = (label: string, changed: Readonly<Record<string, unknown>>) =>
    documents.set(label, houseId, tree.id, changed)
  const dense = Math.min(...tree.transmissivity)
  const bare = Math.max(...tree.transmissivity)
  const season = leafSeason(tree.transmissivity)
  const replaced = (from: number) => (value: number) => ({
    transmissivity: tree.transmissivity.map((t) => (t === from ? value : t)),
  })
  const choices = monthNames('en').map((label, month) => ({ value: String(month), label }))
  return (
    <>
      <NameField documentId={houseId} id={tree.id} name={tree.name} />
      <ChoiceField
        label={fields.foliage}
        value={tree.foliage}
        choices={foliages.map((value) => ({ value, label: sorts[value] }))}
        onChoose={(foliage) =>
          set(fields.foliage, {
            foliage,
            ...withUsual(tree, usualTrees[tree.foliage], usualTrees[foliage]),
            transmissivity: transmissivityOf(foliage, site.latitudeDeg),
          })
        }
      />
      <LengthFields object={tree} lengths={lengths} words={fields} />
      <PercentField
        {...of}
        digits={0}
        label={season ? `${fields.transmissivity}, ${treeCard.inLeaf}` : fields.transmissivity}
        name={fields.transmissivity}
        value={dense}
        fields={replaced(dense)}
      />
      {season && (
        <>
          <PercentField
            {...of}
            digits={0}
            label={`${fields.transmissivity}, ${treeCard.bare}`}
            name={`${fields.transmissivity}, ${treeCard.bare}`}
            value={bare}
            fields={replaced(bare)}
          />
          <ChoiceField
            label={treeCard.leafFrom}
            value={String(season.from)}
            choices={choices}
            onChoose={(from) =>
              set(treeCard.leafFrom, { transmissivity: inLeaf(tree.transmissivity, Number(from), season.to) })
            }
          />
          <ChoiceField
            label={treeCard.leafTo}
            value={String(season.to)}
            choices={choices}
            onChoose={(to) =>
              set(treeCard.leafTo, { transmissivity: inLeaf(tree.transmissivity, season.from, Number(to)) })
            }
          />
        </>
      )}
      <TextField
        label={treeCard.growBy}
        shown="0"
        unit={treeCard.years}
        width="figure"
        onType={(text) => set(treeCard.growBy, grown(tree, parseNumber(text, site.locale)))}
        hint="10"
      />
      <ShadeCost id={tree.id} />
    </>
  )
}
