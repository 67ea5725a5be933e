import { localOf, placeOf, type LatLon } from '../geometry/geo'
import { signedArea } from '../geometry/polygon'
import { distance2, type Vec2 } from '../geometry/vector'
import { coversAll, type Frame, type HeightFile } from '../heights/geotiff'
import { utmAt, type Projection } from '../heights/projection'
import { Fault } from '../model/fault'

/** An outline in metres east and north of its first point, and how that frame lies in the raster's coordinates. */
export interface Placed {
  readonly outline: readonly Vec2[]
  readonly frame: Frame
  /** The system that the raster was taken to be in, by its EPSG number; null where it says so itself. */
  readonly assumedEpsg: number | null
}

/** Corners nearer to each other than this are one, m. */
const sameCornerM = 0.02

/**
 * An outline as a file gives it, placed on a height raster: in longitude and latitude (RFC 7946), or in the raster's own
 * coordinates. Of these a point is as far east and north as the grid says; of those, as the earth does.
 * @param ring corners in the file's coordinates, the first of them the origin
 * @throws Fault `no-outlines`, `no-projection`, `heights-elsewhere`, `heights-cut-outline`
 */
export function placedOn(
  file: HeightFile,
  ring: readonly (readonly number[])[],
  outlineFile: string,
): Placed {
  const corners = ring.map(([x = NaN, y = NaN]): Vec2 => [x, y])
  const [first] = corners
  if (!first || corners.some(([x, y]) => !Number.isFinite(x) || !Number.isFinite(y)))
    throw new Fault('no-outlines', { file: outlineFile, why: 'corners' }, outlineFile)
  const inDegrees = corners.every(([x, y]) => Math.abs(x) <= 180 && Math.abs(y) <= 90)
  const system = inDegrees ? systemAt(file, latLon(first)) : null
  const frames = [
    ...(system
      ? [
          {
            frame: degreesFrame(system.projection, latLon(first)),
            toLocal: (p: Vec2) => localOf(latLon(first), latLon(p)),
          },
        ]
      : []),
    // The raster's own coordinates are metres of its grid, where they are no degrees.
    ...(file.projection?.unitM === null ? [] : [ownFrame(file, first)]),
  ]
  let touching = false
  for (const { frame, toLocal } of frames) {
    const outline = cleaned(corners.map(toLocal))
    const onRaster = outline.map(frame.coordinates)
    if (coversAll(file, onRaster)) {
      if (outline.length < 3)
        throw new Fault('no-outlines', { file: outlineFile, why: 'corners' }, outlineFile)
      return {
        outline,
        frame,
        assumedEpsg: frame === frames[0]?.frame ? (system?.assumedEpsg ?? null) : null,
      }
    }
    touching ||= onRaster.some((p) => coversAll(file, [p]))
  }
  if (touching) throw new Fault('heights-cut-outline', { file: file.name }, file.name)
  if (inDegrees && !file.projection) throw new Fault('no-projection', { file: file.name }, file.name)
  throw new Fault('heights-elsewhere', { file: file.name }, file.name)
}

/** The reference system of a file; where it names none, that of the UTM zone of a place, with its EPSG number. */
export function systemAt(
  { projection }: HeightFile,
  place: LatLon,
): { readonly projection: Projection; readonly assumedEpsg: number | null } {
  if (projection) return { projection, assumedEpsg: null }
  const zone = utmAt(place)
  return { projection: zone.projection, assumedEpsg: zone.code }
}

interface Framed {
  readonly frame: Frame
  /** From the outline's coordinates. */
  readonly toLocal: (p: Vec2) => Vec2
}

/** Metres east and north of a place on the earth, on the raster. */
export const degreesFrame = (projection: Projection, origin: LatLon): Frame => ({
  local: (p) => localOf(origin, latLon(projection.toDegrees(p))),
  coordinates: (p) => {
    const place = placeOf(origin, p)
    return projection.fromDegrees([place.longitudeDeg, place.latitudeDeg])
  },
})

const latLon = ([longitudeDeg, latitudeDeg]: Vec2): LatLon => ({ longitudeDeg, latitudeDeg })

/** Metres east and north of a point of a raster that is given in its own coordinates. */
export function ownFrame({ projection }: Pick<HeightFile, 'projection'>, first: Vec2): Framed {
  const unitM = projection?.unitM ?? 1
  const toLocal = (p: Vec2): Vec2 => [(p[0] - first[0]) * unitM, (p[1] - first[1]) * unitM]
  return {
    toLocal,
    frame: { local: toLocal, coordinates: (p) => [p[0] / unitM + first[0], p[1] / unitM + first[1]] },
  }
}

/** Without the corner that closes a ring and corners that are one; counter-clockwise, from the same first. */
function cleaned(corners: readonly Vec2[]): Vec2[] {
  const kept = corners.filter((p, i) => i === 0 || distance2(p, corners[i - 1] ?? p) > sameCornerM)
  const [first, last] = [kept[0], kept.at(-1)]
  if (kept.length > 1 && first && last && distance2(first, last) <= sameCornerM) kept.pop()
  return signedArea(kept) < 0 ? [...kept.slice(0, 1), ...kept.slice(1).reverse()] : kept
}
