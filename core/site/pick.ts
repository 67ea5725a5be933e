import { along, rayEllipsoid, rayLevel, rayPolygon, type Ray } from '../geometry/ray'
import { type Vec3 } from '../geometry/vector'
import { type RoofPlane } from '../roof/plane'
import { type Site } from './site'

/** What a ray of sight meets first. */
export type Hit =
  | { readonly kind: 'panel'; readonly id: string; readonly arrayId: string; readonly point: Vec3 }
  | { readonly kind: 'slot'; readonly slot: string; readonly arrayId: string; readonly point: Vec3 }
  | { readonly kind: 'face'; readonly objectId: string; readonly face: RoofPlane; readonly point: Vec3 }
  | { readonly kind: 'object'; readonly id: string; readonly point: Vec3 }

type HitBody = Hit extends infer H ? (H extends Hit ? Omit<H, 'point'> : never) : never

/** @param slotsOf the array whose empty places can be met; they are drawn only while it is selected */
export function pick(site: Site, ray: Ray, slotsOf: string | null): Hit | null {
  let nearest = Infinity
  let found: HitBody | null = null
  const offer = (t: number | null, hit: HitBody) => {
    if (t !== null && t < nearest) [nearest, found] = [t, hit]
  }
  for (const array of site.arrays) {
    for (const panel of array.panels)
      offer(rayPolygon(ray, panel.corners), { kind: 'panel', id: panel.id, arrayId: array.id })
    if (array.id === slotsOf)
      for (const panel of array.empty)
        offer(rayPolygon(ray, panel.corners), { kind: 'slot', slot: panel.slot, arrayId: array.id })
  }
  for (const { id, geometry } of site.objects) {
    for (const surface of geometry.surfaces) {
      const face = geometry.faces.find((f) => f.id === surface.face)
      offer(
        surface.holes?.some((hole) => rayPolygon(ray, hole) !== null)
          ? null
          : rayPolygon(ray, surface.corners),
        face ? { kind: 'face', objectId: id, face } : { kind: 'object', id },
      )
    }
    for (const { center, crownRadiusM, halfHeightM } of geometry.crowns)
      offer(rayEllipsoid(ray, center, crownRadiusM, halfHeightM), { kind: 'object', id })
  }
  const ground = rayLevel(ray, 0)
  const groundT = ground ? (ground[2] - ray.origin[2]) / ray.direction[2] : Infinity
  if (!found || groundT < nearest - 1e-9) return null
  return { ...(found as HitBody), point: along(ray, nearest) }
}

/** Where a ray meets the nearest roof plane, whatever stands before it. */
export function pickFace(site: Site, ray: Ray): Vec3 | null {
  let nearest = Infinity
  for (const { whole } of site.objects)
    for (const face of whole.faces) nearest = Math.min(nearest, rayPolygon(ray, face.corners) ?? Infinity)
  return nearest === Infinity ? null : along(ray, nearest)
}
