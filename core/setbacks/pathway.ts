import { runFinder, type Field, type RunFinder } from '../layout/free-runs'
import { frameOf, fromFrame, planOntoFrame, toFrame, type PlaneFrame } from '../layout/plane-frame'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { type RoofPlane } from '../roof/plane'

/** A plane with what lies and stands on it. */
export interface Crossed {
  readonly plane: Pick<RoofPlane, 'corners' | 'holes' | 'normal'>
  /** Footprints in plan of what stands on it. */
  readonly obstructions: readonly (readonly Vec2[])[]
  /** Footprints in plan of walkways that are kept free. */
  readonly walkways?: readonly (readonly Vec2[])[]
  /** Corners of the modules on it. */
  readonly modules: readonly (readonly Vec3[])[]
}

/** How much shorter than the longest way over the bare plane a pathway may be, m. */
const shorterM = 0.15
/** Planes that are no longer than this are crossed without a pathway, m. */
const shortestM = 1
/** Ends of runs are found with something of this width, m. */
const grainM = 0.01

/** Across and along change places: bands run up the slope. */
const turned = (ring: readonly Vec2[]): Vec2[] => ring.map(([u, v]) => [v, u])

const fieldOf = (border: readonly Vec2[], holes: readonly (readonly Vec2[])[]): Field => ({
  polygon: turned(border),
  holes: holes.map(turned),
  barriers: [border, ...holes].flatMap((ring) =>
    turned(ring).map((from, i, all) => ({ from, to: all[(i + 1) % all.length] ?? from, distanceM: 0 })),
  ),
})

/** Where a module lies: from its left to its right, from its lower edge to its upper. */
interface Extent {
  readonly left: number
  readonly right: number
  readonly low: number
  readonly high: number
}

function extentOf(ring: readonly Vec2[]): Extent {
  const [us, vs] = [ring.map((p) => p[0]), ring.map((p) => p[1])]
  return { left: Math.min(...us), right: Math.max(...us), low: Math.min(...vs), high: Math.max(...vs) }
}

/** Modules may touch a strip to this much, m. */
const slackM = 1e-7

/** The longest part of a stretch that none of some modules covers. */
function longestGap([from, to]: readonly [number, number], crossing: readonly Extent[]): number {
  let [most, free] = [0, from]
  for (const { low, high } of crossing) {
    if (low >= to) break
    most = Math.max(most, Math.min(low, to) - free)
    free = Math.max(free, high)
  }
  return Math.max(most, to - free)
}

/** The modules that reach into a strip. */
const over = (modules: readonly Extent[], start: number, widthM: number) =>
  modules.filter(({ left, right }) => left < start + widthM - slackM && right > start + slackM)

/**
 * The longest free strip of a width straight up a plane, m, or one that is long enough; 0 where none fits.
 * @param modules from the lowest up
 */
function longest(
  runs: RunFinder,
  modules: readonly Extent[],
  starts: readonly number[],
  widthM: number,
  enoughM = 0,
): number {
  let most = 0
  for (const start of starts) {
    const stretches = runs(start, start + widthM, grainM)
      .map(([from, to]) => [from, to + grainM] as const)
      .filter(([from, to]) => to - from > Math.max(most, enoughM))
    if (stretches.length === 0) continue
    const crossing = over(modules, start, widthM)
    for (const stretch of stretches) most = Math.max(most, longestGap(stretch, crossing))
    if (enoughM > 0 && most >= enoughM) break
  }
  return most
}

/** Where the left side of a strip may have to stand for it to be longest: by a corner of something, or with it in the middle. */
const startsBeside = (rings: readonly (readonly Vec2[])[], widthM: number): number[] => {
  // Corners of one column are in one place but for rounding.
  const places = new Map(rings.flat().map(([u]) => [Math.round(u * 1e5), u] as const))
  return [...places.values()].flatMap((u) => [u, u - widthM, u - widthM / 2])
}

/** The strips of a width that go straight up a plane. */
interface Strips {
  readonly frame: PlaneFrame
  readonly runs: RunFinder
  /** Where their left sides may stand. */
  readonly starts: readonly number[]
  /** Modules from the lowest up. */
  readonly modules: readonly Extent[]
  /** How long one has to be to count as a pathway, m. */
  readonly enoughM: number
}

/** Null where the plane is too small for that to matter, or what stands on it leaves no way at all. */
function stripsOn({ plane, obstructions, walkways = [], modules }: Crossed, widthM: number): Strips | null {
  const frame = frameOf(plane)
  const border = plane.corners.map((c) => toFrame(frame, c))
  const inPlan = (ring: readonly Vec2[]) => ring.map((p) => planOntoFrame(frame, p))
  const standing = [
    ...(plane.holes ?? []).map((hole) => hole.map((c) => toFrame(frame, c))),
    ...obstructions.map(inPlan),
  ]
  const laid = modules.map((corners) => corners.map((c) => toFrame(frame, c)))
  const runs = runFinder(fieldOf(border, standing))
  const bare = longest(runs, [], startsBeside([border, ...standing], widthM), widthM)
  if (bare < shortestM) return null
  return {
    frame,
    runs,
    starts: startsBeside([border, ...standing, ...walkways.map(inPlan), ...laid], widthM),
    modules: laid.map(extentOf).sort((a, b) => a.low - b.low),
    enoughM: bare - shorterM,
  }
}

/**
 * Whether one can go over a plane in a straight line from its lower edge to its upper on a strip of this width, without
 * stepping on a module.
 * @returns null where the plane is too small for that to matter, or what stands on it leaves no way at all
 */
export function hasPathway(crossed: Crossed, widthM: number): boolean | null {
  const strips = stripsOn(crossed, widthM)
  if (!strips) return null
  const { runs, modules, starts, enoughM } = strips
  return longest(runs, modules, starts, widthM, enoughM) >= enoughM
}

/** Where a pathway could be, were it not for modules. */
export interface PathwayPlace {
  /** A point of its middle line in plan. */
  readonly middle: Vec2
  /** How far it is along the eave, from the left as seen from below, m. */
  readonly alongM: number
  /** How many modules lie on it. */
  readonly modules: number
}

/** The places for a pathway of this width, from the left end of the plane to its right one. */
export function placesForPathway(crossed: Crossed, widthM: number): PathwayPlace[] {
  const strips = stripsOn(crossed, widthM)
  if (!strips) return []
  const { frame, runs, modules, starts, enoughM } = strips
  return starts
    .flatMap((start) => {
      const [low, high] = longestOf(runs(start, start + widthM, grainM))
      if (high - low < enoughM) return []
      const alongM = start + widthM / 2
      const [x, y] = fromFrame(frame, [alongM, (low + high) / 2])
      return [
        {
          middle: [x, y] as const,
          alongM,
          modules: over(modules, start, widthM).filter((m) => m.low < high && m.high > low).length,
        },
      ]
    })
    .sort((a, b) => a.alongM - b.alongM)
}

const longestOf = (stretches: readonly (readonly [number, number])[]): readonly [number, number] =>
  stretches
    .map(([from, to]) => [from, to + grainM] as const)
    .reduce((most, one) => (one[1] - one[0] > most[1] - most[0] ? one : most), [0, 0] as const)

/** The widest pathway over a plane, to the centimetre below, m; 0 where there is none. */
export function widestPathwayM(crossed: Crossed, atMostM: number): number {
  let [can, cannot] = [0, Math.ceil(atMostM * 100)]
  while (cannot - can > 1) {
    const middle = Math.floor((can + cannot) / 2)
    if (hasPathway(crossed, middle / 100)) can = middle
    else cannot = middle
  }
  return can / 100
}
