import { type Vec3 } from '../geometry/vector'
import { crownMeets, type Body, type CrownBody, type SolidBody } from './body'
import { type CellGroups, type Receiver, type ReceiverShade, type ShadeEngine } from './engine'
import { mayMeet, outlookOn, type Outlook } from './outlook'
import { skyPatches } from './sky-patches'
import { type SunHours } from '../sun/sun-hours'

/** Points sampled in each group: across the strip, along it. */
const across = 2
const along = 3
/** Light that meets the plane at less than this (sine) slides along it. */
const grazing = 1e-3
/** Rings of the sky, 5 degrees high each; the lowest stands for the horizon band. */
const patches = skyPatches(18)

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
  const [a, b, , d] = receiver.corners
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
function blockersOf(bodies: readonly Body[], points: Points, normal: Vec3, through: Vec3): Blocker[] {
  const level = normal[0] * through[0] + normal[1] * through[1] + normal[2] * through[2]
  const over = (p: Vec3) => normal[0] * p[0] + normal[1] * p[1] + normal[2] * p[2] - level
  return bodies
    .filter((body) =>
      body.kind === 'crown' ? over(body.center) > -body.radiusM : body.vertices.some((v) => over(v) > 1e-6),
    )
    .map((body) => ({
      body,
      outlook: outlookOn(body, points.center, points.radiusM),
      meet: body.kind === 'crown' ? crownBlocker(body, points) : solidBlocker(body, points),
    }))
}

/**
 * A ray from every sampled point to the middle of the sun for every interval, tested against convex bodies: plain and
 * exact for the points it samples.
 */
export const rayEngine: ShadeEngine = {
  name: 'rays',
  version: 1,
  shade(receiver, groups, normal, bodies, sun) {
    const points = pointsOf(receiver, groups)
    const blockers = blockersOf(bodies, points, normal, receiver.corners[0])
    return {
      id: receiver.id,
      groups: points.groups,
      ...beam(points, blockers, normal, sun),
      ...sky(points, blockers, normal),
    }
  },
}

function beam(
  points: Points,
  blockers: readonly Blocker[],
  normal: Vec3,
  sun: SunHours,
): Pick<ReceiverShade, 'litWorst' | 'litMean' | 'blockedBy'> {
  const { perGroup, groups, count } = points
  const entries = sun.interval.length
  const litWorst = new Float32Array(entries * groups).fill(1)
  const litMean = new Float32Array(entries).fill(1)
  const blockedBy = new Map<string, Float32Array>()
  const hits = new Uint8Array(count)
  const passed = new Float64Array(count)
  const owners: string[] = []
  /** What each owner alone lets through to each point. */
  const through = new Map<string, Float64Array>()
  for (let entry = 0; entry < entries; entry++) {
    const dx = sun.direction[entry * 3] as number
    const dy = sun.direction[entry * 3 + 1] as number
    const dz = sun.direction[entry * 3 + 2] as number
    if (normal[0] * dx + normal[1] * dy + normal[2] * dz < grazing) {
      litWorst.fill(0, entry * groups, (entry + 1) * groups)
      litMean[entry] = 0
      continue
    }
    owners.length = 0
    for (const { body, outlook, meet } of blockers) {
      if (!mayMeet(outlook, dx, dy, dz) || !meet(dx, dy, dz, hits)) continue
      const passes = body.kind === 'crown' ? (body.transmissivity[sun.month[entry] ?? 0] ?? 1) : 0
      let mine = through.get(body.owner)
      if (!mine) through.set(body.owner, (mine = new Float64Array(count)))
      if (!owners.includes(body.owner)) {
        owners.push(body.owner)
        mine.fill(1)
      }
      // Bodies of one owner are one thing: a ray through two of a house's columns is stopped once.
      for (let p = 0; p < count; p++) if (hits[p] === 1 && passes < (mine[p] as number)) mine[p] = passes
    }
    if (owners.length === 0) continue
    let sum = 0
    for (let p = 0; p < count; p++) {
      let rest = 1
      for (const owner of owners) rest *= (through.get(owner) as Float64Array)[p] as number
      passed[p] = rest
      sum += rest
    }
    litMean[entry] = sum / count
    for (let g = 0; g < groups; g++) {
      let worst = 1
      for (let p = g * perGroup; p < (g + 1) * perGroup; p++) worst = Math.min(worst, passed[p] as number)
      litWorst[entry * groups + g] = worst
    }
    charge(entry, entries, owners, through, passed, blockedBy)
  }
  return { litWorst, litMean, blockedBy }
}

/** Divides what is blocked at each point among its blockers, by how much each would block alone. */
function charge(
  entry: number,
  entries: number,
  owners: readonly string[],
  through: ReadonlyMap<string, Float64Array>,
  passed: Float64Array,
  blockedBy: Map<string, Float32Array>,
): void {
  for (const owner of owners) {
    const mine = through.get(owner) as Float64Array
    let share = 0
    for (let p = 0; p < passed.length; p++) {
      const own = 1 - (mine[p] as number)
      if (own === 0) continue
      let all = 0
      for (const other of owners) all += 1 - ((through.get(other) as Float64Array)[p] as number)
      share += ((1 - (passed[p] as number)) * own) / all
    }
    let series = blockedBy.get(owner)
    if (!series) blockedBy.set(owner, (series = new Float32Array(entries)))
    series[entry] = share / passed.length
  }
}

function sky(
  points: Points,
  blockers: readonly Blocker[],
  normal: Vec3,
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
    passed.fill(1)
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
