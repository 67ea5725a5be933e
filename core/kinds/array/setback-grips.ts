import { add3, cross3, scale3, sub3, unit3 } from '../../geometry/vector'
import { edgeKeysOf } from '../../setbacks/edges'
import { round } from '../place'
import { type Geometry, type Handle } from '../standing'

/** Shorter edges have no grip, m: there would be more grips than roof. */
const shortestM = 0.6
const largestM = 10

/** What an array's document may hold of a distance. */
export const asSetback = (metres: number): number => round(Math.max(0, Math.min(largestM, metres)))

/** A grip for each edge of the plane an array lies on, where its setback is; dragged along the roof, off the edge. */
export function setbackGrips({ field }: Geometry): Handle[] {
  const margins = field?.margins
  if (!margins) return []
  const { plane, setbacksM } = margins
  return edgeKeysOf(plane).flatMap((edge, index): Handle[] => {
    const [a, b] = [plane.corners[index], plane.corners[(index + 1) % plane.corners.length]]
    if (!a || !b || (plane.edges[index]?.lengthM ?? 0) < shortestM) return []
    const origin = scale3(add3(a, b), 0.5)
    // Corners run counter-clockwise seen from above: the plane is to the left of its edges.
    const direction = unit3(cross3(plane.normal, sub3(b, a)))
    const at = add3(origin, scale3(direction, setbacksM[index] ?? 0))
    return [
      { name: 'setback', index, at, moves: 'along', line: { origin, direction, normal: plane.normal }, edge },
    ]
  })
}
