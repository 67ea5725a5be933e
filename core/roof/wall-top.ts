import { containsPoint } from '../geometry/polygon'
import { cross2, sub2, type Vec2, type Vec3 } from '../geometry/vector'
import { planeHeightM, planOf, type RoofPlane } from './plane'

/** Points of a wall nearer to each other than this share of its length are one. */
const same = 1e-9

/**
 * The line along which a wall meets the roof above it, from end to end.
 * @param planes what covers the wall; beyond them the nearest height along it holds
 * @returns at least its two ends; two points one above the other where the roof has an upright step
 */
export function wallTop(planes: readonly RoofPlane[], a: Vec2, b: Vec2): Vec3[] {
  const way = sub2(b, a)
  const at = (t: number): Vec2 => [a[0] + t * way[0], a[1] + t * way[1]]
  const breaks = [0, 1, ...planes.flatMap(({ corners }) => crossings(planOf(corners), a, way))]
    .toSorted((s, t) => s - t)
    .filter((t, k, all) => k === 0 || t - (all[k - 1] ?? 0) > same)
  const top: Vec3[] = []
  for (let k = 0; k + 1 < breaks.length; k++) {
    const [from = 0, to = 1] = breaks.slice(k, k + 2)
    const middle = at((from + to) / 2)
    const covering = planes.filter(({ corners }) => containsPoint(planOf(corners), middle))
    const plane = covering.toSorted((p, q) => planeHeightM(q, middle) - planeHeightM(p, middle))[0]
    if (!plane) continue
    for (const t of [from, to]) {
      const p = at(t)
      const height = planeHeightM(plane, p)
      const before = top.at(-1)
      if (before && Math.hypot(before[0] - p[0], before[1] - p[1], before[2] - height) < 1e-6) continue
      top.push([p[0], p[1], height])
    }
  }
  const [first, last] = [top[0], top.at(-1)]
  if (!first || !last) return []
  if (Math.hypot(first[0] - a[0], first[1] - a[1]) > 1e-6) top.unshift([a[0], a[1], first[2]])
  if (Math.hypot(last[0] - b[0], last[1] - b[1]) > 1e-6) top.push([b[0], b[1], last[2]])
  return top
}

/** Where a line from `a` crosses the sides of a ring, as shares of its way from 0 to 1. */
function crossings(ring: readonly Vec2[], a: Vec2, way: Vec2): number[] {
  return ring.flatMap((c, i) => {
    const d = ring[(i + 1) % ring.length] ?? c
    const side = sub2(d, c)
    const turn = cross2(way, side)
    if (Math.abs(turn) < 1e-12) return []
    const t = cross2(sub2(c, a), side) / turn
    const s = cross2(sub2(c, a), way) / turn
    return t > 0 && t < 1 && s >= -same && s <= 1 + same ? [t] : []
  })
}
