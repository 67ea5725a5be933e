import { planOf, type RoofPlane } from '../roof/plane'
import { type PlanShape, type Stroke } from './standing'

/** Every edge of a roof once, although two planes meet in most. */
export function roofStrokes(planes: readonly Pick<RoofPlane, 'corners' | 'edges'>[]): Stroke[] {
  const strokes = new Map<string, Stroke>()
  for (const { corners, edges } of planes)
    corners.forEach((from, i) => {
      const to = corners[(i + 1) % corners.length] ?? from
      const ends = [from, to].map((p) => p.map((v) => v.toFixed(3)).join(' '))
      strokes.set(ends.sort().join('/'), { from, to, is: edges[i]?.kind ?? 'edge' })
    })
  return [...strokes.values()]
}

/** The planes of a roof from above; light comes from the north-west. */
export const roofShapes = (planes: readonly RoofPlane[], faded: boolean): PlanShape[] =>
  planes.map(({ corners, normal }) => ({
    points: planOf(corners),
    tone: faded ? 'neighbour' : -normal[0] + normal[1] > 0 ? 'roof' : 'shaded',
  }))
