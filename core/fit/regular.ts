import { nearestOnSegment } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { heightOn, Sums, type Flat } from './flat'
import { none, type Grown, type Region } from './grow'
import { type Survey } from './survey'

/** Planes are turned to the directions of the walls where they look along them within this, rad, whatever they scatter. */
const turnsRad = (1.5 * Math.PI) / 180
/** And never by more than this. */
const mostTurnRad = (5 * Math.PI) / 180
/** Slopes nearer to each other than this are one, by rise over run, and those that only chance tells apart; never beyond the last. */
const [sameSlope, mostApart] = [0.012, 0.07]
/** A roof flatter than this is level, by rise over run, where nothing else is certain. */
const levelSlope = 0.012

/** Directions of an outline's sides, rad 0..π, each once, the longest first. */
export function wallDirections(outline: readonly (readonly [number, number])[]): number[] {
  const sides = outline.map((a, i) => {
    const b = outline[(i + 1) % outline.length] ?? a
    return {
      angle: (Math.atan2(b[1] - a[1], b[0] - a[0]) + 2 * Math.PI) % Math.PI,
      lengthM: Math.hypot(b[0] - a[0], b[1] - a[1]),
    }
  })
  const found: number[] = []
  for (const { angle, lengthM } of sides.sort((p, q) => q.lengthM - p.lengthM))
    if (lengthM > 0.8 && !found.some((known) => apart(known, angle) < 0.02)) found.push(angle)
  return found
}

/** How far two directions of lines are apart, rad, 0..π/2. */
export const apart = (p: number, q: number): number => {
  const turned = Math.abs(p - q) % Math.PI
  return Math.min(turned, Math.PI - turned)
}

/** A side of the outline. */
export interface Wall {
  readonly from: Vec2
  readonly to: Vec2
}

/** Eaves nearer to each other than this lie at one height, m; a plane is lifted or lowered for it by no more than half. */
const sameEaveM = 0.1
/** A plane whose cells come this near to a wall has its eave there, m. */
const atWallM = 0.8
/** Planes of one slope nearer over each other than this are one, m. */
const samePlaneM = 0.09

/**
 * Planes as somebody built them: rising square to a wall where they all but do, level where they all but are, of one
 * slope where they cannot be told apart, with eaves at one height, and one plane where several lie in one.
 */
export function regularised(survey: Survey, grown: Grown, walls: readonly Wall[]): Grown {
  const { labels, scatterM } = grown
  const directions = wallDirections(walls.map(({ from }) => from))
  const turned = grown.regions.map(({ flat, sums }): Region => ({
    flat: alongWalls(flat, sums, directions, scatterM),
    sums,
  }))
  const sloped = ofOneSlope(turned, scatterM)
  const level = withLevelEaves(survey, { regions: sloped, labels, scatterM }, walls)
  return ofOnePlane({ regions: level, labels, scatterM })
}

function alongWalls(flat: Flat, sums: Sums, directions: readonly number[], scatterM: number): Flat {
  const steep = Math.hypot(flat.a, flat.b)
  const rises = Math.atan2(flat.b, flat.a)
  const spread = sums.riseSpread(Math.cos(rises), Math.sin(rises), scatterM)
  if (steep < Math.max(levelSlope, 3 * spread)) return sums.flatOfSlope(0, 0)
  const allowed = Math.min(mostTurnRad, Math.max(turnsRad, 3 * sums.directionSpreadRad(flat, scatterM)))
  const candidates = directions
    .flatMap((direction) => [direction, direction + Math.PI / 2])
    .map((direction) => ({ direction, off: apart(direction, rises) }))
    .sort((p, q) => p.off - q.off)
  const [best] = candidates
  if (!best || best.off > allowed) return flat
  return sums.flatAlong(Math.cos(best.direction), Math.sin(best.direction)) ?? flat
}

