'use client'

import { type PanelArray } from '@/core/kinds/array/array'
import { formatArea } from '@/core/model/units'
import { standingById } from '@/core/site/site'
import { isLevel } from '@/words/direction'
import { number } from '@/words/format'
import { Fact } from '../../card/frame'
import { useBench, useSayer, useSession, useSite } from '../../context'
import { ChoiceField, LengthField } from '../../fields/fields'
import { ArrayFacts } from '../array-facts'

/** Modules on a roof plane. */
export function ArrayCard({ object: array }: { readonly object: PanelArray }) {
  const { documents, site: standing } = useBench()
  const optionId = useSession((s) => s.optionId)
  const site = useSite()
  const sayer = useSayer()
  const { fields } = sayer.words.kinds.array
  const laid = standing().arrays.find(({ id }) => id === array.id)
  // A plane that something parts is laid as one.
  const pieces = standingById(standing(), array.volumeId)?.geometry.faces.filter(
    (face) => face.edgeIndex === array.edgeIndex && face.step === array.step,
  )
  const areaM2 = pieces?.reduce((sum, piece) => sum + piece.areaM2, 0) ?? 0
  const set = (label: string, changed: Partial<PanelArray>) =>
    documents.set(label, optionId, array.id, changed)
  return (
    <>
      <ArrayFacts id={array.id} laid={laid} />
      {laid && (
        <Fact
          label={isLevel(laid.plane) ? 'Tilt' : 'Tilt, azimuth'}
          value={`${number(laid.plane.pitchDeg, site, 1)}°${isLevel(laid.plane) ? '' : ` · ${number(laid.plane.azimuthDeg, site)}°`}`}
        />
      )}
      {areaM2 > 0 && <Fact label="Plane area" value={formatArea(areaM2, site.units, site.locale)} />}
      <ChoiceField
        label={fields.orientation}
        value={array.orientation}
        choices={[
          { value: 'portrait', label: 'portrait' },
          { value: 'landscape', label: 'landscape' },
          { value: 'best', label: 'best fit' },
        ]}
        onChoose={(orientation) => set('Orientation', { orientation })}
      />
      <LengthField
        label={fields.liftM}
        name="Off the roof"
        documentId={optionId}
        objectId={array.id}
        value={array.liftM}
        fields={(liftM) => ({ liftM })}
      />
      <LengthField
        label={fields.gapM}
        name="Gap"
        documentId={optionId}
        objectId={array.id}
        value={array.gapM}
        fields={(gapM) => ({ gapM })}
      />
      {array.removed.length > 0 && (
        <button
          type="button"
          className="mt-1 cursor-pointer text-[12px] text-verdigris hover:underline"
          onClick={() => set('Restore modules', { removed: [] })}
        >
          Restore all {array.removed.length}
        </button>
      )}
    </>
  )
}
