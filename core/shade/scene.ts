import { ofKind, type Objects } from '../model/document'
import { type Chimney } from '../model/kinds/chimney'
import { crownOf } from '../model/kinds/tree'
import { containsPoint, turnedRectangle } from '../geometry/polygon'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { buildRoof, type Roof, type RoofPlane } from '../roof/roof'
import { Fault } from '../model/fault'
import { columnsUnder, type Body } from './body'

/** Roofs of all volumes by the volume's id; a volume whose outline makes no roof is left out and said. */
export interface Roofs {
  readonly roofs: ReadonlyMap<string, Roof>
  readonly faults: readonly { readonly volumeId: string; readonly fault: Fault }[]
}

export function roofsOf(house: Objects): Roofs {
  const roofs = new Map<string, Roof>()
  const faults: { volumeId: string; fault: Fault }[] = []
  for (const volume of ofKind(house, 'volume')) {
    try {
      roofs.set(volume.id, buildRoof(volume))
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      faults.push({ volumeId: volume.id, fault: error })
    }
  }
  return { roofs, faults }
}

/** Height of a plane over a point of the plan. */
export function planeHeightM(plane: RoofPlane, p: Vec2): number {
  const corner = plane.corners[0] ?? [0, 0, 0]
  return (
    corner[2] -
    (plane.normal[0] * (p[0] - corner[0]) + plane.normal[1] * (p[1] - corner[1])) / plane.normal[2]
  )
}

/** Height of the topmost roof over a point of the plan; 0 on open ground. */
export function roofHeightM(roofs: Roofs['roofs'], p: Vec2): number {
  let top = 0
  for (const roof of roofs.values())
    for (const plane of roof.planes)
      if (
        containsPoint(
          plane.corners.map((c): Vec2 => [c[0], c[1]]),
          p,
        )
      )
        top = Math.max(top, planeHeightM(plane, p))
  return top
}

/** The upright box of a chimney. Its foot goes 1 m below the roof at its middle so that no light passes under it. */
export function chimneyBox(
  chimney: Chimney,
  roofs: Roofs['roofs'],
): { base: Vec2[]; bottomM: number; topM: number } {
  const foot = roofHeightM(roofs, chimney.center)
  return {
    base: turnedRectangle(chimney.center, chimney.widthM, chimney.depthM, chimney.rotationDeg),
    bottomM: Math.max(0, foot - 1),
    topM: foot + chimney.heightM,
  }
}

/** Everything of the house that stops light, as convex bodies. */
export function bodiesOf(house: Objects, roofs: Roofs['roofs']): Body[] {
  const bodies: Body[] = []
  for (const [id, roof] of roofs)
    for (const plane of roof.planes) bodies.push(...columnsUnder(id, plane.corners, 0))
  for (const chimney of ofKind(house, 'chimney')) {
    const { base, bottomM, topM } = chimneyBox(chimney, roofs)
    bodies.push(
      ...columnsUnder(
        chimney.id,
        base.map((p): Vec3 => [p[0], p[1], topM]),
        bottomM,
      ),
    )
  }
  for (const tree of ofKind(house, 'tree')) {
    const crown = crownOf(tree)
    bodies.push({
      kind: 'crown',
      owner: tree.id,
      center: [tree.center[0], tree.center[1], crown.centerM],
      crownRadiusM: crown.radiusM,
      halfHeightM: crown.halfHeightM,
      transmissivity: tree.transmissivity,
      radiusM: Math.max(crown.radiusM, crown.halfHeightM),
    })
  }
  return bodies
}
