import { type Vec2 } from '../geometry/vector'
import { placeOf, type FrontCorner, type Loop, type SupportLine } from './front'

/** The least height at which a side is gone or a reflex corner reaches another side; what is past is now. */
export function nextHeight(
  loops: readonly Loop[],
  lines: readonly SupportLine[],
  now: number,
  touchM: number,
): number {
  let least = Infinity
  for (const loop of loops)
    loop.forEach((a, k) => {
      const b = loop[(k + 1) % loop.length] ?? a
      const line = lines[a.leaves]
      if (!line) return
      const [x, y] = line.way
      const shrinks = (b.motion[0] - a.motion[0]) * x + (b.motion[1] - a.motion[1]) * y
      const length = (b.at0[0] - a.at0[0]) * x + (b.at0[1] - a.at0[1]) * y + shrinks * now
      if (shrinks < -1e-12) least = Math.min(least, now + Math.max(0, length / -shrinks))
      else if (length < touchM && shrinks < 1e-12) least = now
    })
  for (const loop of loops)
    for (const corner of loop) if (corner.reflex) least = reached(corner, loops, lines, now, least, touchM)
  return least
}

function reached(
  corner: FrontCorner,
  loops: readonly Loop[],
  lines: readonly SupportLine[],
  now: number,
  least: number,
  touchM: number,
): number {
  let found = least
  for (const loop of loops)
    loop.forEach((a, k) => {
      const b = loop[(k + 1) % loop.length] ?? a
      if (a === corner || b === corner) return
      const line = lines[a.leaves]
      if (!line || a.leaves === corner.arrives || a.leaves === corner.leaves) return
      const { inward, way } = line
      const closing = corner.motion[0] * inward[0] + corner.motion[1] * inward[1] - line.speed
      if (closing > -1e-12) return
      const gap = corner.at0[0] * inward[0] + corner.at0[1] * inward[1] - line.offsetM + closing * now
      if (gap < -touchM) return
      const height = now + Math.max(0, gap / -closing)
      if (height >= found) return
      const p = placeOf(corner, height)
      const [from, to] = [placeOf(a, height), placeOf(b, height)]
      const along = (q: Vec2) => (q[0] - p[0]) * way[0] + (q[1] - p[1]) * way[1]
      if (along(from) <= touchM / 2 && along(to) >= -touchM / 2) found = height
    })
  return found
}
