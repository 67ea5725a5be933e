import { crownMeets, type Body, type CrownBody, type SolidBody } from '../geometry/body'
import { type Vec3 } from '../geometry/vector'
import {
  type Caster,
  type CellGroups,
  type Horizon,
  type Receiver,
  type ReceiverShade,
  type ShadeEngine,
} from './engine'
import { mayMeet, outlookOn, type Outlook } from './outlook'
import { grazing, patches } from './sky-patches'
import { type SunHours } from '../sun/sun-hours'

/** Points sampled in each group: across the strip, along it. */
const across = 2
const along = 3

interface Points {
  /** x, y, z; points of one group stand together. */
  readonly at: Float64Array
  readonly count: number
  readonly perGroup: number
  readonly groups: number
  readonly center: Vec3
  readonly radiusM: number
}

function pointsOf(receiver: Receiver, groups: CellGroups): Points {
  const [a, b, , d] = receiver
  const at: number[] = []
  for (let strip = 0; strip < groups.strips; strip++)
    for (let half = 0; half < groups.halves; half++)
      for (let i = 0; i < across; i++)
        for (let j = 0; j < along; j++) {
          const u = (strip + (i + 0.5) / across) / groups.strips
          const v = (half + (j + 0.5) / along) / groups.halves
          for (const axis of [0, 1, 2] as const)
            at.push(a[axis] + u * (b[axis] - a[axis]) + v * (d[axis] - a[axis]))
        }
  const middle = (axis: 0 | 1 | 2) => (b[axis] + d[axis]) / 2
  const center: Vec3 = [middle(0), middle(1), middle(2)]
  return {
    at: Float64Array.from(at),
    count: at.length / 3,
    perGroup: across * along,
    groups: groups.strips * groups.halves,
    center,
    radiusM: Math.hypot(a[0] - center[0], a[1] - center[1], a[2] - center[2]),
  }
}

/** A body as the points see it. */
interface Blocker {
  /** Which caster it belongs to. */
  readonly caster: number
  readonly body: Body
  readonly outlook: Outlook
  /** Fills `hits` (one an entry of the points) for a direction; false when no ray meets the body. */
  readonly meet: (dx: number, dy: number, dz: number, hits: Uint8Array) => boolean
}

function solidBlocker(body: SolidBody, points: Points): Blocker['meet'] {
  const { faces } = body
  const faceCount = faces.length / 4
  // How deep each point lies behind each face: the same for every direction.
  const depth = new Float64Array(points.count * faceCount)
  for (let p = 0; p < points.count; p++)
    for (let f = 0; f < faceCount; f++) {
      let d = faces[f * 4 + 3] as number
      for (let axis = 0; axis < 3; axis++)
        d -= (faces[f * 4 + axis] as number) * (points.at[p * 3 + axis] as number)
      depth[p * faceCount + f] = d
    }
  const inverse = new Float64Array(faceCount)
  return (dx, dy, dz, hits) => {
    for (let f = 0; f < faceCount; f++) {
      const slope =
        (faces[f * 4] as number) * dx + (faces[f * 4 + 1] as number) * dy + (faces[f * 4 + 2] as number) * dz
      inverse[f] = Math.abs(slope) > 1e-12 ? 1 / slope : 0
    }
    let any = false
    for (let p = 0; p < points.count; p++) {
      let enter = 1e-6
      let leave = Infinity
      const row = p * faceCount
      for (let f = 0; f < faceCount; f++) {
        const k = inverse[f] as number
        const d = depth[row + f] as number
        if (k > 0) leave = Math.min(leave, d * k)
        else if (k < 0) enter = Math.max(enter, d * k)
        else if (d < 0) leave = -1
        if (enter >= leave) break
      }
      const hit = enter < leave
      hits[p] = hit ? 1 : 0
      any ||= hit
    }
    return any
  }
}

function crownBlocker(body: CrownBody, points: Points): Blocker['meet'] {
  const { at } = points
  return (dx, dy, dz, hits) => {
    let any = false
    for (let p = 0; p < points.count; p++) {
      const hit = crownMeets(
        body,
        at[p * 3] as number,
        at[p * 3 + 1] as number,
        at[p * 3 + 2] as number,
        dx,
        dy,
        dz,
      )
      hits[p] = hit ? 1 : 0
      any ||= hit
    }
    return any
  }
}

/** Bodies that reach over the receiver's plane at all. */
function blockersOf(casters: readonly Caster[], points: Points, normal: Vec3, through: Vec3): Blocker[] {
  const level = normal[0] * through[0] + normal[1] * through[1] + normal[2] * through[2]
  const over = (p: Vec3) => normal[0] * p[0] + normal[1] * p[1] + normal[2] * p[2] - level
  return casters.flatMap((bodies, caster) =>
    bodies
      .filter((body) =>
        body.kind === 'crown' ? over(body.center) > -body.radiusM : body.vertices.some((v) => over(v) > 1e-6),
      )
      .map((body) => ({
        caster,
        body,
        outlook: outlookOn(body, points.center, points.radiusM),
        meet: body.kind === 'crown' ? crownBlocker(body, points) : solidBlocker(body, points),
      })),
  )
}

/**
 * A ray from every sampled point to the middle of the sun for every interval, tested against convex bodies: plain and
 * exact for the points it samples.
 */
export const rayEngine: ShadeEngine = {
  name: 'rays',
  version: 2,
  pointsOn: ({ strips, halves }) => strips * halves * across * along,
  shade(receiver, groups, normal, casters, sun, horizon) {
    const points = pointsOf(receiver, groups)
    const blockers = blockersOf(casters, points, normal, receiver[0])
    return {
      groups: points.groups,
      ...beam(points, blockers, casters.length, normal, sun, horizon),
      ...sky(points, blockers, normal, horizon),
    }
  },
}

