import { type LatLon } from '@/core/geometry/geo'
import { type Vec2 } from '@/core/geometry/vector'
import { outlinesIn } from '@/core/imports/geojson-outlines'
import { Fault } from '@/core/model/fault'
import { bytesFrom, textFrom, type Ask } from './ask'

const at = ({ latitudeDeg, longitudeDeg }: LatLon) => `lat=${latitudeDeg}&lon=${longitudeDeg}`

/** Heights around a place, a GeoTIFF. */
export const heightsAt = (ask: Ask, place: LatLon, signal?: AbortSignal): Promise<ArrayBuffer> =>
  bytesFrom(ask, `heights?${at(place)}`, signal)

/** Outlines of the buildings around a place, a GeoJSON text. */
export const outlinesAt = (ask: Ask, place: LatLon, signal?: AbortSignal): Promise<string> =>
  textFrom(ask, `outlines?${at(place)}`, signal)

/** The same in the metres of a site; none where the survey has none there. */
export async function buildingsAround(
  ask: Ask,
  place: LatLon,
  signal?: AbortSignal,
): Promise<readonly (readonly Vec2[])[]> {
  const text = await outlinesAt(ask, place, signal)
  try {
    return outlinesIn(text, 'outlines', place).found.map(({ outline }) => outline)
  } catch (error) {
    if (error instanceof Fault && error.code === 'no-outlines') return []
    throw error
  }
}
