'use client'

import { isGable, type Volume } from '@/core/kinds/volume/volume'
import { Fault } from '@/core/model/fault'
import { buildRoof } from '@/core/roof/roof'
import { useBench, useSayer } from '../../context'
import { ChoiceField, LengthField, SlopeField } from '../../fields/fields'
import { houseId } from '../../store/documents'
import { toast } from '../../store/session'
import { NameField } from '../name-field'
import { toggled } from './toggled'

/** Height, pitch of all and of each edge, and whether it is the customer's. */
export function VolumeCard({ object: volume }: { readonly object: Volume }) {
  const { documents } = useBench()
  const sayer = useSayer()
  const { fields } = sayer.words.kinds.volume
  const of = { documentId: houseId, objectId: volume.id }
  const pitches = volume.edges.flatMap((edge) => (isGable(edge) ? [] : [edge.pitchDeg]))
  const first = pitches[0] ?? 30
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
      <SlopeField
        {...of}
        label={same ? fields.edges : `${fields.edges}, all edges`}
        name="Pitch"
        value={first}
        fields={(pitchDeg) => ({ edges: volume.edges.map((edge) => (isGable(edge) ? edge : { pitchDeg })) })}
      />
      <ChoiceField
        label={fields.role}
        value={volume.role}
        choices={[
          { value: 'house', label: 'the house' },
          { value: 'neighbour', label: 'the neighbours' },
        ]}
        onChoose={(role) => documents.set('Role', houseId, volume.id, { role })}
      />
      <p className="quiet mt-1.5 mb-0.5">Edges</p>
      <ul>
        {volume.edges.map((_edge, i) => (
          <EdgeRow key={i} volume={volume} index={i} />
        ))}
      </ul>
    </>
  )
}

/** One edge: its pitch, or that it is a gable, and the way between the two. */
function EdgeRow({ volume, index }: { readonly volume: Volume; readonly index: number }) {
  const { documents, session } = useBench()
  const sayer = useSayer()
  const edge = volume.edges[index]
  if (!edge) return null
  const toggle = () => {
    const { edges } = toggled(volume, index)
    try {
      buildRoof({ ...volume, edges })
      const fault = documents.set('Roof', houseId, volume.id, { edges })
      if (fault) throw fault
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      toast(session, sayer.fault(error))
    }
  }
  return (
    <li
      className="flex items-center gap-1.5"
      onMouseEnter={() => session.setState({ lit: [`${volume.id}/e${index}`] })}
      onMouseLeave={() => session.setState({ lit: [] })}
    >
      <span className="w-4 text-[12px] text-pencil">{index + 1}</span>
      <div className="min-w-0 flex-1">
        {isGable(edge) ? (
          <span className="block py-1 text-pencil">gable</span>
        ) : (
          <SlopeField
            label={<span className="sr-only">Pitch of edge {index + 1}</span>}
            name="Pitch"
            documentId={houseId}
            objectId={volume.id}
            value={edge.pitchDeg}
            fields={(pitchDeg) => ({
              edges: volume.edges.map((other, k) => (k === index ? { pitchDeg } : other)),
            })}
          />
        )}
      </div>
      <button
        type="button"
        className="cursor-pointer text-[12px] text-verdigris hover:underline"
        onClick={toggle}
      >
        {isGable(edge) ? 'to eave' : 'to gable'}
      </button>
    </li>
  )
}
