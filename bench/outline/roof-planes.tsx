'use client'

import { useState } from 'react'
import { formatArea } from '@/core/model/units'
import { number } from '@/words/format'
import { useBench, useHouse, useSayer, useSession, useSite } from '../context'
import { lazyPart } from '../lazy-parts'
import { namedPlanes, type NamedPlane } from '../named-planes'

const PlaneDetailsPanel = lazyPart('PlaneDetailsPanel')

/** The planes of the customer's roofs, largest first; one that is clicked tells its measures and can be renamed. */
export function RoofPlanes() {
  const { site: standing } = useBench()
  const house = useHouse()
  const sayer = useSayer()
  const site = useSite()
  const [openId, setOpenId] = useState<string | null>(null)
  const planes = namedPlanes(standing(), house, sayer)
  if (planes.length === 0) return null
  const words = sayer.words.roofPlanes
  const areaM2 = planes.reduce((sum, { plane }) => sum + plane.areaM2, 0)
  return (
    <table className="mt-3 w-full text-[12px]">
      <caption className="quiet mb-1 px-2 text-left">
        {sayer.say(words.caption, { area: formatArea(areaM2, site.units, site.locale) })}
      </caption>
      <thead className="sr-only">
        <tr>
          <th scope="col">{words.plane}</th>
          <th scope="col">{words.pitch}</th>
          <th scope="col">{words.area}</th>
        </tr>
      </thead>
      <tbody>
        {planes.map((named) => (
          <PlaneRows
            key={named.id}
            named={named}
            open={openId === named.id}
            onToggle={() => setOpenId(openId === named.id ? null : named.id)}
          />
        ))}
      </tbody>
    </table>
  )
}

function PlaneRows({
  named: { id, name, plane, ownerId },
  open,
  onToggle,
}: {
  readonly named: NamedPlane
  readonly open: boolean
  readonly onToggle: () => void
}) {
  const { session } = useBench()
  const site = useSite()
  const lit = useSession((s) => s.lit.includes(id))
  return (
    <>
      <tr
        className={`hover:bg-fold ${lit ? 'bg-verdigris-soft' : ''}`}
        onMouseEnter={() => session.setState({ lit: [id] })}
        onMouseLeave={() => session.setState({ lit: [] })}
      >
        <th scope="row" className="max-w-0 py-0.5 pl-2 text-left font-normal" title={name}>
          <button
            type="button"
            aria-expanded={open}
            className="block w-full cursor-pointer truncate text-left"
            onClick={onToggle}
          >
            {name}
          </button>
        </th>
        <td className="w-11 text-right tabular-nums">{number(plane.pitchDeg, site)}°</td>
        <td className="w-15 pr-2 text-right tabular-nums">
          {formatArea(plane.areaM2, site.units, site.locale)}
        </td>
      </tr>
      {open && (
        <tr>
          <td colSpan={3} className="px-2 pb-1.5">
            <PlaneDetailsPanel ownerId={ownerId} plane={plane} name={name} />
          </td>
        </tr>
      )}
    </>
  )
}
