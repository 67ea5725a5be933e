import { type Vec2, type Vec3 } from '../geometry/vector'
import { toDegrees } from '../model/units'
import { labelled } from '../roof/merged-labels'
import { planeHeightM, type RoofPlane } from '../roof/plane'
import { heightOn, type Flat } from './flat'
import { type Parcel } from './parcels'

/** Planes over parcels, with the kinds of their edges by what lies beyond. Ids "p1" and on, in the order of the parcels. */
export function planesOver(parcels: readonly Parcel[], flats: readonly Flat[]): RoofPlane[] {
  const faces = parcels.flatMap((parcel, i) => {
    const flat = flats[parcel.region]
    return flat
      ? [{ plane: planeOver(parcel, flat, i), volume: i, id: `p${i + 1}`, rings: parcel.rings }]
      : []
  })
  return labelled(faces).map(({ plane, edges, edgeStarts }) => ({
    ...plane,
    corners: edgeStarts.map(([x, y]): Vec3 => [x, y, planeHeightM(plane, [x, y])]),
    edges,
  }))
}

function planeOver({ rings, areaM2 }: Parcel, flat: Flat, i: number): RoofPlane {
  const length = Math.hypot(flat.a, flat.b, 1)
  const steep = Math.hypot(flat.a, flat.b)
  const lifted = (ring: readonly Vec2[]) => ring.map(([x, y]): Vec3 => [x, y, heightOn(flat, x, y)])
  const [outer = [], ...holes] = rings
  return {
    id: `p${i + 1}`,
    edgeIndex: i,
    step: 0,
    corners: lifted(outer),
    edges: [],
    ...(holes.length > 0 ? { holes: holes.map(lifted) } : {}),
    pitchDeg: toDegrees(Math.atan(steep)),
    azimuthDeg: steep < 1e-9 ? 0 : (toDegrees(Math.atan2(-flat.a, -flat.b)) + 360) % 360,
    areaM2: areaM2 * length,
    normal: [-flat.a / length, -flat.b / length, 1 / length],
  }
}
