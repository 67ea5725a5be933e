import { type Vec3 } from '../geometry/vector'
import { planOf, type RoofPlane } from '../roof/plane'
import { type PlanShape, type Stroke } from './standing'

const millimetres = (p: Vec3) => p.map((v) => Math.round(v * 1000)).join(' ')

/** Tells lines between different places apart, to the millimetre, whichever end comes first. */
export function endsOf(from: Vec3, to: Vec3): string {
  const [a, b] = [millimetres(from), millimetres(to)]
  return a < b ? `${a}/${b}` : `${b}/${a}`
}

/** Every edge of a roof once, although two planes meet in most. */
export function roofStrokes(planes: readonly Pick<RoofPlane, 'corners' | 'edges'>[]): Stroke[] {
  const strokes = new Map<string, Stroke>()
  for (const { corners, edges } of planes)
    corners.forEach((from, i) => {
      const to = corners[(i + 1) % corners.length] ?? from
      strokes.set(endsOf(from, to), { from, to, is: edges[i]?.kind ?? 'edge' })
    })
  return [...strokes.values()]
}

/** The planes of a roof from above; light comes from the north-west. */
export const roofShapes = (planes: readonly RoofPlane[], faded: boolean): PlanShape[] =>
  planes.map(({ corners, normal }) => ({
    points: planOf(corners),
    tone: faded ? 'neighbour' : -normal[0] + normal[1] > 0 ? 'roof' : 'shaded',
  }))
