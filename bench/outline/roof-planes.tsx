'use client'

import { formatArea } from '@/core/model/units'
import { type RoofPlane } from '@/core/roof/plane'
import { isRoofed } from '@/core/site/site'
import { looksOf } from '@/words/direction'
import { number } from '@/words/format'
import { useBench, useSayer, useSession, useSite } from '../context'

interface Row {
  readonly id: string
  readonly name: string
  readonly plane: RoofPlane
}

/** The planes of the customer's roofs, largest first, named by the way they look. */
export function RoofPlanes() {
  const { site: standing, session } = useBench()
  const sayer = useSayer()
  const site = useSite()
  const lit = useSession((s) => s.lit)
  const roofs = standing().objects.filter(isRoofed)
  const found = roofs
    .flatMap(({ id, geometry }) =>
      geometry.faces.map((plane) => ({ of: id, id: `${id}/${plane.id}`, plane })),
    )
    .sort((a, b) => b.plane.areaM2 - a.plane.areaM2)
  if (found.length === 0) return null
  const seen = new Map<string, number>()
  const rows = found.map(({ of, id, plane }): Row => {
    const looks = looksOf(plane, sayer.words)
    const name = roofs.length > 1 ? `${looks}, ${sayer.name(of)}` : looks
    const count = (seen.get(name) ?? 0) + 1
    seen.set(name, count)
    return { id, plane, name: count > 1 ? `${name} ${count}` : name }
  })
  const area = found.reduce((sum, { plane }) => sum + plane.areaM2, 0)
  return (
    <table className="mt-3 w-full text-[12px]">
      <caption className="quiet mb-1 px-2 text-left">
        Roof planes, {formatArea(area, site.units, site.locale)}
      </caption>
      <thead className="sr-only">
        <tr>
          <th scope="col">Plane</th>
          <th scope="col">Pitch</th>
          <th scope="col">Area</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ id, name, plane }) => (
          <tr
            key={id}
            className={`hover:bg-fold ${lit.includes(id) ? 'bg-verdigris-soft' : ''}`}
            onMouseEnter={() => session.setState({ lit: [id] })}
            onMouseLeave={() => session.setState({ lit: [] })}
          >
            <th scope="row" className="max-w-0 truncate py-0.5 pl-2 text-left font-normal" title={name}>
              {name}
            </th>
            <td className="w-11 text-right tabular-nums">{number(plane.pitchDeg, site)}°</td>
            <td className="w-15 pr-2 text-right tabular-nums">
              {formatArea(plane.areaM2, site.units, site.locale)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
