import { placeOf } from '../geometry/geo'
import { signedArea } from '../geometry/polygon'
import { type Vec3 } from '../geometry/vector'
import { planOf, type RoofPlane } from '../roof/plane'
import { type StandingObject } from '../site/site'
import { type Drawn } from './drawn'

type Position = [longitude: number, latitude: number, altitudeM: number]

interface Feature {
  readonly type: 'Feature'
  readonly id: string
  readonly properties: Readonly<Record<string, string | number>>
  readonly geometry:
    | { readonly type: 'Polygon'; readonly coordinates: readonly (readonly Position[])[] }
    | { readonly type: 'Point'; readonly coordinates: Position }
}

export interface FeatureCollection {
  readonly type: 'FeatureCollection'
  readonly features: readonly Feature[]
}

/** A hundred-millionth of a degree is a millimetre. */
const rounded = (value: number, digits: number) => Number(value.toFixed(digits))

/**
 * The job as GeoJSON (RFC 7946): roof planes, what stands on and around them, trees and modules, WGS 84 longitude and
 * latitude, metres over the sea.
 */
export function geoJsonOf({ site, place, nameOf }: Drawn): FeatureCollection {
  const at = ([x, y, z]: Vec3): Position => {
    const { longitudeDeg, latitudeDeg } = placeOf(place, [x, y])
    return [rounded(longitudeDeg, 8), rounded(latitudeDeg, 8), rounded(place.elevationM + z, 3)]
  }
  // Exterior rings run counter-clockwise, those of openings clockwise; all end where they begin.
  const ringOf = (corners: readonly Vec3[], turn: 1 | -1): Position[] => {
    const ring = turn * signedArea(planOf(corners)) < 0 ? [...corners].reverse() : corners
    return (ring[0] ? [...ring, ring[0]] : []).map(at)
  }
  const polygon = (
    corners: readonly Vec3[],
    holes: readonly (readonly Vec3[])[] = [],
  ): Feature['geometry'] => ({
    type: 'Polygon',
    coordinates: [ringOf(corners, 1), ...holes.map((hole) => ringOf(hole, -1))],
  })
  const planes = site.objects.flatMap(({ id, geometry }) =>
    geometry.faces.map((plane): Feature => ({
      type: 'Feature',
      id: `${id}/${plane.id}`,
      properties: {
        sort: geometry.faded ? 'neighbour plane' : 'roof plane',
        of: nameOf(id),
        ...figuresOf(plane),
      },
      geometry: polygon(plane.corners, plane.holes),
    })),
  )
  const things = site.objects.flatMap((object): Feature[] => {
    const { id, kind, geometry } = object
    const properties = { sort: kind, name: nameOf(id), topM: rounded(geometry.topM, 3) }
    return footprintsOf(object).map((corners, i) => ({
      type: 'Feature',
      id: i === 0 ? id : `${id}/${i}`,
      properties,
      geometry: polygon(corners),
    }))
  })
  const trees = site.objects.flatMap(({ id, geometry }) =>
    geometry.crowns.map(({ center, crownRadiusM, halfHeightM }, i): Feature => ({
      type: 'Feature',
      id: i === 0 ? id : `${id}/${i}`,
      properties: {
        sort: 'tree',
        name: nameOf(id),
        heightM: rounded(center[2] + halfHeightM, 3),
        crownDiameterM: rounded(2 * crownRadiusM, 3),
      },
      geometry: { type: 'Point', coordinates: at([center[0], center[1], 0]) },
    })),
  )
  const modules = site.faces.flatMap(({ id, panels, plane }) =>
    panels.map((panel): Feature => ({
      type: 'Feature',
      id: panel.id,
      properties: {
        sort: 'module',
        array: id,
        pitchDeg: rounded(plane.pitchDeg, 3),
        azimuthDeg: rounded(plane.azimuthDeg, 3),
      },
      geometry: polygon(panel.corners),
    })),
  )
  return { type: 'FeatureCollection', features: [...planes, ...things, ...trees, ...modules] }
}

const figuresOf = ({ pitchDeg, azimuthDeg, areaM2 }: RoofPlane) => ({
  pitchDeg: rounded(pitchDeg, 3),
  azimuthDeg: rounded(azimuthDeg, 3),
  areaM2: rounded(areaM2, 3),
})

/** Outlines in plan of what has neither planes nor a crown: chimneys, fences, skylights. */
const footprintsOf = ({ geometry: { faces, crowns, plan } }: StandingObject): Vec3[][] =>
  faces.length > 0 || crowns.length > 0
    ? []
    : plan.filter(({ tone }) => tone !== 'panel').map(({ points }) => points.map(([x, y]): Vec3 => [x, y, 0]))
