import { type Vec2, type Vec3 } from '../geometry/vector'
import { endsOf, roofShapes, roofStrokes } from '../kinds/roof-drawing'
import { type Geometry, type Stroke, type Surface } from '../kinds/standing'
import { mergeRoofs } from '../roof/merge'
import { planOf, type RoofPlane } from '../roof/plane'

/** Areas nearer to each other than this are one, m2: what is cut is a roof, and no slip of rounding. */
const sameM2 = 1e-3

/** More roofs than this in one heap are left as they are: no house has as many, and cutting them would hold up the hand. */
const mostJoined = 40

/** Roofs that reach into each other in plan, by their places in the list; those that stand alone are left out. */
export function roofsThatMeet(geometries: readonly Geometry[]): number[][] {
  const boxes = geometries.map(({ faces }) => boxOf(faces.flatMap((face) => planOf(face.corners))))
  const groups: number[][] = []
  geometries.forEach(({ faces, faded }, i) => {
    if (faces.length === 0) return
    const met = groups.filter((group) =>
      group.some((k) => geometries[k]?.faded === faded && overlap(boxes[k], boxes[i])),
    )
    const joined = [...met.flat(), i].sort((a, b) => a - b)
    for (const group of met) groups.splice(groups.indexOf(group), 1)
    groups.push(joined)
  })
  return groups.filter(({ length }) => length > 1 && length <= mostJoined)
}

/**
 * Roofs that meet as they are seen: each plane less what stands above it, with the valleys and walls where they meet.
 * Where a plane falls apart, all its pieces belong to the same side; the first piece keeps its id. What stops light, and
 * what modules are laid on, stays whole. A roof that nothing cuts is given back as it is.
 */
export function joinedRoofs(roofs: readonly Geometry[]): readonly Geometry[] {
  const merged = mergeRoofs(roofs.map(({ faces }) => ({ planes: faces })))
  const made = roofs.map((own, k) => {
    const faces = merged
      .filter(({ volume }) => volume === k)
      .map(({ volume: _volume, ...plane }) => own.faces.find((face) => isSame(face, plane)) ?? plane)
    const isWhole = faces.length === own.faces.length && faces.every((face) => own.faces.includes(face))
    return isWhole ? own : seenWith(own, faces)
  })
  return made.map((own, k) =>
    own === roofs[k]
      ? own
      : withoutLinesOf(
          own,
          made.slice(k + 1).flatMap(({ strokes }) => strokes),
        ),
  )
}

/** Where two roofs meet, the line is drawn once, with the later one. */
function withoutLinesOf(own: Geometry, others: readonly Stroke[]): Geometry {
  const isDrawn = ({ from, to }: Stroke) =>
    others.some(
      (other) =>
        (near(from, other.from) && near(to, other.to)) || (near(from, other.to) && near(to, other.from)),
    )
  return { ...own, strokes: own.strokes.filter((stroke) => !isDrawn(stroke)) }
}

/** Ends of lines this near to each other are one, m. */
const sameEndM = 5e-3
const near = (a: Vec3, b: Vec3) =>
  Math.abs(a[0] - b[0]) < sameEndM && Math.abs(a[1] - b[1]) < sameEndM && Math.abs(a[2] - b[2]) < sameEndM

const isSame = (a: RoofPlane, b: RoofPlane) =>
  a.id === b.id &&
  Math.abs(a.areaM2 - b.areaM2) < sameM2 &&
  a.edges.length === b.edges.length &&
  a.edges.every(({ kind }, i) => kind === b.edges[i]?.kind)

/** The geometry with other planes in the place of its own. */
function seenWith(own: Geometry, faces: readonly RoofPlane[]): Geometry {
  const before = new Set(roofStrokes(own.faces).map(({ from, to }) => endsOf(from, to)))
  const others = own.strokes.filter(({ from, to }) => !before.has(endsOf(from, to)))
  const showsItsEdges = others.length < own.strokes.length
  const roofed = faces.map(({ corners, holes, id }): Surface => ({
    corners,
    tone: 'roof',
    face: id,
    ...(holes ? { holes } : {}),
  }))
  const isOfFace = (points: readonly Vec2[]) =>
    own.faces.some((face) => samePoints(planOf(face.corners), points))
  const around = own.plan.filter(({ points }) => !isOfFace(points))
  return {
    ...own,
    faces,
    surfaces: [...roofed, ...own.surfaces.filter(({ face }) => face === undefined)],
    strokes: [...(showsItsEdges ? roofStrokes(faces) : []), ...others, ...faces.flatMap(openingsOf)],
    plan: around.length < own.plan.length ? [...roofShapes(faces, own.faded), ...around] : own.plan,
  }
}

/** Where walls come up through a plane. */
const openingsOf = ({ holes = [] }: RoofPlane): Stroke[] =>
  holes.flatMap((ring) =>
    ring.map((from, i): Stroke => ({ from, to: ring[(i + 1) % ring.length] ?? from, is: 'wall' })),
  )

const samePoints = (a: readonly Vec2[], b: readonly Vec2[]) =>
  a.length === b.length && a.every(([x, y], i) => x === b[i]?.[0] && y === b[i]?.[1])

interface Box {
  readonly low: Vec2
  readonly high: Vec2
}

function boxOf(points: readonly Vec2[]): Box {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
  return { low: [Math.min(...xs), Math.min(...ys)], high: [Math.max(...xs), Math.max(...ys)] }
}

const overlap = (a: Box | undefined, b: Box | undefined): boolean =>
  a !== undefined &&
  b !== undefined &&
  ([0, 1] as const).every((axis) => a.low[axis] <= b.high[axis] && b.low[axis] <= a.high[axis])
