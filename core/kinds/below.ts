import { containsPoint } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { planeHeightM, planOf, type RoofPlane } from '../roof/plane'
import { partsAbove } from '../roof/above'
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
export function topFaceAt({ objects }: Pick<Below, 'objects'>, p: Vec2): RoofPlane | null {
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

/** A plane of an object by the outline edge it rises from, and by the stretch of that edge's slope. */
export const faceOf = (
  { objects }: Pick<Below, 'objects'>,
  id: string,
  edgeIndex: number,
  step: number,
): RoofPlane | null =>
  objects
    .find((object) => object.id === id)
    ?.geometry.faces.find((face) => face.edgeIndex === edgeIndex && face.step === step) ?? null

const risesOver = (plane: RoofPlane, base: readonly Vec2[], topM: number) =>
  base.some((p) => topM > planeHeightM(plane, p))

/** What modules on a plane keep off: all obstructions, and of other buildings what stands above it. */
export const keepOutsOn = ({ objects, setbacksM }: Below, ownerId: string, plane: RoofPlane): KeepOut[] =>
  objects.flatMap(({ id, geometry }) =>
    geometry.keepOuts.flatMap((keepOut): readonly KeepOut[] => {
      if (keepOut.topM === null) return [keepOut]
      if (id === ownerId) return []
      // What has no planes of its own is as high as its top all over its base.
      if (geometry.faces.length === 0) return risesOver(plane, keepOut.base, keepOut.topM) ? [keepOut] : []
      return partsAbove(plane, geometry.faces).map(({ ring, meets }) => ({
        ...keepOut,
        base: ring,
        clearanceM: keepOut.wall
          ? meets && keepOut.endsInValleys
            ? setbacksM.valley
            : setbacksM.wall
          : keepOut.clearanceM,
      }))
    }),
  )
