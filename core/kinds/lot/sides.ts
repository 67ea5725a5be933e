import { containsPoint, nearestOnSegment, segmentsMeet, signedArea } from '../../geometry/polygon'
import { distance2, sub2, type Vec2 } from '../../geometry/vector'
import { toDegrees } from '../../model/units'
import { round } from '../place'

/** The shortest way between a side of a lot and what stands on it. */
export interface Clear {
  readonly distanceM: number
  /** On what stands there, and on the side. */
  readonly from: Vec2
  readonly to: Vec2
}

/** A side of a lot, with the lot on its left. */
export interface LotSide {
  /** Its place in the outline: it begins at that corner, or ends there where the outline is told clockwise. */
  readonly index: number
  readonly from: Vec2
  readonly to: Vec2
  readonly lengthM: number
  /** Null where nothing stands on the lot. */
  readonly clear: Clear | null
}

/** What reaches this far over a line stands on it, m. */
const overM = 0.01

/**
 * The sides of a lot and how far what stands on it keeps from each.
 * @param rings outlines from above of what stands there, m
 */
export function lotSides(outline: readonly Vec2[], rings: readonly (readonly Vec2[])[]): LotSide[] {
  const isClockwise = signedArea(outline) < 0
  const own = standingOn(outline, rings)
  return outline.map((a, index) => {
    const b = next(outline, index)
    const [from, to] = isClockwise ? [b, a] : [a, b]
    return { index, from, to, lengthM: distance2(a, b), clear: clearOf(from, to, own) }
  })
}

/** What has a corner on a lot; the rest stands on another. */
const standingOn = (outline: readonly Vec2[], rings: readonly (readonly Vec2[])[]) =>
  rings.filter((ring) => ring.some((p) => containsPoint(outline, p)))

/** Of two borders that do not cross the nearest points lie at a corner of one of them; where they cross nothing is clear. */
function clearOf(a: Vec2, b: Vec2, rings: readonly (readonly Vec2[])[]): Clear | null {
  let best: Clear | null = null
  const take = (from: Vec2, to: Vec2) => {
    const distanceM = distance2(from, to)
    if (best === null || distanceM < best.distanceM) best = { distanceM, from, to }
  }
  for (const ring of rings)
    ring.forEach((p, i) => {
      take(p, nearestOnSegment(a, b, p).point)
      const q = next(ring, i)
      if (segmentsMeet(a, b, p, q)) {
        const { point } = nearestOnSegment(a, b, p)
        take(point, point)
      }
      for (const end of [a, b]) take(nearestOnSegment(p, q, end).point, end)
    })
  return best
}

/** The way a side looks, away from the lot: clockwise from north, 0 to 360 degrees. */
export const lookOf = ({ from, to }: Pick<LotSide, 'from' | 'to'>): number =>
  (toDegrees(Math.atan2(to[1] - from[1], from[0] - to[0])) + 360) % 360

/** How far the farthest corner of what stands on a lot reaches over its lines, m; 0 where all of it is within. */
export function reachOver(outline: readonly Vec2[], rings: readonly (readonly Vec2[])[]): number {
  const outside = standingOn(outline, rings)
    .flat()
    .filter((p) => !containsPoint(outline, p))
  const far = outside.map((p) =>
    Math.min(...outline.map((a, i) => nearestOnSegment(a, next(outline, i), p).distanceM)),
  )
  const most = far.reduce((a, b) => Math.max(a, b), 0)
  return most > overM ? most : 0
}

/**
 * The outline with one side as long as was typed. Its end moves along it, and the corner after that with it, so that the
 * side between them keeps its direction: a rectangle stays one. It may reach beyond the world, which the schema refuses.
 */
export function withSideLength(outline: readonly Vec2[], side: number, lengthM: number): Vec2[] {
  const n = outline.length
  const a: Vec2 = outline[side] ?? [0, 0]
  const b = next(outline, side)
  const now = distance2(a, b)
  if (now < 1e-9) return [...outline]
  const [dx, dy] = sub2(b, a)
  const k = (lengthM - now) / now
  const moved = new Set([(side + 1) % n, ...(n > 3 ? [(side + 2) % n] : [])])
  return outline.map(([x, y], i) => (moved.has(i) ? [round(x + dx * k), round(y + dy * k)] : [x, y]))
}

const next = (ring: readonly Vec2[], i: number): Vec2 => ring[(i + 1) % ring.length] ?? [0, 0]
