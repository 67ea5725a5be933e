import { columnsUnder, slabUnder, type SolidBody } from '../../geometry/body'
import { turnedRectangle } from '../../geometry/polygon'
import { type Vec2, type Vec3 } from '../../geometry/vector'
import { toRadians } from '../../model/units'
import { planeThrough, type RoofPlane } from '../../roof/plane'
import { roofShapes, roofStrokes } from '../roof-drawing'
import { emptyGeometry, type Geometry, type Surface } from '../standing'
import { usualCanopies, type Canopy } from './canopy'

type Shape = Omit<Canopy, 'id' | 'name' | 'kind'>

/** Thickness of a closed leaf, and height of slats and of the beams under them, m. */
const leafM = 0.1
const slatHighM = 0.1
const slatWideM = 0.05
const beamWideM = 0.1
const beamHighM = 0.18
const postM = 0.12
/** Slats no further apart than this, unless there would be too many; posts neither. */
const slatsApartM = 0.4
const mostSlats = 40
const postsApartM = 4
/** Strip kept free of modules where it stands over another roof. */
const besideCanopyM = 0.3

/** From the frame of its plan (along the eave, across it) and a height into space. */
type Place = (p: Vec3) => Vec3

/** A leaf in the frame of its plan: from its eave up to its upper edge. */
interface Leaf {
  /** Across: where its eave and its upper edge run. */
  readonly eave: number
  readonly top: number
  readonly side: 0 | 2
}

/** Leaves on posts, with open sides. */
export function canopyGeometry(canopy: Shape): Geometry {
  const { center, widthM, depthM, rotationDeg, eaveHeightM, pitchDeg, leaves, cover } = canopy
  const [c, s] = [Math.cos(toRadians(rotationDeg)), Math.sin(toRadians(rotationDeg))]
  const place: Place = ([u, v, z]) => [center[0] + u * c - v * s, center[1] + u * s + v * c, z]
  const half = depthM / 2
  const sides: readonly Leaf[] =
    leaves === 'one'
      ? [{ eave: -half, top: half, side: 0 }]
      : [
          { eave: -half, top: 0, side: 0 },
          { eave: half, top: 0, side: 2 },
        ]
  const rise = Math.tan(toRadians(pitchDeg))
  const heightAt = ({ eave }: Leaf, v: number) => eaveHeightM + Math.abs(v - eave) * rise
  /** A strip of a leaf, in plan from u to u and from v to v, counter-clockwise from above, sunk by so much. */
  const strip = (leaf: Leaf, [u0, u1]: Vec2, [v0, v1]: Vec2, sunkM = 0): Vec3[] => {
    const [low, high] = [Math.min(v0, v1), Math.max(v0, v1)]
    const at = (u: number, v: number) => place([u, v, heightAt(leaf, v) - sunkM])
    return [at(u0, low), at(u1, low), at(u1, high), at(u0, high)]
  }
  const across: Vec2 = [-widthM / 2, widthM / 2]
  const planes = sides.map((leaf): RoofPlane => {
    const ring = strip(leaf, across, [leaf.eave, leaf.top])
    // The first edge is the eave, whichever side it is on.
    const corners = leaf.side === 0 ? ring : [...ring.slice(2), ...ring.slice(0, 2)]
    return planeThrough(leaf.side, corners, ['eave', 'rake', 'ridge', 'rake'])
  })
  const boards =
    cover === 'closed'
      ? planes.map(({ corners, id }): Board => ({ lid: corners, thickM: leafM, face: id }))
      : sides.flatMap((leaf) => slatsOf(leaf, across, strip))
  const posts = postsOf(canopy, sides).map(([u, v, leaf]) =>
    strip(leaf, [u - postM / 2, u + postM / 2], [v - postM / 2, v + postM / 2], leafM),
  )
  const base = turnedRectangle(center, widthM, depthM, rotationDeg)
  const topM = Math.max(...planes.flatMap(({ corners }) => corners.map((p) => p[2])))
  return {
    ...emptyGeometry,
    solids: [
      ...boards.flatMap(({ lid, thickM }): readonly SolidBody[] => {
        const slab = slabUnder(lid, thickM)
        return slab ? [slab] : []
      }),
      ...posts.flatMap((lid) => columnsUnder(lid, 0)),
    ],
    keepOuts: [{ base, clearanceM: besideCanopyM, topM }],
    faces: planes,
    surfaces: [
      ...(cover === 'slats'
        ? planes.map(({ corners, id }): Surface => ({ corners, tone: 'open', face: id }))
        : []),
      ...boards.flatMap(boardSurfaces),
      ...posts.flatMap((lid) => boxSides(lid, () => 0, 'frame')),
    ],
    strokes: roofStrokes(planes),
    plan: roofShapes(planes, false),
    frame: base,
    topM,
    presetM: eaveHeightM === usualCanopies[canopy.use].eaveHeightM ? eaveHeightM : null,
  }
}

/** Something flat that hangs down from its lid. */
interface Board {
  readonly lid: readonly Vec3[]
  readonly thickM: number
  /** The plane it is; null for a slat or a beam. */
  readonly face: string | null
}

/** Slats up the slope on a beam at either end. */
function slatsOf(
  leaf: Leaf,
  [from, to]: Vec2,
  strip: (leaf: Leaf, along: Vec2, over: Vec2, sunkM?: number) => Vec3[],
): Board[] {
  const gaps = Math.min(mostSlats - 1, Math.ceil((to - from - slatWideM) / slatsApartM))
  const slats = Array.from({ length: gaps + 1 }, (_, k): Board => {
    const u = from + (k / gaps) * (to - from - slatWideM)
    return { lid: strip(leaf, [u, u + slatWideM], [leaf.eave, leaf.top]), thickM: slatHighM, face: null }
  })
  const inwards = Math.sign(leaf.top - leaf.eave) * beamWideM
  const beams = [leaf.eave, leaf.top - inwards].map((v): Board => ({
    lid: strip(leaf, [from, to], [v, v + inwards], slatHighM),
    thickM: beamHighM,
    face: null,
  }))
  return [...slats, ...beams]
}

/** Where posts stand, in the frame of the plan, and under which leaf: in rows along both long edges. */
function postsOf({ widthM, depthM }: Shape, sides: readonly Leaf[]): (readonly [number, number, Leaf])[] {
  const inner = widthM - postM
  const gaps = Math.max(1, Math.ceil(inner / postsApartM))
  const [first, last] = [sides[0], sides.at(-1)]
  if (!first || !last) return []
  return Array.from({ length: gaps + 1 }, (_, k) => -inner / 2 + (k / gaps) * inner).flatMap((u) => [
    [u, -(depthM - postM) / 2, first] as const,
    [u, (depthM - postM) / 2, last] as const,
  ])
}

function boardSurfaces({ lid, thickM, face }: Board): Surface[] {
  const tone = face === null ? 'frame' : 'wall'
  const under = lid.map(([x, y, z]): Vec3 => [x, y, z - thickM]).reverse()
  return [
    { corners: lid, ...(face === null ? { tone } : { tone: 'roof', face }) },
    { corners: under, tone },
    ...boxSides(lid, (z) => z - thickM, tone),
  ]
}

/** The upright sides under a lid. */
function boxSides(lid: readonly Vec3[], bottom: (topM: number) => number, tone: Surface['tone']): Surface[] {
  return lid.map((a, i) => {
    const b = lid[(i + 1) % lid.length] ?? a
    return { corners: [[a[0], a[1], bottom(a[2])], [b[0], b[1], bottom(b[2])], b, a], tone }
  })
}
