import { containsPoint, signedArea } from '../geometry/polygon'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { planeHeightM, planOf, type RoofPlane } from './plane'

/** Points nearer than this are one, m; the others are tried where the border does not close. */
const sames = [1e-4, 1e-3, 4e-3, 1e-5] as const
/** How far beside a line it is looked for which plane is the topmost there: less than what is one. */
const besideShare = 0.4
/** Planes of one slope nearer to each other than this are one, m; the earlier volume has it. */
const tieM = 1e-4
/** What is left of a plane under this is a slip of rounding, m2. */
const leastPlanM2 = 1e-3

/** An outer ring, counter-clockwise, and the openings in it, clockwise; in plan. */
export type Rings = readonly (readonly Vec2[])[]

/** A plane of one of several volumes, made ready to be looked at from above. */
export interface Flattened {
  readonly plane: RoofPlane
  readonly volume: number
  readonly rings: Rings
  readonly low: Vec2
  readonly high: Vec2
  /** z over a point of the plan as a linear function: at the origin, and per metre east and north. */
  readonly form: Vec3
}

export function flattened(plane: RoofPlane, volume: number): Flattened {
  const rings = [plane.corners, ...(plane.holes ?? [])].map(planOf)
  const [xs, ys] = [plane.corners.map(([x]) => x), plane.corners.map(([, y]) => y)]
  return {
    plane,
    volume,
    rings,
    low: [Math.min(...xs), Math.min(...ys)],
    high: [Math.max(...xs), Math.max(...ys)],
    form: [
      planeHeightM(plane, [0, 0]),
      -plane.normal[0] / plane.normal[2],
      -plane.normal[1] / plane.normal[2],
    ],
  }
}

const apart = (a: Flattened, b: Flattened) =>
  a.low[0] > b.high[0] || b.low[0] > a.high[0] || a.low[1] > b.high[1] || b.low[1] > a.high[1]

/** Inside the outer ring and in no opening. */
const holds = ([outer = [], ...holes]: Rings, p: Vec2) =>
  containsPoint(outer, p) && !holes.some((hole) => containsPoint(hole, p))

const covers = ({ rings, low, high }: Flattened, p: Vec2) =>
  p[0] >= low[0] && p[0] <= high[0] && p[1] >= low[1] && p[1] <= high[1] && holds(rings, p)

/** How much higher one plane lies than another, as a linear function of the plan. */
const differenceOf = (a: Flattened, b: Flattened): Vec3 => [
  a.form[0] - b.form[0],
  a.form[1] - b.form[1],
  a.form[2] - b.form[2],
]

/** Whether another plane lies over this one at a point that both cover. */
function hides(other: Flattened, own: Flattened, [x, y]: Vec2): boolean {
  const [c, gx, gy] = differenceOf(other, own)
  const isParallel = Math.hypot(gx, gy) < 1e-9
  return c + gx * x + gy * y > (isParallel ? (other.volume < own.volume ? -tieM : tieM) : 0)
}

type Segment = readonly [Vec2, Vec2]

/** Where two planes are equally high, over the part of the plan that their boxes share. */
function meetingOf(own: Flattened, other: Flattened): Segment[] {
  const [c, gx, gy] = differenceOf(other, own)
  const steep = Math.hypot(gx, gy)
  if (steep < 1e-9) return []
  const [xs, ys] = [0, 1].map((k) => [
    Math.max(own.low[k] ?? 0, other.low[k] ?? 0) - 1,
    Math.min(own.high[k] ?? 0, other.high[k] ?? 0) + 1,
  ]) as [[number, number], [number, number]]
  const middle: Vec2 = [(xs[0] + xs[1]) / 2, (ys[0] + ys[1]) / 2]
  const reachM = Math.hypot(xs[1] - xs[0], ys[1] - ys[0])
  const offM = (c + gx * middle[0] + gy * middle[1]) / steep
  if (Math.abs(offM) > reachM) return []
  const [nx, ny] = [gx / steep, gy / steep]
  const foot: Vec2 = [middle[0] - nx * offM, middle[1] - ny * offM]
  return [
    [
      [foot[0] + ny * reachM, foot[1] - nx * reachM],
      [foot[0] - ny * reachM, foot[1] + nx * reachM],
    ],
  ]
}

