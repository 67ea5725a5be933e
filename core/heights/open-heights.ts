import { fromArrayBuffer } from 'geotiff'
import { Fault } from '../model/fault'
import { heightFile, heightsOf, mostCellsRead, type HeightFile } from './geotiff'
import { degreesOnEarth, projectionOfEpsg } from './projection'
import { heightsInText, type TextGrid } from './text-grid'

/** What is known of a file of heights beside what stands in it. */
export interface HeightHints {
  /** Metres of one unit of height, instead of what the file says. */
  readonly heightUnitM?: number | undefined
  /** The reference system that its coordinates are in, by its EPSG number, where the file does not say. */
  readonly epsg?: number | undefined
}

/** Whether bytes begin as those of a TIFF, large ones too. */
function isTiff(bytes: Uint8Array): boolean {
  const [a, b, c, d] = bytes
  return (
    (a === 0x49 && b === 0x49 && (c === 42 || c === 43) && d === 0) || (a === 0x4d && b === 0x4d && c === 0)
  )
}

/**
 * A file of heights: a GeoTIFF, an ASCII grid, or a table of points on a grid.
 * @throws Fault `bad-raster`, `text-heights`, and those of `heightFile`
 */
export async function openHeights(
  content: ArrayBuffer,
  name: string,
  { heightUnitM, epsg }: HeightHints = {},
): Promise<HeightFile> {
  const given = epsg === undefined ? null : projectionOfEpsg(epsg, name)
  if (!isTiff(new Uint8Array(content, 0, Math.min(4, content.byteLength)))) {
    const grid = heightsInText(new TextDecoder('utf-8').decode(content), name)
    if (!grid) throw new Fault('bad-raster', { file: name }, name)
    return textFile(grid, name, given, heightUnitM)
  }
  const tiff = await fromArrayBuffer(content).catch(() => {
    throw new Fault('bad-raster', { file: name }, name)
  })
  const file = await heightFile(tiff, name, heightUnitM)
  return file.projection || !given ? file : { ...file, projection: given }
}

/** Cells of a grid in degrees are smaller than any in metres. */
const largestDegrees = 0.001

function textFile(
  { columns, rows, heights, first, side }: TextGrid,
  name: string,
  given: HeightFile['projection'],
  heightUnitM: number | undefined,
): HeightFile {
  const inDegrees =
    side[0] < largestDegrees &&
    side[1] < largestDegrees &&
    Math.abs(first[0]) <= 180 &&
    Math.abs(first[1]) <= 90
  const projection = given ?? (inDegrees ? degreesOnEarth : null)
  const unitM = heightUnitM ?? projection?.unitM ?? 1
  return {
    name,
    columns,
    rows,
    projection,
    heightUnitM: unitM,
    at: (column, row) => [first[0] + column * side[0], first[1] - row * side[1]],
    read: async (left, top, width, height) => {
      if (width * height > mostCellsRead)
        throw new Fault('raster-too-fine', { file: name, cells: width * height, limit: mostCellsRead }, name)
      const window = new Float32Array(width * height)
      for (let row = 0; row < height; row++) {
        const from = (top + row) * columns + left
        window.set(heights.subarray(from, from + width), row * width)
      }
      return heightsOf(window, unitM, null)
    },
  }
}
