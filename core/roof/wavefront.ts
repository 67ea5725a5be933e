import { Fault } from '../model/fault'
import { add2, cross2, distance2, dot2, left2, scale2, sub2, unit2, type Vec2 } from '../geometry/vector'

/**
 * The weighted straight skeleton of an outline, as the marks its shrinking front leaves (Aichholzer & Aurenhammer
 * 1995, "Straight skeletons for general polygonal figures"): every edge moves inward at its own speed; corners draw
 * the arcs; an edge that shrinks to nothing, or a reflex corner that meets an edge, changes the front.
 */
export interface FrontSegment {
  /** Where the arc runs, in plan, with the height above the eave at each end. */
  readonly from: readonly [number, number, number]
  readonly to: readonly [number, number, number]
  /** The outline edges whose faces meet in it. */
  readonly edges: readonly [number, number]
}

/** Lengths below this are nothing: far under a roofer's millimetre, far over rounding. */
const nothingM = 1e-6
/** Sides of the front shorter than this close at once: a drawing is not truer than a millimetre, and no sliver is left. */
const sliverM = 1e-3
/** Sine of an angle below which two edges count as parallel. */
const parallelSine = 1e-9

interface MovingEdge {
  readonly source: number
  readonly direction: Vec2
  /** Inward. */
  readonly normal: Vec2
  /** Metres inward for each metre of height. */
  readonly speed: number
}

/** Corner i stands at the start of edge i. */
interface Front {
  readonly edges: MovingEdge[]
  readonly corners: Vec2[]
  readonly height: number
}

/**
 * @param outline counter-clockwise, simple, metres
 * @param speeds metres inward for each metre up, one to an edge; 0 for a gable
 * @throws Fault `no-closed-roof` when the front never closes or two parallel edges of unlike speed meet.
 */
export function shrinkFront(outline: readonly Vec2[], speeds: readonly number[]): FrontSegment[] {
  const edges = outline.map((a, i): MovingEdge => {
    const direction = unit2(sub2(outline[(i + 1) % outline.length] ?? a, a))
    return { source: i, direction, normal: left2(direction), speed: speeds[i] ?? 0 }
  })
  const segments: FrontSegment[] = []
  const waiting: Front[] = [{ edges, corners: [...outline], height: 0 }]
  // Each event takes an edge away or splits a front at a reflex corner, so this many are never needed.
  let events = 40 * outline.length + 100
  for (let front = waiting.pop(); front; front = waiting.pop()) {
    if (events-- < 0) throw notPossible()
    const clean = tidy(front, segments)
    if (!clean) continue
    waiting.push(...nextEvent(clean, segments))
  }
  return segments
}

const notPossible = () => new Fault('no-closed-roof', {}, 'edges')

const at = (p: Vec2, height: number) => [p[0], p[1], height] as const

function mark(
  segments: FrontSegment[],
  from: Vec2,
  fromHeight: number,
  to: Vec2,
  toHeight: number,
  a: number,
  b: number,
) {
  if (distance2(from, to) < nothingM && Math.abs(fromHeight - toHeight) < nothingM) return
  segments.push({ from: at(from, fromHeight), to: at(to, toHeight), edges: [a, b] })
}

/** Takes out edges without length and closes spikes whose two sides lie on each other. Null when nothing is left. */
function tidy(front: Front, segments: FrontSegment[]): Front | null {
  const edges = [...front.edges]
  const corners = [...front.corners]
  const drop = (i: number) => {
    edges.splice(i, 1)
    corners.splice(i, 1)
  }
  for (let changed = true; changed && edges.length > 1;) {
    changed = false
    for (let i = 0; i < edges.length; i++) {
      const n = edges.length
      const next = (i + 1) % n
      const start = corners[i]
      const tip = corners[next]
      const end = corners[(i + 2) % n]
      const edge = edges[i]
      const after = edges[next]
      if (!start || !tip || !end || !edge || !after) continue
      if (distance2(start, tip) < sliverM) {
        drop(i)
        // The next corner now stands where the vanished edge stood.
        changed = true
        break
      }
      const folded =
        dot2(edge.direction, after.direction) < 0 &&
        Math.abs(cross2(edge.direction, after.direction)) *
          Math.min(distance2(start, tip), distance2(tip, end)) <
          sliverM
      if (!folded || n < 2) continue
      const lengthHere = distance2(start, tip)
      const lengthNext = distance2(tip, end)
      const shared = Math.min(lengthHere, lengthNext)
      const foot: Vec2 = lengthHere <= lengthNext ? start : end
      mark(segments, tip, front.height, foot, front.height, edge.source, after.source)
      if (lengthHere - shared < sliverM && lengthNext - shared < sliverM) {
        // Both sides are used up: two edges go.
        const gone = new Set([i, next])
        const keptEdges = edges.filter((_, k) => !gone.has(k))
        const keptCorners = corners.filter((_, k) => !gone.has(k))
        edges.splice(0, edges.length, ...keptEdges)
        corners.splice(0, corners.length, ...keptCorners)
      } else if (lengthHere < lengthNext) {
        drop(i)
        // Edge `after` now starts at the foot.
        corners[i === n - 1 ? 0 : i] = foot
      } else {
        drop(next)
      }
      changed = true
      break
    }
  }
  return edges.length < 3 ? null : { edges, corners, height: front.height }
}

