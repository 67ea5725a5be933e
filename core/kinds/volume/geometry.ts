import { columnsUnder } from '../../geometry/body'
import { type Vec2, type Vec3 } from '../../geometry/vector'
import { Fault } from '../../model/fault'
import { parapetOver } from '../../roof/parapet'
import { type Roof, type RoofPlane } from '../../roof/plane'
import { insetOf } from '../../roof/inset'
import { buildRoof } from '../../roof/roof'
import { wallTop } from '../../roof/wall-top'
import { straightened } from '../../roof/straighten'
import { roofShapes, roofStrokes } from '../roof-drawing'
import { emptyGeometry, type Geometry, type Stroke, type Surface } from '../standing'
import { isGable, type Volume } from './volume'

/** Height of the board along the edge of a roof, m. */
const eaveBoardM = 0.05

type Shape = Pick<Volume, 'outline' | 'eaveHeightM' | 'edges' | 'role' | 'flat' | 'overhang'>

/** Walls and roof; where the outline makes no roof, the walls alone and why. */
export function volumeGeometry(drawn: Shape): Geometry {
  const { eaveHeightM, role } = drawn
  const outline = straightened(drawn.outline, drawn.edges)
  const volume = { ...drawn, outline }
  const common = {
    ...emptyGeometry,
    frame: role === 'house' ? outline : [],
    faded: role === 'neighbour',
  }
  try {
    return { ...common, ...(volume.flat ? underFlatRoof(volume, volume.flat) : underPitchedRoof(volume)) }
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    const walls = wallsOf(outline, eaveHeightM)
    return {
      ...common,
      surfaces: walls.surfaces,
      strokes: [...walls.strokes, ...around(lifted(outline, eaveHeightM), 'edge')],
      topM: eaveHeightM,
      fault: error,
    }
  }
}

type Built = Pick<Geometry, 'solids' | 'keepOuts' | 'faces' | 'surfaces' | 'strokes' | 'plan' | 'topM'>

function underPitchedRoof({ outline, edges, eaveHeightM, role, overhang }: Shape): Built {
  const roof = buildRoof({ outline, edges, eaveHeightM })
  const { solids, surfaces, strokes } =
    overhang && overhang.eaveM + overhang.rakeM > 0
      ? underOverhang(outline, edges, eaveHeightM, roof.planes, overhang)
      : underRoofEdge(outline, eaveHeightM, roof)
  return {
    solids,
    keepOuts: [{ base: outline, clearanceM: 0, topM: roof.ridgeHeightM, endsInValleys: true, wall: true }],
    faces: roof.planes,
    surfaces: [...roof.planes.map(roofSurface), ...surfaces],
    strokes: [...roofStrokes(roof.planes), ...strokes],
    plan: roofShapes(roof.planes, role === 'neighbour'),
    topM: roof.ridgeHeightM,
  }
}

type Walls = Pick<Built, 'solids' | 'surfaces' | 'strokes'>

/** Walls that stand under the edge of the roof, with the gables above them. */
function underRoofEdge(
  outline: readonly Vec2[],
  eaveHeightM: number,
  { planes, gables }: Pick<Roof, 'planes' | 'gables'>,
): Walls {
  const walls = wallsOf(outline, eaveHeightM)
  return {
    solids: planes.flatMap((plane) => columnsUnder(plane.corners, 0)),
    surfaces: [...gables.map(({ corners }): Surface => ({ corners, tone: 'wall' })), ...walls.surfaces],
    strokes: walls.strokes,
  }
}

/**
 * Walls that stand back under the roof and go up to it; under the overhang itself there is light.
 * @throws Fault `no-walls` where no walls are left
 */
