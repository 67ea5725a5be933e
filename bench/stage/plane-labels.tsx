'use client'

import { useEffect, useState } from 'react'
import { type Vec3 } from '@/core/geometry/vector'
import { labelPoint } from '@/core/roof/label-point'
import { type RoofPlane } from '@/core/roof/plane'
import { isRoofed, type Site } from '@/core/site/site'
import { type StageView } from '@/stage/stage-view'
import { isLevel } from '@/words/direction'
import { number } from '@/words/format'
import { useSession, useSite } from '../context'

/** Smaller planes than this carry no label, m². */
const leastAreaM2 = 4
/** A plane seen at a flatter angle than this is not labelled: the sine of it. */
const leastSine = 0.12

/** Pitch and azimuth on the planes of the house. */
export function PlaneLabels({ view, standing }: { readonly view: StageView; readonly standing: Site }) {
  const [, redraw] = useState(0)
  useEffect(() => view.onDraw(() => redraw((n) => n + 1)), [view])
  const site = useSite()
  const lit = useSession((s) => s.lit)
  const planes = standing.objects
    .filter(isRoofed)
    .flatMap(({ id, geometry }) => geometry.faces.map((face) => ({ id: `${id}/${face.id}`, face })))
    .filter(({ face }) => face.areaM2 >= leastAreaM2)
  return planes.map(({ id, face }) => {
    const at = placeOf(face)
    const place = view.sight.project(at)
    if (!place || !faces(view, face, at) || !hasRoom(view, face)) return null
    return (
      <span
        key={id}
        className={`pointer-events-none absolute -translate-x-1/2 -translate-y-1/2 rounded px-1 text-[12px] font-medium ${lit.includes(id) ? 'bg-verdigris text-card' : 'bg-card/70 text-ink'}`}
        style={{ left: place[0], top: place[1] }}
        data-plane={id}
      >
        {number(face.pitchDeg, site)}°{!isLevel(face) && ` · ${number(face.azimuthDeg, site)}°`}
      </span>
    )
  })
}

/** Found once: the labels move with every frame, the planes do not. */
const labelPoints = new WeakMap<RoofPlane, Vec3>()
function placeOf(plane: RoofPlane): Vec3 {
  const at = labelPoints.get(plane) ?? labelPoint(plane)
  labelPoints.set(plane, at)
  return at
}

/** Pixels that a plane must be wide and high for its label to leave room for others. */
const [leastWide, leastHigh] = [110, 56]

function hasRoom(view: StageView, { corners }: RoofPlane): boolean {
  const places = corners.flatMap((corner) => {
    const place = view.sight.project(corner)
    return place ? [place] : []
  })
  const across = (axis: 0 | 1) => {
    const values = places.map((place) => place[axis])
    return Math.max(...values) - Math.min(...values)
  }
  return places.length > 2 && across(0) >= leastWide && across(1) >= leastHigh
}

/** Whether the eye looks at a plane's upper side, and not along it. */
function faces(view: StageView, { normal }: RoofPlane, at: Vec3): boolean {
  if (view.sight.isPlan) return true
  const [x = 0, y = 0, z = 0] = view.sight.eye()
  const to: Vec3 = [x - at[0], y - at[1], z - at[2]]
  return (to[0] * normal[0] + to[1] * normal[1] + to[2] * normal[2]) / Math.hypot(...to) > leastSine
}
