import { heightsAround, type HeightFile } from '../heights/geotiff'
import { ringsInText } from '../imports/geojson-outlines'
import { Fault } from '../model/fault'
import { fitHouse, type FittedHouse } from './fit'
import { placedOn } from './place'
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
