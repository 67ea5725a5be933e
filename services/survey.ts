import { type LatLon } from '@/core/geometry/geo'
import { containsPoint } from '@/core/geometry/polygon'
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

/**
 * The lot that a site's middle lies on, by the survey of the place, in the site's metres; null where the survey has none.
 * @throws Fault
 */
export async function lotAround(
  ask: Ask,
  place: LatLon,
  signal?: AbortSignal,
): Promise<readonly Vec2[] | null> {
  const text = await textFrom(ask, `lots?${at(place)}`, signal)
  return foundIn(text, 'lots', place).find((outline) => containsPoint(outline, [0, 0])) ?? null
}

/** Outlines of the buildings around in the metres of a site; none where the survey has none there. */
export async function buildingsAround(
  ask: Ask,
  place: LatLon,
  signal?: AbortSignal,
): Promise<readonly (readonly Vec2[])[]> {
  return foundIn(await outlinesAt(ask, place, signal), 'outlines', place)
}

function foundIn(text: string, file: string, place: LatLon): readonly (readonly Vec2[])[] {
  try {
    return outlinesIn(text, file, place).found.map(({ outline }) => outline)
  } catch (error) {
    if (error instanceof Fault && error.code === 'no-outlines') return []
    throw error
  }
}
