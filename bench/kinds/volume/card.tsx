'use client'

import { isGable, usualParapetM, type Volume } from '@/core/kinds/volume/volume'
import { later } from '@/words/en/later'
import { useBench, useSayer } from '../../context'
import { ChoiceField, LengthField, SlopeField } from '../../fields/fields'
import { houseId } from '../../store/documents'
import { NameField } from '../name-field'
import { EdgeRow } from './edge-row'

/** Height, pitch of all and of each edge, and whether it is the customer's. */
export function VolumeCard({ object: volume }: { readonly object: Volume }) {
  const { documents } = useBench()
  const sayer = useSayer()
  const fields = later.fields.volume
  const of = { documentId: houseId, objectId: volume.id }
  const pitches = volume.edges.flatMap((edge) => ('pitchDeg' in edge ? [edge.pitchDeg] : []))
  const first = pitches[0] ?? 30
  const overhang = volume.overhang ?? { eaveM: 0, rakeM: 0 }
  const same = pitches.every((pitch) => Math.abs(pitch - first) < 0.01)
  return (
    <>
      <NameField documentId={houseId} id={volume.id} name={volume.name} />
      <LengthField
        {...of}
        label={fields.eaveHeightM}
        name="Eave height"
        value={volume.eaveHeightM}
        fields={(eaveHeightM) => ({ eaveHeightM })}
      />
      <ChoiceField
        label={fields.flat}
        value={volume.flat ? 'flat' : 'pitched'}
        choices={(['pitched', 'flat'] as const).map((value) => ({
          value,
          label: sayer.words.roofForms[value],
        }))}
        onChoose={(form) =>
          documents.set('Roof', houseId, volume.id, {
            flat: form === 'flat' ? { parapetM: usualParapetM } : null,
          })
        }
      />
      {volume.flat && (
        <LengthField
          {...of}
          label={sayer.words.roofForms.parapet}
          name={sayer.words.roofForms.parapet}
          value={volume.flat.parapetM}
          fields={(parapetM) => ({ flat: { parapetM } })}
        />
      )}
      {!volume.flat && (
        <SlopeField
          {...of}
          label={same ? fields.edges : `${fields.edges}, all edges`}
          name="Pitch"
          value={first}
          fields={(pitchDeg) => ({
            edges: volume.edges.map((edge) => ('pitchDeg' in edge ? { pitchDeg } : edge)),
          })}
        />
      )}
      {!volume.flat &&
        (['eaveM', 'rakeM'] as const)
          .filter((side) => side === 'eaveM' || volume.edges.some(isGable))
          .map((side) => (
            <LengthField
              {...of}
              key={side}
              label={sayer.words.roofForms[side]}
              name={sayer.words.roofForms[side]}
              value={overhang[side]}
              fields={(typed) => ({ overhang: { ...overhang, [side]: typed } })}
            />
          ))}
      <ChoiceField
        label={fields.role}
        value={volume.role}
        choices={[
          { value: 'house', label: 'the house' },
          { value: 'neighbour', label: 'the neighbours' },
        ]}
        onChoose={(role) => documents.set('Role', houseId, volume.id, { role })}
      />
      {!volume.flat && (
        <>
          <p className="quiet mt-1.5 mb-0.5">Edges</p>
          <ul>
            {volume.edges.map((_edge, i) => (
              <EdgeRow key={i} volume={volume} index={i} />
            ))}
          </ul>
        </>
      )}
    </>
  )
}
