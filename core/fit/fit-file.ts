import { placeOf, type LatLon } from '../geometry/geo'
import { sub2, type Vec2 } from '../geometry/vector'
import { coversAll, type Frame, type HeightFile } from '../heights/geotiff'
import { type HeightGrid } from '../heights/raster'
import { ringsInText } from '../imports/geojson-outlines'
import { Fault } from '../model/fault'
import { rastersOf, readAround } from './bare-ground'
import { buildingsAt, searchedM } from './find-outline'
import { fitHouse, type FittedHouse } from './fit'
import { degreesFrame, ownFrame, placedOn, systemAt } from './place'
import { boxOf } from './rings'

/** How far around the outline heights are read, for the ground and for what shades the roof, m. */
const aroundM = 25

/**
 * The house inside the first outline of a GeoJSON text, read from a raster.
 * @param outline the text, and what its file is called
 * @param ground another raster, of the bare ground where the first is of surfaces or the other way round; null for none
 * @returns metres east and north of the outline's first point
 * @throws Fault of the readers, of `placedOn`, `rastersOf` and `fitHouse`
 */
export async function fitFromFiles(
  heights: HeightFile,
  outline: { readonly text: string; readonly file: string },
  ground: HeightFile | null = null,
): Promise<FittedHouse & { readonly assumedEpsg: number | null }> {
  const [polygon] = ringsInText(outline.text, outline.file)
  const ring = polygon?.[0]
  if (!ring) throw new Fault('no-outlines', { file: outline.file, why: 'empty' }, outline.file)
  const placed = placedOn(heights, ring, outline.file)
  const { low, high } = boxOf(placed.outline, aroundM)
  const beside = ground && { file: ground, ...placedOn(ground, ring, outline.file) }
  const rasters = await rastersOf({ file: heights, frame: placed.frame }, beside, low, high)
  const grid = await readAround(rasters, low, high)
  return {
    ...fitHouse(grid, placed.outline),
    assumedEpsg: placed.assumedEpsg ?? beside?.assumedEpsg ?? null,
  }
}

/**
 * The house at a place of which no outline is known, read from a raster.
 * @param place where it stands; the middle of the raster where it is left out
 * @param ground another raster, of the bare ground where the first is of surfaces or the other way round; null for none
 * @returns metres east and north of the first corner of the outline that was found; the place of that corner on the earth,
 *   null where the raster does not say
 * @throws Fault of the readers, of `rastersOf`, `buildingsAt` and `fitHouse`, `heights-elsewhere`, `no-projection`
 */
export async function fitAtPlace(
  heights: HeightFile,
  place: LatLon | null,
  ground: HeightFile | null = null,
): Promise<FittedHouse & { readonly assumedEpsg: number | null; readonly firstCorner: LatLon | null }> {
  const { frame, at, middle, assumedEpsg } = frameAt(heights, place)
  const reachM = searchedM + aroundM
  const [low, high]: [Vec2, Vec2] = [
    [-reachM, -reachM],
    [reachM, reachM],
  ]
  // Of a raster that does not say where it is another one is taken to be in the same coordinates.
  const beside = ground && {
    file: ground,
    ...(at ? frameAt(ground, at) : { frame: ownFrame(ground, middle).frame, assumedEpsg: null }),
  }
  const grid = await readAround(await rastersOf({ file: heights, frame }, beside, low, high), low, high)
  const { house: outline } = buildingsAt(grid, [0, 0])
  const [first = [0, 0]] = outline
  return {
    ...fitHouse(
      seenFrom(grid, first),
      outline.map((p) => sub2(p, first)),
    ),
    assumedEpsg: assumedEpsg ?? beside?.assumedEpsg ?? null,
    firstCorner: at && placeOf(at, first),
  }
}

/** The same heights, in metres east and north of another point. */
function seenFrom(grid: HeightGrid, origin: Vec2): HeightGrid {
  const { ground } = grid
  const shifted = ground && { ...ground, c: ground.c + ground.a * origin[0] + ground.b * origin[1] }
  return { ...grid, first: sub2(grid.first, origin), ...(shifted ? { ground: shifted } : {}) }
}

interface FrameAt {
  readonly frame: Frame
  readonly at: LatLon | null
  /** The same in the raster's coordinates. */
  readonly middle: Vec2
  readonly assumedEpsg: number | null
}

function frameAt(heights: HeightFile, place: LatLon | null): FrameAt {
  if (place) {
    const { projection, assumedEpsg } = systemAt(heights, place)
    const frame = degreesFrame(projection, place)
    if (!coversAll(heights, [frame.coordinates([0, 0])])) {
      const code = heights.projection ? 'heights-elsewhere' : 'no-projection'
      throw new Fault(code, { file: heights.name }, heights.name)
    }
    return { frame, at: place, middle: frame.coordinates([0, 0]), assumedEpsg }
  }
  const middle: Vec2 = heights.at((heights.columns - 1) / 2, (heights.rows - 1) / 2)
  if (!heights.projection)
    return { frame: ownFrame(heights, middle).frame, at: null, middle, assumedEpsg: null }
  const [longitudeDeg, latitudeDeg] = heights.projection.toDegrees(middle)
  return frameAt(heights, { latitudeDeg, longitudeDeg })
}
