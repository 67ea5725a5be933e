import { type Objects } from '@/core/kinds/documents'
import { planeKey } from '@/core/kinds/volume/plane-names'
import { type RoofPlane } from '@/core/roof/plane'
import { isRoofed, type Site } from '@/core/site/site'
import { planeNames } from '@/words/plane-names'
import { type Sayer } from '@/words/sayer'

/** A plane of a roof, and what it is called. */
export interface NamedPlane {
  /** Of the object whose roof it is, a slash, and of the plane. */
  readonly id: string
  readonly ownerId: string
  readonly plane: RoofPlane
  readonly name: string
}

/** The planes of the customer's roofs as they are seen, largest first, each by its name. */
export function namedPlanes(site: Site, house: Objects, sayer: Sayer): readonly NamedPlane[] {
  const roofs = site.objects.filter(isRoofed)
  const planes = roofs
    .flatMap(({ id: ownerId, geometry }) =>
      geometry.faces.map((plane) => ({ id: `${ownerId}/${plane.id}`, ownerId, plane })),
    )
    .sort((a, b) => b.plane.areaM2 - a.plane.areaM2)
  const given = (ownerId: string, plane: RoofPlane) => {
    const owner = house[ownerId]
    return (owner?.kind === 'volume' && owner.planeNames?.[planeKey(plane)]) || null
  }
  const names = planeNames(
    planes.map(({ id, ownerId, plane }) => ({
      key: id,
      plane,
      given: given(ownerId, plane),
      of: roofs.length > 1 ? sayer.name(ownerId) : null,
    })),
    sayer.words,
  )
  return planes.map((plane) => ({ ...plane, name: names.get(plane.id) ?? plane.id }))
}
