import { columnsUnder } from '../../geometry/body'
import { type Vec2, type Vec3 } from '../../geometry/vector'
import { Fault } from '../../model/fault'
import { type Roof } from '../../roof/plane'
import { buildRoof } from '../../roof/roof'
import { straightened } from '../../roof/straighten'
import { roofShapes, roofStrokes } from '../roof-drawing'
import { emptyGeometry, type Geometry, type Stroke, type Surface } from '../standing'
import { type Volume } from './volume'

/** Strip kept free around another part of the house that comes up through a plane, such as a dormer. */
const besideVolumeM = 0.3

type Shape = Pick<Volume, 'outline' | 'eaveHeightM' | 'edges' | 'role'>

/** Walls and roof; where the outline makes no roof, the walls alone and why. */
export function volumeGeometry(drawn: Shape): Geometry {
  const { eaveHeightM, role } = drawn
  const outline = straightened(drawn.outline, drawn.edges)
  const volume = { ...drawn, outline }
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
      strokes: [...walls.strokes, ...bareTop(outline, eaveHeightM)],
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
    strokes: [...roofStrokes(roof.planes), ...walls.strokes],
    plan: roofShapes(roof.planes, role === 'neighbour'),
    topM: roof.ridgeHeightM,
  }
}

/** Where walls end that carry no roof. */
const bareTop = (outline: readonly Vec2[], heightM: number): Stroke[] =>
  outline.map((a, i) => {
    const b = outline[(i + 1) % outline.length] ?? a
    return { from: [a[0], a[1], heightM], to: [b[0], b[1], heightM], is: 'edge' }
  })

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
    strokes.push({ from: footA, to: topA, is: 'corner' }, { from: footA, to: footB, is: 'foot' })
  })
  return { surfaces, strokes }
}