/** Slopes that lie together take their common one, weighted by what they were found from. */
function ofOneSlope(regions: readonly Region[], scatterM: number): Region[] {
  const slopes = regions
    .map(({ flat, sums }, i) => {
      const slope = Math.hypot(flat.a, flat.b)
      const spread = sums.riseSpread(flat.a / slope, flat.b / slope, scatterM)
      return { i, slope, n: 1 / spread ** 2, within: Math.min(mostApart, Math.max(sameSlope, 2.5 * spread)) }
    })
    .filter(({ slope }) => slope >= levelSlope)
    .sort((p, q) => q.n - p.n)
  const groups: { slope: number; n: number; members: number[] }[] = []
  for (const { i, slope, n, within } of slopes) {
    const group = groups.find((known) => Math.abs(known.slope - slope) < within)
    if (!group) groups.push({ slope, n, members: [i] })
    else {
      group.slope = (group.slope * group.n + slope * n) / (group.n + n)
      group.n += n
      group.members.push(i)
    }
  }
  const common = new Map(groups.flatMap(({ slope, members }) => members.map((i) => [i, slope] as const)))
  return regions.map(({ flat, sums }, i) => {
    const slope = common.get(i)
    if (slope === undefined) return { flat, sums }
    const k = slope / Math.hypot(flat.a, flat.b)
    return { flat: sums.flatOfSlope(flat.a * k, flat.b * k), sums }
  })
}

/** Walls that a plane rises from, with the height of its eave there. */
function withLevelEaves(survey: Survey, { regions, labels }: Grown, walls: readonly Wall[]): Region[] {
  const eaves = regions.flatMap(({ flat, sums }, i) => {
    const wall = walls.find((one) => risesFrom(flat, one) && touches(survey, labels, i, one))
    return wall ? [{ i, heightM: heightOn(flat, wall.from[0], wall.from[1]), n: sums.n }] : []
  })
  const groups: { heightM: number; n: number; members: { i: number; heightM: number }[] }[] = []
  for (const { i, heightM, n } of eaves.sort((p, q) => q.n - p.n)) {
    const group = groups.find((known) => Math.abs(known.heightM - heightM) < sameEaveM)
    if (!group) groups.push({ heightM, n, members: [{ i, heightM }] })
    else {
      group.heightM = (group.heightM * group.n + heightM * n) / (group.n + n)
      group.n += n
      group.members.push({ i, heightM })
    }
  }
  const lifts = new Map(
    groups.flatMap((group) => group.members.map(({ i, heightM }) => [i, group.heightM - heightM] as const)),
  )
  return regions.map(({ flat, sums }, i) => {
    const lift = lifts.get(i) ?? 0
    return { flat: Math.abs(lift) > sameEaveM / 2 ? flat : { ...flat, c: flat.c + lift }, sums }
  })
}

/** Whether a plane rises square to a wall, away from it. */
function risesFrom({ a, b }: Flat, { from, to }: Wall): boolean {
  const steep = Math.hypot(a, b)
  const length = Math.hypot(to[0] - from[0], to[1] - from[1])
  if (steep < levelSlope || length < 0.1) return false
  const [nx, ny] = [-(to[1] - from[1]) / length, (to[0] - from[0]) / length]
  return (a * nx + b * ny) / steep > 0.9999
}

function touches({ x, y }: Survey, labels: Int32Array, region: number, { from, to }: Wall): boolean {
  let count = 0
  for (let k = 0; k < labels.length && count < 3; k++)
    if (labels[k] === region && nearestOnSegment(from, to, [x[k] ?? 0, y[k] ?? 0]).distanceM < atWallM)
      count++
  return count >= 3
}

/** Planes of one slope that lie in one: as one region. */
function ofOnePlane({ regions, labels, scatterM }: Grown): Grown {
  const kept: { flat: Flat; sums: Sums }[] = []
  const numbers = regions.map(({ flat, sums }) => {
    const same = kept.findIndex(
      (known) =>
        Math.hypot(known.flat.a - flat.a, known.flat.b - flat.b) < 1e-6 &&
        Math.abs(known.flat.c - flat.c) < samePlaneM,
    )
    const known = kept[same]
    if (!known) {
      const own = new Sums()
      own.addAll(sums)
      return kept.push({ flat, sums: own }) - 1
    }
    const [n, m] = [known.sums.n, sums.n]
    known.flat = { ...known.flat, c: (known.flat.c * n + flat.c * m) / (n + m) }
    known.sums.addAll(sums)
    return same
  })
  return {
    regions: kept,
    labels: labels.map((label) => (label < 0 ? none : (numbers[label] ?? none))),
    scatterM,
  }
}
