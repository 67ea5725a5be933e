import proj4 from 'proj4'
import { type LatLon } from '../geometry/geo'
import { type Vec2 } from '../geometry/vector'
import { Fault } from '../model/fault'

/** From the coordinates of a reference system to WGS 84 degrees (longitude, latitude), and back. */
export interface Projection {
  readonly toDegrees: (p: Vec2) => Vec2
  readonly fromDegrees: (p: Vec2) => Vec2
  /** One unit of its coordinates, m; null where they are degrees. */
  readonly unitM: number | null
}

/** Geographic systems whose degrees lie within two metres of those of WGS 84. */
const geographic = new Set([4326, 4979, 4258, 4269, 6318, 4283, 7844, 4674])

const metresOf: Readonly<Record<number, number>> = { 9001: 1, 9002: 0.3048, 9003: 1200 / 3937 }

/** Metres of a unit of length by its EPSG number. */
export const unitOfEpsg = (code: number): number | null => metresOf[code] ?? null

const transverse = (zone: number, south: boolean, ellipsoid: string) =>
  `+proj=utm +zone=${zone} ${south ? '+south ' : ''}+ellps=${ellipsoid} +units=m +no_defs`

/** Families of UTM zones: the numbers between which they lie, and which of them is zone 0. */
const zones: readonly { first: number; last: number; south: boolean; ellipsoid: string; zone0: number }[] = [
  { first: 32601, last: 32660, south: false, ellipsoid: 'WGS84', zone0: 32600 },
  { first: 32701, last: 32760, south: true, ellipsoid: 'WGS84', zone0: 32700 },
  { first: 25828, last: 25838, south: false, ellipsoid: 'GRS80', zone0: 25800 },
  { first: 26901, last: 26923, south: false, ellipsoid: 'GRS80', zone0: 26900 },
  { first: 28348, last: 28358, south: true, ellipsoid: 'GRS80', zone0: 28300 },
  { first: 7846, last: 7859, south: true, ellipsoid: 'GRS80', zone0: 7800 },
  { first: 6330, last: 6348, south: false, ellipsoid: 'GRS80', zone0: 6329 },
  { first: 31965, last: 31976, south: false, ellipsoid: 'GRS80', zone0: 31954 },
  { first: 31977, last: 31985, south: true, ellipsoid: 'GRS80', zone0: 31960 },
]

/** How proj4 writes a system by its EPSG number; null where it is none that is known here. */
function writtenAs(code: number): string | null {
  if (code === 3857 || code === 900913) return 'EPSG:3857'
  const family = zones.find(({ first, last }) => code >= first && code <= last)
  return family ? transverse(code - family.zone0, family.south, family.ellipsoid) : null
}

/** The keys of a GeoTIFF that say which reference system its coordinates are in. */
export type GeoKeys = Readonly<Record<string, unknown>>

const numberOf = (keys: GeoKeys, name: string): number | null => {
  const value = keys[name]
  return typeof value === 'number' && Number.isFinite(value) ? value : null
}

const userDefined = 32767

/** Parameters of a projection that a file describes itself: transverse Mercator, Lambert conformal, Albers. */
function described(keys: GeoKeys, unitM: number): string | null {
  const kind = numberOf(keys, 'ProjCoordTransGeoKey')
  const first = (...names: string[]) =>
    names.map((name) => numberOf(keys, name)).find((value) => value !== null) ?? 0
  const lat0 = first('ProjNatOriginLatGeoKey', 'ProjFalseOriginLatGeoKey', 'ProjCenterLatGeoKey')
  const lon0 = first('ProjNatOriginLongGeoKey', 'ProjFalseOriginLongGeoKey', 'ProjCenterLongGeoKey')
  const east = first('ProjFalseEastingGeoKey', 'ProjFalseOriginEastingGeoKey') * unitM
  const north = first('ProjFalseNorthingGeoKey', 'ProjFalseOriginNorthingGeoKey') * unitM
  const scale = numberOf(keys, 'ProjScaleAtNatOriginGeoKey') ?? 1
  const parallels = `+lat_1=${first('ProjStdParallel1GeoKey')} +lat_2=${first('ProjStdParallel2GeoKey')}`
  const origin = `+lat_0=${lat0} +lon_0=${lon0} +x_0=${east} +y_0=${north} +ellps=GRS80 +units=m +no_defs`
  if (kind === 1) return `+proj=tmerc +k=${scale} ${origin}`
  if (kind === 8) return `+proj=lcc ${parallels} ${origin}`
  if (kind === 9) return `+proj=lcc +lat_1=${lat0} +k_0=${scale} ${origin}`
  if (kind === 11) return `+proj=aea ${parallels} ${origin}`
  return null
}

const ours = (written: string, unitM: number): Projection => {
  const through = proj4(written, 'EPSG:4326')
  const scaled = (p: Vec2, by: number): [number, number] => [p[0] * by, p[1] * by]
  const pair = (p: readonly number[]): Vec2 => [p[0] ?? NaN, p[1] ?? NaN]
  return {
    toDegrees: (p) => pair(through.forward(scaled(p, unitM))),
    fromDegrees: (p) => {
      const [x, y] = pair(through.inverse([p[0], p[1]]))
      return [x / unitM, y / unitM]
    },
    unitM,
  }
}

/** Longitude and latitude themselves. */
export const degreesOnEarth: Projection = { toDegrees: (p) => p, fromDegrees: (p) => p, unitM: null }

/**
 * The reference system of a GeoTIFF by its keys: geographic, UTM on the usual datums, web Mercator, or one whose
 * parameters stand in the file. Datums are taken for WGS 84: at most two metres beside it, the same for everything in the file.
 * @returns null where the file names none
 * @throws Fault `unknown-projection`
 */
export function projectionOf(keys: GeoKeys, file: string): Projection | null {
  const model = numberOf(keys, 'GTModelTypeGeoKey')
  const projected = numberOf(keys, 'ProjectedCSTypeGeoKey')
  const geographicCode = numberOf(keys, 'GeographicTypeGeoKey')
  if (projected !== null && model !== 2) {
    const written = writtenAs(projected)
    if (written) return ours(written, 1)
    const unitM = unitOfEpsg(numberOf(keys, 'ProjLinearUnitsGeoKey') ?? 9001) ?? 1
    const own = projected === userDefined ? described(keys, unitM) : null
    if (own) return ours(own, unitM)
    throw new Fault('unknown-projection', { code: projected, file }, file)
  }
  if (model === 2 || geographicCode !== null) {
    if (geographicCode === null || geographicCode === userDefined || geographic.has(geographicCode))
      return degreesOnEarth
    throw new Fault('unknown-projection', { code: geographicCode, file }, file)
  }
  return null
}

/** A reference system by its EPSG number. @throws Fault `unknown-projection` */
export function projectionOfEpsg(code: number, file: string): Projection {
  if (geographic.has(code)) return degreesOnEarth
  const written = writtenAs(code)
  if (!written) throw new Fault('unknown-projection', { code, file }, file)
  return ours(written, 1)
}

/** The UTM zone of a place on WGS 84, by its EPSG number. */
export function utmAt({ latitudeDeg, longitudeDeg }: LatLon): {
  readonly code: number
  readonly projection: Projection
} {
  const zone = Math.min(60, Math.floor((longitudeDeg + 180) / 6) + 1)
  const code = (latitudeDeg < 0 ? 32700 : 32600) + zone
  return { code, projection: ours(transverse(zone, latitudeDeg < 0, 'WGS84'), 1) }
}