/** Velocity of the corner between two moving edges: it stays on both lines. */
function velocity(before: MovingEdge, after: MovingEdge): Vec2 {
  const sine = cross2(before.normal, after.normal)
  if (Math.abs(sine) < parallelSine) {
    if (Math.abs(before.speed - after.speed) > 1e-9) throw notPossible()
    return scale2(before.normal, before.speed)
  }
  return [
    (before.speed * after.normal[1] - after.speed * before.normal[1]) / sine,
    (after.speed * before.normal[0] - before.speed * after.normal[0]) / sine,
  ]
}

function nextEvent(front: Front, segments: FrontSegment[]): Front[] {
  const { edges, corners, height } = front
  const n = edges.length
  const edge = (i: number) => edges[(i + n) % n] as MovingEdge
  const corner = (i: number) => corners[(i + n) % n] as Vec2
  const velocities = edges.map((_, i) => velocity(edge(i - 1), edge(i)))
  const moving = (i: number) => velocities[(i + n) % n] as Vec2

  let soonest = Infinity
  for (let i = 0; i < n; i++) {
    const closing = -dot2(sub2(moving(i + 1), moving(i)), edge(i).direction)
    if (closing > 1e-12) soonest = Math.min(soonest, distance2(corner(i), corner(i + 1)) / closing)
  }
  let split: { corner: number; edge: number } | null = null
  for (let v = 0; v < n; v++) {
    if (cross2(edge(v - 1).direction, edge(v).direction) > -parallelSine) continue
    for (let j = 0; j < n; j++) {
      if (j === v || j === (v + n - 1) % n) continue
      const target = edge(j)
      const gap = dot2(target.normal, sub2(corner(v), corner(j)))
      const closing = target.speed - dot2(target.normal, moving(v))
      if (gap < -nothingM || closing <= 1e-12) continue
      const wait = Math.max(0, gap / closing)
      if (wait > soonest - 1e-9) continue
      const hit = add2(corner(v), scale2(moving(v), wait))
      const start = add2(corner(j), scale2(moving(j), wait))
      const end = add2(corner(j + 1), scale2(moving(j + 1), wait))
      const along = dot2(sub2(hit, start), target.direction)
      if (along < -nothingM || along > dot2(sub2(end, start), target.direction) + nothingM) continue
      soonest = wait
      split = { corner: v, edge: j }
    }
  }
  if (!Number.isFinite(soonest)) throw notPossible()

  const top = height + soonest
  const moved = corners.map((c, i) => add2(c, scale2(moving(i), soonest)))
  moved.forEach((to, i) => mark(segments, corner(i), height, to, top, edge(i - 1).source, edge(i).source))
  if (!split) return [{ edges, corners: moved, height: top }]

  // The reflex corner cuts the edge it meets in two; each side keeps its own loop.
  const point = moved[split.corner] as Vec2
  const take = (from: number, to: number) => {
    const indices: number[] = []
    for (let i = from; i !== to; i = (i + 1) % n) indices.push(i)
    return indices
  }
  const right = take(split.corner, split.edge)
  const left = take((split.edge + 1) % n, split.corner)
  const cut = edge(split.edge)
  return [
    {
      edges: [...right.map((i) => edge(i)), cut],
      corners: [...right.map((i) => moved[i] as Vec2), moved[split.edge] as Vec2],
      height: top,
    },
    {
      edges: [cut, ...left.map((i) => edge(i))],
      corners: [point, ...left.map((i) => moved[i] as Vec2)],
      height: top,
    },
  ]
}
