import { toDegrees, toRadians } from '../model/units'
import { type Vec2 } from './vector'

/** A place on the earth, WGS 84 degrees. */
export interface LatLon {
  readonly latitudeDeg: number
  readonly longitudeDeg: number
}

/** Metres for a degree of latitude and of longitude on the WGS 84 ellipsoid (series to 1 cm for a degree). */
function metresPerDegree(latitudeDeg: number): { north: number; east: number } {
  const p = toRadians(latitudeDeg)
  return {
    north: 111132.92 - 559.82 * Math.cos(2 * p) + 1.175 * Math.cos(4 * p) - 0.0023 * Math.cos(6 * p),
    east: 111412.84 * Math.cos(p) - 93.5 * Math.cos(3 * p) + 0.118 * Math.cos(5 * p),
  }
}

/** Metres east and north of an origin; good to a centimetre within a kilometre. */
export function localOf(origin: LatLon, place: LatLon): Vec2 {
  const k = metresPerDegree(origin.latitudeDeg)
  return [
    (place.longitudeDeg - origin.longitudeDeg) * k.east,
    (place.latitudeDeg - origin.latitudeDeg) * k.north,
  ]
}

/** The other way round. */
export function placeOf(origin: LatLon, [east, north]: Vec2): LatLon {
  const k = metresPerDegree(origin.latitudeDeg)
  return {
    latitudeDeg: origin.latitudeDeg + north / k.north,
    longitudeDeg: origin.longitudeDeg + east / k.east,
  }
}

/** A tile of the XYZ scheme (web Mercator, EPSG:3857; y from the north). */
export interface Tile {
  readonly z: number
  readonly x: number
  readonly y: number
}

export function tileAt(place: LatLon, z: number): Tile {
  const n = 2 ** z
  const p = toRadians(place.latitudeDeg)
  return {
    z,
    x: Math.floor(((place.longitudeDeg + 180) / 360) * n),
    y: Math.floor(((1 - Math.log(Math.tan(p) + 1 / Math.cos(p)) / Math.PI) / 2) * n),
  }
}

/** Its north-west corner; that of tile x + 1, y + 1 is the south-east one. */
export function tileCorner({ z, x, y }: Tile): LatLon {
  const n = 2 ** z
  return {
    longitudeDeg: (x / n) * 360 - 180,
    latitudeDeg: toDegrees(Math.atan(Math.sinh(Math.PI * (1 - (2 * y) / n)))),
  }
}
