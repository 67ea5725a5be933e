import { containsPoint } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'

/** A border that rectangles keep a distance from. */
export interface Barrier {
  readonly from: Vec2
  readonly to: Vec2
  readonly distanceM: number
}

/** What may be covered, in one plane's coordinates. */
export interface Field {
  readonly polygon: readonly Vec2[]
  readonly barriers: readonly Barrier[]
  /** Obstructions; their borders are among the barriers. */
  readonly holes: readonly (readonly Vec2[])[]
}

/** Touching is allowed to this much, so that a module may lie exactly at its setback. */
const slackM = 1e-7

/** Least and greatest u of the points within `distance` of a segment whose v lies in the band; null when there are none. */
function reachInBand({ from, to, distanceM }: Barrier, low: number, high: number): [number, number] | null {
  let least = Infinity
  let most = -Infinity
  const take = (u: number) => {
    least = Math.min(least, u)
    most = Math.max(most, u)
  }
  const reach = Math.max(0, distanceM - slackM)
  for (const [u, v] of [from, to]) {
    const away = v < low ? low - v : v > high ? v - high : 0
    if (away > reach) continue
    const half = Math.sqrt(reach * reach - away * away)
    take(u - half)
    take(u + half)
  }
  const length = Math.hypot(to[0] - from[0], to[1] - from[1])
  const [nu, nv] = length === 0 ? [0, 0] : [-(to[1] - from[1]) / length, (to[0] - from[0]) / length]
  for (const side of [-reach, reach]) {
    const a: Vec2 = [from[0] + nu * side, from[1] + nv * side]
    const b: Vec2 = [to[0] + nu * side, to[1] + nv * side]
    const rise = b[1] - a[1]
    const cut = (v: number) => a[0] + ((v - a[1]) / rise) * (b[0] - a[0])
    const [bottom, top] = [Math.max(low, Math.min(a[1], b[1])), Math.min(high, Math.max(a[1], b[1]))]
    if (bottom > top) continue
    if (Math.abs(rise) < 1e-12) {
      take(a[0])
      take(b[0])
    } else {
      take(cut(bottom))
      take(cut(top))
    }
  }
  return least <= most ? [least, most] : null
}

/**
 * Where the left side of a rectangle `widthM` wide over the band v = low..high may stand: runs [from, to], ascending.
 * Exact: the rectangle keeps each barrier's distance, lies inside the polygon and outside the holes.
 */
export function freeRuns(field: Field, low: number, high: number, widthM: number): [number, number][] {
  const blocked: [number, number][] = []
  for (const barrier of field.barriers) {
    const reach = reachInBand(barrier, low + slackM, high - slackM)
    if (reach) blocked.push([reach[0] - widthM + slackM, reach[1] - slackM])
  }
  blocked.sort((a, b) => a[0] - b[0])
  const us = field.polygon.map((p) => p[0])
  const runs: [number, number][] = []
  let cursor = Math.min(...us) - 1
  const end = Math.max(...us) + 1
  const middle = (low + high) / 2
  const push = (from: number, to: number) => {
    if (to < from) return
    const probe: Vec2 = [(from + to + widthM) / 2, middle]
    if (containsPoint(field.polygon, probe) && !field.holes.some((hole) => containsPoint(hole, probe)))
      runs.push([from, to])
  }
  for (const [from, to] of blocked) {
    if (from > cursor) push(cursor, from)
    cursor = Math.max(cursor, to)
  }
  push(cursor, end)
  return runs
}
