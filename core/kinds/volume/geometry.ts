import { columnsUnder } from '../../geometry/body'
import { type Vec2, type Vec3 } from '../../geometry/vector'
import { Fault } from '../../model/fault'
import { parapetOver } from '../../roof/parapet'
import { type RoofPlane } from '../../roof/plane'
import { buildRoof } from '../../roof/roof'
import { straightened } from '../../roof/straighten'
import { besideWallM } from '../below'
import { roofShapes, roofStrokes } from '../roof-drawing'
import { emptyGeometry, type Geometry, type Stroke, type Surface } from '../standing'
import { type Volume } from './volume'

type Shape = Pick<Volume, 'outline' | 'eaveHeightM' | 'edges' | 'role' | 'flat'>

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

function underPitchedRoof({ outline, edges, eaveHeightM, role }: Shape): Built {
  const roof = buildRoof({ outline, edges, eaveHeightM })
  const walls = wallsOf(outline, eaveHeightM)
  const gables = roof.gables.map(({ corners }): Surface => ({ corners, tone: 'wall' }))
  return {
    solids: roof.planes.flatMap((plane) => columnsUnder(plane.corners, 0)),
    keepOuts: [{ base: outline, clearanceM: besideWallM, topM: roof.ridgeHeightM, endsInValleys: true }],
    faces: roof.planes,
    surfaces: [...roof.planes.map(roofSurface), ...gables, ...walls.surfaces],
    strokes: [...roofStrokes(roof.planes), ...walls.strokes],
    plan: roofShapes(roof.planes, role === 'neighbour'),
    topM: roof.ridgeHeightM,
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
    keepOuts: [{ base: outline, clearanceM: besideWallM, topM }],
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
