import { placeOf, type LatLon } from '../geometry/geo'
import { sub2, type Vec2 } from '../geometry/vector'
import { coversAll, heightsAround, type Frame, type HeightFile } from '../heights/geotiff'
import { ringsInText } from '../imports/geojson-outlines'
import { Fault } from '../model/fault'
import { buildingsAt, searchedM } from './find-outline'
import { fitHouse, type FittedHouse } from './fit'
import { degreesFrame, ownFrame, placedOn, systemAt } from './place'
import { boxOf } from './rings'

/** How far around the outline heights are read, for the ground and for what shades the roof, m. */
const aroundM = 25

/**
 * The house inside the first outline of a GeoJSON text, read from a raster.
 * @param outline the text, and what its file is called
 * @returns metres east and north of the outline's first point
 * @throws Fault of the readers, of `placedOn` and of `fitHouse`
 */
export async function fitFromFiles(
  heights: HeightFile,
  outline: { readonly text: string; readonly file: string },
): Promise<FittedHouse & { readonly assumedEpsg: number | null }> {
  const [polygon] = ringsInText(outline.text, outline.file)
  const ring = polygon?.[0]
  if (!ring) throw new Fault('no-outlines', { file: outline.file, why: 'empty' }, outline.file)
  const placed = placedOn(heights, ring, outline.file)
  const { low, high } = boxOf(placed.outline, aroundM)
  const grid = await heightsAround(heights, placed.frame, low, high)
  return { ...fitHouse(grid, placed.outline), assumedEpsg: placed.assumedEpsg }
}

/**
 * The house at a place of which no outline is known, read from a raster.
 * @param place where it stands; the middle of the raster where it is left out
 * @returns metres east and north of the first corner of the outline that was found; the place of that corner on the earth,
 *   null where the raster does not say
 * @throws Fault of the readers, of `buildingsAt` and of `fitHouse`, `heights-elsewhere`, `no-projection`
 */
export async function fitAtPlace(
  heights: HeightFile,
  place: LatLon | null,
): Promise<FittedHouse & { readonly assumedEpsg: number | null; readonly firstCorner: LatLon | null }> {
  const { frame, at, assumedEpsg } = frameAt(heights, place)
  const reachM = searchedM + aroundM
  const grid = await heightsAround(heights, frame, [-reachM, -reachM], [reachM, reachM])
  const { house: outline } = buildingsAt(grid, [0, 0])
  const [first = [0, 0]] = outline
  const moved = { ...grid, first: sub2(grid.first, first) }
  return {
    ...fitHouse(
      moved,
      outline.map((p) => sub2(p, first)),
    ),
    assumedEpsg,
    firstCorner: at && placeOf(at, first),
  }
}

interface FrameAt {
  readonly frame: Frame
  readonly at: LatLon | null
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
    return { frame, at: place, assumedEpsg }
  }
  const middle: Vec2 = heights.at((heights.columns - 1) / 2, (heights.rows - 1) / 2)
  if (!heights.projection) return { frame: ownFrame(heights, middle).frame, at: null, assumedEpsg: null }
  const [longitudeDeg, latitudeDeg] = heights.projection.toDegrees(middle)
  return frameAt(heights, { latitudeDeg, longitudeDeg })
}
