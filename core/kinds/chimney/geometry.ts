import { columnsUnder } from '../../geometry/body'
import { turnedRectangle } from '../../geometry/polygon'
import { type Vec3 } from '../../geometry/vector'
import { emptyGeometry, type Geometry, type Stroke, type Surface } from '../standing'
import { type Chimney } from './chimney'

type Shape = Omit<Chimney, 'id' | 'name' | 'kind'>

/** The foot goes this far below the roof at the middle of the base, so that no light passes under it. */
const footM = 1

/**
 * An upright box on the roof.
 * @param roofM height of the roof at the middle of the base
 */
export function chimneyGeometry(chimney: Shape, roofM: number): Geometry {
  const base = turnedRectangle(chimney.center, chimney.widthM, chimney.depthM, chimney.rotationDeg)
  const bottomM = Math.max(0, roofM - footM)
  const topM = roofM + chimney.heightM
  const lid = base.map((p): Vec3 => [p[0], p[1], topM])
  const surfaces: Surface[] = [{ corners: lid, tone: 'obstruction' }]
  const strokes: Stroke[] = []
  lid.forEach((a, i) => {
    const b = lid[(i + 1) % lid.length] ?? a
    const [footA, footB]: [Vec3, Vec3] = [
      [a[0], a[1], bottomM],
      [b[0], b[1], bottomM],
    ]
    surfaces.push({ corners: [footA, footB, b, a], tone: 'obstruction' })
    strokes.push({ from: a, to: b, is: 'edge' }, { from: footA, to: a, is: 'edge' })
  })
  return {
    ...emptyGeometry,
    solids: columnsUnder(lid, bottomM),
    keepOuts: [{ base, clearanceM: chimney.clearanceM, topM: null }],
    surfaces,
    strokes,
    plan: [{ points: base, tone: 'obstruction' }],
    topM,
  }
}