const sidesOf = (rings: Rings): Segment[] =>
  rings.flatMap((ring) => ring.map((a, i): Segment => [a, ring[(i + 1) % ring.length] ?? a]))

/** Whether another plane may lie over this one anywhere, by the corners of what their boxes share. */
function mayHide(other: Flattened, own: Flattened): boolean {
  if (other.volume === own.volume || apart(other, own)) return false
  const within = ([0, 1] as const).map((k) => [
    Math.max(own.low[k], other.low[k]),
    Math.min(own.high[k], other.high[k]),
  ])
  const [xs = [], ys = []] = within
  return xs.some((x) => ys.some((y) => hides(other, own, [x, y])))
}

/**
 * What of a plane is seen from above among the others: one after the other takes its part away.
 * @returns pieces, the largest first: an outer ring, counter-clockwise, and the openings in it, clockwise
 */
export function visibleParts(own: Flattened, faces: readonly Flattened[]): Rings[] {
  let pieces: Rings[] = [own.rings]
  for (const other of faces) {
    if (pieces.length === 0) break
    if (mayHide(other, own)) pieces = pieces.flatMap((piece) => without(piece, own, other))
  }
  return pieces.sort((a, b) => areaOf(b) - areaOf(a))
}

const areaOf = (rings: Rings) => rings.reduce((sum, ring) => sum + signedArea(ring), 0)

/**
 * A piece of a plane less what another plane hides of it. What is left is bordered by the piece's own sides, by those of
 * the other plane, and by the line where both are equally high: all of these are cut at each other, and those pieces of
 * them stay that have something left on one side alone. A piece that loses nothing is given back as it is.
 */
function without(piece: Rings, own: Flattened, other: Flattened): Rings[] {
  const isLeft = (p: Vec2) => holds(piece, p) && !(covers(other, p) && hides(other, own, p))
  const segments = [...sidesOf(piece), ...sidesOf(other.rings), ...meetingOf(own, other)]
  let best: Border | null = null
  for (const sameM of sames) {
    const border = borderOf(segments, isLeft, sameM)
    if (!best || border.openEnds < best.openEnds) best = border
    if (border.openEnds === 0) break
  }
  const left = nested(best?.rings ?? [])
  const lostM2 = areaOf(piece) - left.reduce((sum, rings) => sum + areaOf(rings), 0)
  return left.length === 1 && Math.abs(lostM2) < leastPlanM2 ? [piece] : left
}

interface Border {
  readonly rings: readonly Vec2[][]
  /** Lines that end without closing. */
  readonly openEnds: number
}

/** The pieces that have something left on one side alone, put together. */
function borderOf(segments: readonly Segment[], isLeft: (p: Vec2) => boolean, sameM: number): Border {
  const { points, pieces } = cutAtEachOther(segments, sameM)
  const onward = new Map<number, number[]>()
  for (const [from, to] of pieces) {
    const [a, b] = [points[from], points[to]]
    if (!a || !b) continue
    const aside = (besideShare * sameM) / Math.hypot(b[0] - a[0], b[1] - a[1])
    const [dx, dy] = [(b[0] - a[0]) * aside, (b[1] - a[1]) * aside]
    const [x, y] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]
    const [left, right] = [isLeft([x - dy, y + dx]), isLeft([x + dy, y - dx])]
    if (left === right) continue
    const [start, end] = left ? [from, to] : [to, from]
    onward.set(start, [...(onward.get(start) ?? []), end])
  }
  return ringsOf(points, onward)
}

