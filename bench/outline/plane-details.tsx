'use client'

import { planeKey, withPlaneName } from '@/core/kinds/volume/plane-names'
import { formatLength } from '@/core/model/units'
import { number } from '@/words/format'
import { useBench, useHouse, useSayer, useSite } from '../context'
import { TextField } from '../fields/text-field'
import { type NamedPlane } from '../named-planes'
import { houseId } from '../store/documents'

/** Its name, which way it looks, and its edges by their kinds. */
export function PlaneDetailsPanel({ ownerId, plane, name }: Pick<NamedPlane, 'ownerId' | 'plane' | 'name'>) {
  const { documents } = useBench()
  const site = useSite()
  const house = useHouse()
  const { roofPlanes: words, planeEdges } = useSayer().words
  const owner = house[ownerId]
  const rename = (text: string) =>
    owner?.kind === 'volume'
      ? documents.set(words.rename, houseId, ownerId, withPlaneName(owner, planeKey(plane), text))
      : null
  const lengths = new Map<keyof typeof planeEdges, number[]>()
  for (const { kind, lengthM } of plane.edges) lengths.set(kind, [...(lengths.get(kind) ?? []), lengthM])
  return (
    <>
      {owner?.kind === 'volume' && <TextField label={words.name} shown={name} width="name" onType={rename} />}
      <dl className="grid grid-cols-[1fr_auto] gap-x-2 text-[12px]">
        <dt className="text-pencil">{words.azimuth}</dt>
        <dd className="text-right">{number(plane.azimuthDeg, site)}°</dd>
        {[...lengths].map(([kind, all]) => (
          <div key={kind} className="contents">
            <dt className="text-pencil">{planeEdges[kind]}</dt>
            <dd className="text-right">
              {all.map((metres) => formatLength(metres, site.units, site.locale)).join(', ')}
            </dd>
          </div>
        ))}
      </dl>
    </>
  )
}
