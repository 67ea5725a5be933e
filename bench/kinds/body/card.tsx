'use client'

import { boundsOf } from '@/core/geometry/bounds'
import { type Body } from '@/core/kinds/body/body'
import { ownHeightM, scaleFor } from '@/core/kinds/body/kind'
import { formatLength } from '@/core/model/units'
import { later } from '@/words/en/later'
import { Fact } from '../../card/frame'
import { useBench, useSite, useWords } from '../../context'
import { ChoiceField, LengthField } from '../../fields/fields'
import { houseId } from '../../store/documents'
import { ShadeCost } from '../cost'
import { NameField } from '../name-field'
import { RotationField } from '../rotation-field'

/** How large it is, where it stands, whether modules keep clear of it, what its shade costs. */
export function BodyCard({ object: body }: { readonly object: Body }) {
  const { documents } = useBench()
  const { units, locale } = useSite()
  const { kinds } = useWords()
  const words = later.models
  const fields = later.fields.body
  const { handles } = kinds.body
  const of = { documentId: houseId, objectId: body.id }
  const [low, high] = boundsOf(body.vertices)
  const metres = (axis: 0 | 1) => formatLength((high[axis] - low[axis]) * body.scale, units, locale)
  return (
    <>
      <NameField documentId={houseId} id={body.id} name={body.name} />
      <Fact label={words.plan} value={`${metres(0)} × ${metres(1)}`} />
      {ownHeightM(body) > 0 && (
        <LengthField
          {...of}
          label={handles['body-top']}
          name={handles['body-top']}
          value={ownHeightM(body) * body.scale}
          fields={(heightM) => ({ scale: scaleFor(body, heightM) ?? body.scale })}
        />
      )}
      <LengthField
        {...of}
        label={fields.footM}
        name={fields.footM}
        value={body.footM}
        fields={(footM) => ({ footM })}
      />
      <RotationField object={body} label={fields.rotationDeg} />
      <ChoiceField
        label={fields.background}
        value={body.background ? 'around' : 'house'}
        choices={(['house', 'around'] as const).map((value) => ({ value, label: words.partOf[value] }))}
        onChoose={(part) =>
          documents.set(fields.background, houseId, body.id, { background: part === 'around' })
        }
      />
      <ChoiceField
        label={fields.keepsOff}
        value={body.keepsOff ? 'yes' : 'no'}
        choices={(['yes', 'no'] as const).map((value) => ({ value, label: words.keepClear[value] }))}
        onChoose={(keep) => documents.set(fields.keepsOff, houseId, body.id, { keepsOff: keep === 'yes' })}
      />
      {body.keepsOff && (
        <LengthField
          {...of}
          label={fields.clearanceM}
          name={fields.clearanceM}
          value={body.clearanceM}
          fields={(clearanceM) => ({ clearanceM })}
        />
      )}
      <ShadeCost id={body.id} />
    </>
  )
}