/** What is known of the shaded entries so far; written out as arrays at the end. */
interface Found {
  readonly shaded: number[]
  readonly litWorst: number[]
  readonly litMean: number[]
  /** By caster: share blocked, one to each shaded entry up to its last. */
  readonly blockedBy: (number[] | null)[]
}

function beam(
  points: Points,
  blockers: readonly Blocker[],
  casters: number,
  normal: Vec3,
  sun: SunHours,
  horizon: Horizon | undefined,
): Pick<ReceiverShade, 'shaded' | 'litWorst' | 'litMean' | 'blockedBy'> {
  const { perGroup, groups, count } = points
  const found: Found = {
    shaded: [],
    litWorst: [],
    litMean: [],
    blockedBy: new Array<number[] | null>(casters).fill(null),
  }
  const hits = new Uint8Array(count)
  const passed = new Float64Array(count)
  const active: number[] = []
  /** What each caster alone lets through to each point. */
  const through = Array.from({ length: casters }, () => new Float64Array(count))
  for (let entry = 0; entry < sun.interval.length; entry++) {
    const dx = sun.direction[entry * 3] as number
    const dy = sun.direction[entry * 3 + 1] as number
    const dz = sun.direction[entry * 3 + 2] as number
    const cosine = normal[0] * dx + normal[1] * dy + normal[2] * dz
    if (cosine <= 0) continue
    if (cosine < grazing || horizon?.(dx, dy, dz)) {
      found.shaded.push(entry)
      found.litMean.push(0)
      for (let g = 0; g < groups; g++) found.litWorst.push(0)
      continue
    }
    active.length = 0
    for (const { caster, body, outlook, meet } of blockers) {
      if (!mayMeet(outlook, dx, dy, dz) || !meet(dx, dy, dz, hits)) continue
      const passes = body.kind === 'crown' ? (body.transmissivity[sun.month[entry] ?? 0] ?? 1) : 0
      const mine = through[caster] as Float64Array
      if (!active.includes(caster)) {
        active.push(caster)
        mine.fill(1)
      }
      // Bodies of one caster are one thing: a ray through two of a house's columns is stopped once.
      for (let p = 0; p < count; p++) if (hits[p] === 1 && passes < (mine[p] as number)) mine[p] = passes
    }
    if (active.length === 0) continue
    let sum = 0
    for (let p = 0; p < count; p++) {
      let rest = 1
      for (const caster of active) rest *= (through[caster] as Float64Array)[p] as number
      passed[p] = rest
      sum += rest
    }
    found.shaded.push(entry)
    found.litMean.push(sum / count)
    for (let g = 0; g < groups; g++) {
      let worst = 1
      for (let p = g * perGroup; p < (g + 1) * perGroup; p++) worst = Math.min(worst, passed[p] as number)
      found.litWorst.push(worst)
    }
    charge(active, through, passed, found)
  }
  return {
    shaded: Int32Array.from(found.shaded),
    litWorst: Float32Array.from(found.litWorst),
    litMean: Float32Array.from(found.litMean),
    blockedBy: found.blockedBy.map((shares) => {
      if (!shares) return null
      const series = new Float32Array(found.shaded.length)
      series.set(shares)
      return series
    }),
  }
}

/** Divides what is blocked at each point among its blockers, by how much each would block alone. */
function charge(
  active: readonly number[],
  through: readonly Float64Array[],
  passed: Float64Array,
  { shaded, blockedBy }: Found,
): void {
  for (const caster of active) {
    const mine = through[caster] as Float64Array
    let share = 0
    for (let p = 0; p < passed.length; p++) {
      const own = 1 - (mine[p] as number)
      if (own === 0) continue
      let all = 0
      for (const other of active) all += 1 - ((through[other] as Float64Array)[p] as number)
      share += ((1 - (passed[p] as number)) * own) / all
    }
    const series = (blockedBy[caster] ??= [])
    // Entries in which others alone cast shade lie between.
    while (series.length < shaded.length - 1) series.push(0)
    series.push(share / passed.length)
  }
}

function sky(
  points: Points,
  blockers: readonly Blocker[],
  normal: Vec3,
  horizon: Horizon | undefined,
): { domeSeen: number; horizonSeen: number } {
  const { count } = points
  const hits = new Uint8Array(count)
  const passed = new Float64Array(count)
  let seen = 0
  let all = 0
  let bandSeen = 0
  let bandAll = 0
  for (let k = 0; k < patches.solidAngle.length; k++) {
    const dx = patches.direction[k * 3] as number
    const dy = patches.direction[k * 3 + 1] as number
    const dz = patches.direction[k * 3 + 2] as number
    const cosine = normal[0] * dx + normal[1] * dy + normal[2] * dz
    if (cosine < grazing) continue
    const weight = cosine * (patches.solidAngle[k] as number)
    passed.fill(horizon?.(dx, dy, dz) ? 0 : 1)
    for (const { body, outlook, meet } of blockers) {
      if (!mayMeet(outlook, dx, dy, dz) || !meet(dx, dy, dz, hits)) continue
      const passes = body.kind === 'solid' ? 0 : body.transmissivity.reduce((s, t) => s + t, 0) / 12
      for (let p = 0; p < count; p++) if (hits[p] === 1) passed[p] = (passed[p] as number) * passes
    }
    let sum = 0
    for (let p = 0; p < count; p++) sum += passed[p] as number
    const share = sum / count
    seen += weight * share
    all += weight
    if (patches.ring[k] === 0) {
      bandSeen += weight * share
      bandAll += weight
    }
  }
  return { domeSeen: all > 0 ? seen / all : 1, horizonSeen: bandAll > 0 ? bandSeen / bandAll : 1 }
}