function underOverhang(
  outline: readonly Vec2[],
  edges: Volume['edges'],
  eaveHeightM: number,
  planes: readonly RoofPlane[],
  { eaveM, rakeM }: NonNullable<Volume['overhang']>,
): Walls {
  const foot = insetOf(outline, (side) => (isGable(edges[side] ?? { gable: true }) ? rakeM : eaveM))
  if (!foot) throw new Fault('no-walls', {}, 'overhang')
  const tops = foot.map((a, i) => wallTop(planes, a, foot[(i + 1) % foot.length] ?? a))
  const corner = tops.map(([first]) => first)
  return {
    // The roof down to the level of its eaves, and the house under that.
    solids: [
      ...planes.flatMap((plane) => columnsUnder(plane.corners, eaveHeightM - eaveBoardM)),
      ...columnsUnder(lifted(foot, eaveHeightM), 0),
    ],
    surfaces: foot.map((a, i): Surface => {
      const b = foot[(i + 1) % foot.length] ?? a
      return { corners: [[a[0], a[1], 0], [b[0], b[1], 0], ...(tops[i] ?? []).toReversed()], tone: 'wall' }
    }),
    strokes: [
      ...around(lifted(foot, 0), 'foot'),
      ...foot.flatMap(([x, y], i): Stroke[] => {
        const top = corner[i]
        // Drawn to just below the roof, which its ink would show through.
        return top ? [{ from: [x, y, 0], to: [x, y, top[2] - eaveBoardM], is: 'corner' }] : []
      }),
    ],
  }
}

/** A level face, inside a parapet where there is one; the outer walls go up to the parapet's top. */
function underFlatRoof(
  { outline, eaveHeightM, role }: Shape,
  { parapetM }: NonNullable<Volume['flat']>,
): Built {
  const topM = eaveHeightM + parapetM
  const parapet = parapetM > 0 ? parapetOver(outline, topM) : null
  const inner = parapet?.inner ?? outline
  const level = inner.map(() => ({ pitchDeg: 0 }))
  const { planes } = buildRoof({ outline: inner, edges: level, eaveHeightM })
  const walls = wallsOf(outline, topM)
  const tops = parapet?.tops ?? []
  const insides = tops.map(([, , b, a]): Surface => {
    const down = ([x, y]: Vec3 = [0, 0, 0]): Vec3 => [x, y, eaveHeightM]
    return { corners: a && b ? [a, b, down(b), down(a)] : [], tone: 'wall' }
  })
  return {
    solids: [
      ...columnsUnder(lifted(outline, eaveHeightM), 0),
      ...tops.flatMap((top) => columnsUnder(top, eaveHeightM)),
    ],
    keepOuts: [{ base: outline, clearanceM: 0, topM, wall: true }],
    faces: planes,
    surfaces: [
      ...planes.map(roofSurface),
      ...tops.map((corners): Surface => ({ corners, tone: 'wall' })),
      ...insides,
      ...walls.surfaces,
    ],
    strokes: [
      ...walls.strokes,
      ...around(lifted(outline, topM), 'eave'),
      ...(parapet
        ? [...around(lifted(inner, topM), 'edge'), ...around(lifted(inner, eaveHeightM), 'foot')]
        : []),
    ],
    plan: [{ points: outline, tone: role === 'neighbour' ? 'neighbour' : 'roof' }],
    topM,
  }
}

const roofSurface = ({ corners, id }: RoofPlane): Surface => ({ corners, tone: 'roof', face: id })

const lifted = (outline: readonly Vec2[], heightM: number): Vec3[] => outline.map(([x, y]) => [x, y, heightM])

const around = (ring: readonly Vec3[], is: Stroke['is']): Stroke[] =>
  ring.map((from, i) => ({ from, to: ring[(i + 1) % ring.length] ?? from, is }))

function wallsOf(outline: readonly Vec2[], topM: number): { surfaces: Surface[]; strokes: Stroke[] } {
  const surfaces: Surface[] = []
  const strokes: Stroke[] = []
  outline.forEach((a: Vec2, i) => {
    const b = outline[(i + 1) % outline.length] ?? a
    const [footA, footB]: [Vec3, Vec3] = [
      [a[0], a[1], 0],
      [b[0], b[1], 0],
    ]
    const [topA, topB]: [Vec3, Vec3] = [
      [a[0], a[1], topM],
      [b[0], b[1], topM],
    ]
    surfaces.push({ corners: [footA, footB, topB, topA], tone: 'wall' })
    strokes.push({ from: footA, to: topA, is: 'corner' }, { from: footA, to: footB, is: 'foot' })
  })
  return { surfaces, strokes }
}
