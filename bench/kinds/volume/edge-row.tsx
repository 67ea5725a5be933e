'use client'

import { formOf, uprightDeg, type EdgeForm, type RoofEdge, type Volume } from '@/core/kinds/volume/volume'
import { volumeCorners } from '@/core/kinds/volume/corners'
import { type Reshape } from '@/core/kinds/standing'
import { Fault } from '@/core/model/fault'
import { buildRoof } from '@/core/roof/roof'
import { later } from '@/words/en/later'
import { useBench, useSayer } from '../../context'
import { LengthField, SlopeField } from '../../fields/fields'
import { houseId } from '../../store/documents'
import { reshape } from '../../tools/select/reshape'
import { toast } from '../../store/session'
import { formed, withStep } from './toggled'

const forms: readonly EdgeForm[] = ['slope', 'gable', 'half-hip', 'mansard']

function ridgeOf(volume: Volume): number | null {
  try {
    return buildRoof(volume).ridgeHeightM
  } catch (error) {
    if (error instanceof Fault) return null
    throw error
  }
}

/** One edge of a roof: its form, and the pitches and heights that form has. */
export function EdgeRow({ volume, index }: { readonly volume: Volume; readonly index: number }) {
  const { documents, session } = useBench()
  const sayer = useSayer()
  const names = later.edgeForms
  const edge = volume.edges[index]
  if (!edge) return null
  const ofEdge = <span className="sr-only"> of edge {index + 1}</span>
  const of = { documentId: houseId, objectId: volume.id }
  const withEdge = (next: RoofEdge) => ({ edges: volume.edges.map((old, k) => (k === index ? next : old)) })
  const choose = (form: EdgeForm) => {
    const { edges } = formed(volume, index, form, ridgeOf(volume))
    try {
      buildRoof({ ...volume, edges })
      const fault = documents.set('Roof', houseId, volume.id, { edges })
      if (fault) throw fault
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      toast(session, sayer.fault(error))
    }
  }
  const reshaped = (label: string, change: Reshape<Volume> | null) => {
    try {
      if (!change) throw new Fault('few-corners')
      const { fault } = reshape(documents, label, of, change)
      if (fault) throw fault
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      toast(session, sayer.fault(error))
    }
  }
  const [a, b] = [volume.outline[index], volume.outline[(index + 1) % volume.outline.length]]
  return (
    <li
      className="group py-0.5"
      onMouseEnter={() => session.setState({ lit: [`${volume.id}/e${index}`] })}
      onMouseLeave={() => session.setState({ lit: [] })}
    >
      <div className="flex items-center gap-1.5">
        <span className="w-4 shrink-0 text-[12px] text-pencil">{index + 1}</span>
        <select
          aria-label={`Form of edge ${index + 1}`}
          className="field w-[5.6rem] shrink-0 cursor-pointer pr-0"
          value={formOf(edge)}
          onKeyDown={(event) => event.stopPropagation()}
          onChange={(event) => choose(event.target.value as EdgeForm)}
        >
          {forms.map((form) => (
            <option key={form} value={form}>
              {names[form]}
            </option>
          ))}
        </select>
        <div className="min-w-0 flex-1">
          {'pitchDeg' in edge && (
            <SlopeField
              {...of}
              brief
              label={<span className="sr-only">Pitch of edge {index + 1}</span>}
              name="Pitch"
              value={edge.pitchDeg}
              fields={(pitchDeg) => withEdge({ pitchDeg })}
            />
          )}
        </div>
      </div>
      {'profile' in edge &&
        edge.profile.map(([fromM, pitchDeg], k) => (
          <div key={k} className="ml-5.5">
            {k > 0 && (
              <LengthField
                {...of}
                label={<>changes at{ofEdge}</>}
                name="Change of pitch"
                value={fromM}
                fields={(typed) => withEdge(withStep(edge, k, { fromM: typed }))}
              />
            )}
            {pitchDeg < uprightDeg && (
              <SlopeField
                {...of}
                brief
                label={
                  <>
                    {k > 0 ? 'upper pitch' : 'lower pitch'}
                    {ofEdge}
                  </>
                }
                name="Pitch"
                value={pitchDeg}
                fields={(typed) => withEdge(withStep(edge, k, { pitchDeg: typed }))}
              />
            )}
          </div>
        ))}
      {a && b && (
        <div className="ml-5.5 hidden gap-3 pb-0.5 text-[12px] group-focus-within:flex">
          <button
            type="button"
            className="cursor-pointer text-verdigris hover:underline"
            onClick={() =>
              reshaped(
                'Split side',
                volumeCorners.insert(volume, index, [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]),
              )
            }
          >
            split{ofEdge}
          </button>
          <button
            type="button"
            className="cursor-pointer text-verdigris hover:underline"
            onClick={() => reshaped('Delete corner', volumeCorners.remove(volume, index))}
          >
            delete its first corner{ofEdge}
          </button>
        </div>
      )}
    </li>
  )
}
