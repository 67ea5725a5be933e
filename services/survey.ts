import { type LatLon } from '@/core/geometry/geo'
import { bytesFrom, textFrom, type Ask } from './ask'

const at = ({ latitudeDeg, longitudeDeg }: LatLon) => `lat=${latitudeDeg}&lon=${longitudeDeg}`

/** Heights around a place, a GeoTIFF. */
export const heightsAt = (ask: Ask, place: LatLon, signal?: AbortSignal): Promise<ArrayBuffer> =>
  bytesFrom(ask, `heights?${at(place)}`, signal)

/** Outlines of the buildings around a place, a GeoJSON text. */
export const outlinesAt = (ask: Ask, place: LatLon, signal?: AbortSignal): Promise<string> =>
  textFrom(ask, `outlines?${at(place)}`, signal)
