import { columnsUnder } from '../../geometry/body'
import { type Vec2, type Vec3 } from '../../geometry/vector'
import { Fault } from '../../model/fault'
import { buildRoof, planOf, type Roof } from '../../roof/roof'
import { emptyGeometry, type Geometry, type Stroke, type Surface } from '../standing'
import { type Volume } from './volume'

/** Strip kept free around another part of the house that comes up through a plane, such as a dormer. */
const besideVolumeM = 0.3

type Shape = Pick<Volume, 'outline' | 'eaveHeightM' | 'edges' | 'role'>

/** Walls and roof; where the outline makes no roof, the walls alone and why. */
export function volumeGeometry(volume: Shape): Geometry {
  const { outline, eaveHeightM, role } = volume
  const walls = wallsOf(volume)
  const common = {
    ...emptyGeometry,
    frame: role === 'house' ? outline : [],
    faded: role === 'neighbour',
  }
  let roof: Roof
  try {
    roof = buildRoof(volume)
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    return {
      ...common,
      surfaces: walls.surfaces,
      strokes: [...walls.strokes, ...ring(outline.map((p): Vec3 => [p[0], p[1], eaveHeightM]))],
      topM: eaveHeightM,
      fault: error,
    }
  }
  const gables = roof.gables.map(({ corners }): Surface => ({ corners, tone: 'wall' }))
  const planes = roof.planes.map(({ corners, id }): Surface => ({ corners, tone: 'roof', face: id }))
  return {
    ...common,
    solids: roof.planes.flatMap((plane) => columnsUnder(plane.corners, 0)),
    keepOuts: [{ base: outline, clearanceM: besideVolumeM, topM: roof.ridgeHeightM }],
    faces: roof.planes,
    surfaces: [...planes, ...gables, ...walls.surfaces],
    strokes: [...roof.planes.flatMap((plane) => ring(plane.corners)), ...walls.strokes],
    plan: roof.planes.map(({ corners, normal }) => ({
      points: planOf(corners),
      // Light comes from the north-west.
      tone: role === 'neighbour' ? 'neighbour' : -normal[0] + normal[1] > 0 ? 'roof' : 'shaded',
    })),
    topM: roof.ridgeHeightM,
  }
}

const ring = (corners: readonly Vec3[]): Stroke[] =>
  corners.map((from, i) => ({ from, to: corners[(i + 1) % corners.length] ?? from, weight: 'edge' }))

function wallsOf({ outline, eaveHeightM }: Shape): { surfaces: Surface[]; strokes: Stroke[] } {
  const surfaces: Surface[] = []
  const strokes: Stroke[] = []
  outline.forEach((a: Vec2, i) => {
    const b = outline[(i + 1) % outline.length] ?? a
    const [footA, footB]: [Vec3, Vec3] = [
      [a[0], a[1], 0],
      [b[0], b[1], 0],
    ]
    const [topA, topB]: [Vec3, Vec3] = [
      [a[0], a[1], eaveHeightM],
      [b[0], b[1], eaveHeightM],
    ]
    surfaces.push({ corners: [footA, footB, topB, topA], tone: 'wall' })
    strokes.push({ from: footA, to: topA, weight: 'edge' }, { from: footA, to: footB, weight: 'edge' })
  })
  return { surfaces, strokes }
}