/** All segments, cut where they cross or touch. Points that are one have one number; every piece comes once. */
function cutAtEachOther(
  segments: readonly Segment[],
  sameM: number,
): { points: Vec2[]; pieces: [number, number][] } {
  const points: Vec2[] = []
  const numberOf = (p: Vec2): number => {
    const known = points.findIndex((q) => Math.abs(p[0] - q[0]) < sameM && Math.abs(p[1] - q[1]) < sameM)
    return known < 0 ? points.push(p) - 1 : known
  }
  for (const [a, b] of segments) {
    numberOf(a)
    numberOf(b)
  }
  segments.forEach((one, i) => {
    for (const other of segments.slice(i + 1)) {
      const at = crossing(one, other)
      if (at) numberOf(at)
    }
  })
  const pieces = new Map<string, [number, number]>()
  for (const [a, b] of segments) {
    const length = Math.hypot(b[0] - a[0], b[1] - a[1])
    if (length < sameM) continue
    const [ux, uy] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length]
    const on = points.flatMap((p, k) => {
      const along = (p[0] - a[0]) * ux + (p[1] - a[1]) * uy
      const off = Math.abs((p[1] - a[1]) * ux - (p[0] - a[0]) * uy)
      return off < sameM && along > -sameM && along < length + sameM ? [{ k, along }] : []
    })
    on.sort((p, q) => p.along - q.along)
    on.slice(1).forEach(({ k }, i) => {
      const before = on[i]?.k ?? k
      const key = before < k ? `${before} ${k}` : `${k} ${before}`
      if (before !== k) pieces.set(key, [before, k])
    })
  }
  return { points, pieces: [...pieces.values()] }
}

/** Where two segments cross; null for those that do not, or lie in one line. */
function crossing([a, b]: Segment, [c, d]: Segment): Vec2 | null {
  const [ux, uy] = [b[0] - a[0], b[1] - a[1]]
  const [vx, vy] = [d[0] - c[0], d[1] - c[1]]
  const sine = ux * vy - uy * vx
  if (Math.abs(sine) < 1e-9 * Math.hypot(ux, uy) * Math.hypot(vx, vy)) return null
  const t = ((c[0] - a[0]) * vy - (c[1] - a[1]) * vx) / sine
  const s = ((c[0] - a[0]) * uy - (c[1] - a[1]) * ux) / sine
  return t >= 0 && t <= 1 && s >= 0 && s <= 1 ? [a[0] + t * ux, a[1] + t * uy] : null
}

/** Pieces put together to rings, what stays at the left of each; where several go on, the one that turns most to it. */
function ringsOf(points: readonly Vec2[], onward: Map<number, number[]>): Border {
  const rings: Vec2[][] = []
  let openEnds = 0
  for (;;) {
    const [start] = onward.keys()
    if (start === undefined) return { rings, openEnds }
    const ring: number[] = [start]
    let before: number | null = null
    for (;;) {
      const at: number = ring[ring.length - 1] ?? start
      const next = nextFrom(points, onward, before, at)
      if (next === null) {
        openEnds++
        break
      }
      if (next === start) {
        rings.push(ring.flatMap((k) => (points[k] ? [points[k]] : [])))
        break
      }
      before = at
      ring.push(next)
    }
  }
}

/** Takes the next piece out; null where none goes on. */
function nextFrom(
  points: readonly Vec2[],
  onward: Map<number, number[]>,
  before: number | null,
  at: number,
): number | null {
  const open = onward.get(at) ?? []
  const here = points[at] ?? [0, 0]
  const heading = (k: number) => Math.atan2((points[k]?.[1] ?? 0) - here[1], (points[k]?.[0] ?? 0) - here[0])
  // Clockwise from the way it came by.
  const turn = (k: number) =>
    before === null ? 0 : (heading(before) - heading(k) + 4 * Math.PI) % (2 * Math.PI)
  const [next] = [...open].sort((p, q) => turn(p) - turn(q))
  if (next === undefined) {
    onward.delete(at)
    return null
  }
  const left = open.filter((k) => k !== next)
  if (left.length > 0) onward.set(at, left)
  else onward.delete(at)
  return next
}

/** Outer rings with the openings in them; slivers are left out. */
function nested(rings: readonly Vec2[][]): Rings[] {
  const outer = rings.filter((ring) => signedArea(ring) > leastPlanM2)
  const holes = rings.filter((ring) => signedArea(ring) < -leastPlanM2)
  return outer.map((ring) => [
    ring,
    ...holes.filter((hole) => {
      const [a, b] = hole
      return a && b && containsPoint(ring, [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2])
    }),
  ])
}
