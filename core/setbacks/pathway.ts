import { runFinder, type Field } from '../layout/free-runs'
import { frameOf, planOntoFrame, toFrame } from '../layout/plane-frame'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { type RoofPlane } from '../roof/plane'

/** A plane with what lies and stands on it. */
export interface Crossed {
  readonly plane: Pick<RoofPlane, 'corners' | 'holes' | 'normal'>
  /** Footprints in plan of what stands on it. */
  readonly obstructions: readonly (readonly Vec2[])[]
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

/** The longest free strip of a width straight up a plane, m; 0 where none fits. */
function longest(field: Field, starts: readonly number[], widthM: number): number {
  const runs = runFinder(field)
  let most = 0
  for (const start of starts)
    for (const [from, to] of runs(start, start + widthM, grainM)) most = Math.max(most, to - from + grainM)
  return most
}

/** Where the left side of a strip may have to stand for it to be longest: by a corner of something, or with it in the middle. */
const startsBeside = (rings: readonly (readonly Vec2[])[], widthM: number): number[] => [
  ...new Set(rings.flat().flatMap(([u]) => [u, u - widthM, u - widthM / 2])),
]

/**
 * Whether one can go over a plane in a straight line from its lower edge to its upper on a strip of this width, without
 * stepping on a module.
 * @returns null where the plane is too small for that to matter, or what stands on it leaves no way at all
 */
export function hasPathway({ plane, obstructions, modules }: Crossed, widthM: number): boolean | null {
  const frame = frameOf(plane)
  const border = plane.corners.map((c) => toFrame(frame, c))
  const standing = [
    ...(plane.holes ?? []).map((hole) => hole.map((c) => toFrame(frame, c))),
    ...obstructions.map((base) => base.map((p) => planOntoFrame(frame, p))),
  ]
  const laid = modules.map((corners) => corners.map((c) => toFrame(frame, c)))
  const bare = longest(fieldOf(border, standing), startsBeside([border, ...standing], widthM), widthM)
  if (bare < shortestM) return null
  const left = longest(
    fieldOf(border, [...standing, ...laid]),
    startsBeside([border, ...standing, ...laid], widthM),
    widthM,
  )
  return left >= bare - shorterM
}

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
