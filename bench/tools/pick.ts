import { along, rayEllipsoid, rayLevel, rayPolygon, type Ray } from '@/core/geometry/ray'
import { type Vec3 } from '@/core/geometry/vector'
import { type StageScene } from '../stage/scene'

/** What a ray of sight meets first. */
export type Hit =
  | { readonly kind: 'panel'; readonly id: string; readonly arrayId: string; readonly point: Vec3 }
  | { readonly kind: 'slot'; readonly slot: string; readonly arrayId: string; readonly point: Vec3 }
  | { readonly kind: 'plane'; readonly volumeId: string; readonly edgeIndex: number; readonly point: Vec3 }
  | { readonly kind: 'object'; readonly id: string; readonly point: Vec3 }

type HitBody =
  | { kind: 'panel'; id: string; arrayId: string }
  | { kind: 'slot'; slot: string; arrayId: string }
  | { kind: 'plane'; volumeId: string; edgeIndex: number }
  | { kind: 'object'; id: string }

/** @param slotsOf the array whose empty places can be met; they are drawn only while it is selected */
export function pick(scene: StageScene, ray: Ray, slotsOf: string | null): Hit | null {
  let nearest = Infinity
  let found: HitBody | null = null
  const offer = (t: number | null, hit: HitBody) => {
    if (t !== null && t < nearest) {
      nearest = t
      found = hit
    }
  }
  for (const array of scene.laid.arrays) {
    for (const panel of array.panels)
      offer(rayPolygon(ray, panel.corners), { kind: 'panel', id: panel.id, arrayId: array.id })
    if (array.id === slotsOf)
      for (const panel of array.empty)
        offer(rayPolygon(ray, panel.corners), { kind: 'slot', slot: panel.slot, arrayId: array.id })
  }
  for (const { volume, roof } of scene.volumes) {
    for (const plane of roof?.planes ?? [])
      offer(rayPolygon(ray, plane.corners), {
        kind: 'plane',
        volumeId: volume.id,
        edgeIndex: plane.edgeIndex,
      })
    for (const gable of roof?.gables ?? [])
      offer(rayPolygon(ray, gable.corners), { kind: 'object', id: volume.id })
    volume.outline.forEach((a, i) => {
      const b = volume.outline[(i + 1) % volume.outline.length] ?? a
      const top = volume.eaveHeightM
      offer(
        rayPolygon(ray, [
          [a[0], a[1], 0],
          [b[0], b[1], 0],
          [b[0], b[1], top],
          [a[0], a[1], top],
        ]),
        { kind: 'object', id: volume.id },
      )
    })
  }
  for (const { chimney, base, topM, bottomM } of scene.chimneys) {
    offer(
      rayPolygon(
        ray,
        base.map((p): Vec3 => [p[0], p[1], topM]),
      ),
      { kind: 'object', id: chimney.id },
    )
    base.forEach((a, i) => {
      const b = base[(i + 1) % base.length] ?? a
      offer(
        rayPolygon(ray, [
          [a[0], a[1], bottomM],
          [b[0], b[1], bottomM],
          [b[0], b[1], topM],
          [a[0], a[1], topM],
        ]),
        { kind: 'object', id: chimney.id },
      )
    })
  }
  for (const { tree, center, radiusM, halfHeightM } of scene.trees)
    offer(rayEllipsoid(ray, center, radiusM, halfHeightM), { kind: 'object', id: tree.id })
  const ground = rayLevel(ray, 0)
  const groundT = ground ? (ground[2] - ray.origin[2]) / ray.direction[2] : Infinity
  if (!found || groundT < nearest - 1e-9) return null
  return { ...(found as HitBody), point: along(ray, nearest) }
}
