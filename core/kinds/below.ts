import { centroid, containsPoint } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { planeHeightM, planOf, type RoofPlane } from '../roof/plane'
import { type Below, type KeepOut } from './standing'

/** Height of the topmost roof over a point of the plan; 0 on open ground. */
export function roofHeightM({ objects }: Below, p: Vec2): number {
  let top = 0
  for (const { geometry } of objects)
    for (const face of geometry.faces)
      if (containsPoint(planOf(face.corners), p)) top = Math.max(top, planeHeightM(face, p))
  return top
}

/** The topmost roof plane over a point of the plan. */
export function topFaceAt({ objects }: Below, p: Vec2): RoofPlane | null {
  let top = -Infinity
  let found: RoofPlane | null = null
  for (const { geometry } of objects)
    for (const face of geometry.faces) {
      if (!containsPoint(planOf(face.corners), p)) continue
      const height = planeHeightM(face, p)
      if (height > top) [top, found] = [height, face]
    }
  return found
}

/** A plane of an object by the outline edge it rises from. */
export const faceOf = ({ objects }: Below, id: string, edgeIndex: number): RoofPlane | null =>
  objects.find((object) => object.id === id)?.geometry.faces.find((face) => face.edgeIndex === edgeIndex) ??
  null

/** What modules on a plane keep off: all obstructions, and other buildings that stand through it. */
export const keepOutsOn = ({ objects }: Below, ownerId: string, plane: RoofPlane): KeepOut[] =>
  objects.flatMap(({ id, geometry }) =>
    geometry.keepOuts.filter((keepOut) =>
      keepOut.topM === null ? true : id !== ownerId && standsThrough(plane, keepOut.base, keepOut.topM),
    ),
  )

/** Whether something stands over the plane somewhere on its outline. */
function standsThrough(plane: RoofPlane, base: readonly Vec2[], topM: number): boolean {
  const plan = planOf(plane.corners)
  const middle = centroid(base)
  return [...base, middle].some((p) => containsPoint(plan, p)) && topM > planeHeightM(plane, middle)
}
