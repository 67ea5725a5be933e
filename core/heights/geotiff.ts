import { type GeoTIFF, type GeoTIFFImage } from 'geotiff'
import { Fault } from '../model/fault'
import { type Vec2 } from '../geometry/vector'
import { projectionOf, unitOfEpsg, type GeoKeys, type Projection } from './projection'
import { type HeightGrid } from './raster'

/** A height raster as its file describes it; its cells are read where they are wanted. */
export interface HeightFile {
  readonly name: string
  readonly columns: number
  readonly rows: number
  /** Null where the file names no reference system: its coordinates are metres of some grid. */
  readonly projection: Projection | null
  /** Metres of one unit of height. */
  readonly heightUnitM: number
  /** Coordinates of the middle of a cell. */
  readonly at: (column: number, row: number) => Vec2
  /** Cells, heights in metres, NaN where there is none. @throws Fault `bad-raster` */
  readonly read: (left: number, top: number, columns: number, rows: number) => Promise<Float32Array>
}

/** The most cells read at once: 140 m by 140 m at 5 cm. */
export const mostCellsRead = 8_000_000
/** Heights beyond these are no heights on earth but a mark for none, m. */
const [lowestM, highestM] = [-1_000, 10_000]

/** @throws Fault `picture-not-heights`, `bad-raster`, `unknown-projection` */
export async function heightFile(tiff: GeoTIFF, name: string, heightUnitM?: number): Promise<HeightFile> {
  const image = await tiff.getImage().catch(() => {
    throw new Fault('bad-raster', { file: name }, name)
  })
  if (image.getSamplesPerPixel() > 2 || image.getBitsPerSample() === 8)
    throw new Fault('picture-not-heights', { file: name }, name)
  const keys = (image.getGeoKeys() ?? {}) as GeoKeys
  const projection = projectionOf(keys, name)
  const noData = image.getGDALNoData()
  const unitM = heightUnitM ?? unitOfEpsg(Number(keys['VerticalUnitsGeoKey'])) ?? projection?.unitM ?? 1
  return {
    name,
    columns: image.getWidth(),
    rows: image.getHeight(),
    projection,
    heightUnitM: unitM,
    at: coordinatesOf(image, keys, name),
    read: async (left, top, columns, rows) => {
      if (columns * rows > mostCellsRead)
        throw new Fault('raster-too-fine', { file: name, cells: columns * rows, limit: mostCellsRead }, name)
      const values = await cells(image, [left, top, left + columns, top + rows], name)
      return heightsOf(values, unitM, noData)
    },
  }
}

/** Values of a file as heights in metres, NaN where they are none: as marked, or beyond what is on earth. */
export const heightsOf = (values: ArrayLike<number>, unitM: number, noData: number | null): Float32Array =>
  Float32Array.from(values, (value) => {
    const heightM = value * unitM
    const isNone = value === noData || !(heightM > lowestM && heightM < highestM)
    return isNone ? NaN : heightM
  })

async function cells(image: GeoTIFFImage, window: number[], file: string): Promise<ArrayLike<number>> {
  try {
    const read = await image.readRasters({ window, samples: [0], interleave: true })
    return read
  } catch {
    // Cut short, or packed in a way that nobody knows: what the library says of it is of no use to the reader.
    throw new Fault('bad-raster', { file }, file)
  }
}

/** Where the middles of cells lie, by the file's tie point and scale or by its transformation (GeoTIFF 1.1, requirement 7.). */
function coordinatesOf(image: GeoTIFFImage, keys: GeoKeys, file: string): HeightFile['at'] {
  const directory = image.fileDirectory
  const list = (
    tag: 'ModelTransformation' | 'ModelTiepoint' | 'ModelPixelScale',
  ): readonly number[] | null => {
    const value: unknown = directory.hasTag(tag) ? directory.getValue(tag) : null
    return value === null || value === undefined ? null : Array.from(value as ArrayLike<number>)
  }
  // A raster of areas is tied at the corner of its first cell, one of points at its middle.
  const half = keys['GTRasterTypeGeoKey'] === 2 ? 0 : 0.5
  const matrix = list('ModelTransformation')
  if (matrix && matrix.length >= 8) {
    const [a = 0, b = 0, , d = 0, e = 0, f = 0, , h = 0] = matrix
    return (column, row) => [
      a * (column + half) + b * (row + half) + d,
      e * (column + half) + f * (row + half) + h,
    ]
  }
  const [tie, scale] = [list('ModelTiepoint'), list('ModelPixelScale')]
  if (!tie || !scale) throw new Fault('no-position', { file }, file)
  const [i = 0, j = 0, , x = 0, y = 0] = tie
  const [sx = 0, sy = 0] = scale
  if (!(sx > 0 && sy > 0)) throw new Fault('no-position', { file }, file)
  return (column, row) => [x + (column + half - i) * sx, y - (row + half - j) * sy]
}

/** How local metres are found for the coordinates of a file: `metres` of a coordinate, `coordinates` of a local point. */
export interface Frame {
  readonly local: (coordinates: Vec2) => Vec2
  readonly coordinates: (local: Vec2) => Vec2
}

/**
 * The cells of a file around a box in local metres.
 * @throws Fault `heights-elsewhere`, `raster-too-fine`, `bad-raster`
 */
export async function heightsAround(
  file: HeightFile,
  frame: Frame,
  low: Vec2,
  high: Vec2,
): Promise<HeightGrid> {
  const cellOf = inverse(file)
  const corners = [low, [high[0], low[1]], high, [low[0], high[1]]].map((p) =>
    cellOf(frame.coordinates(p as Vec2)),
  )
  const [left, right] = reach(
    corners.map(([column]) => column),
    file.columns,
  )
  const [top, bottom] = reach(
    corners.map(([, row]) => row),
    file.rows,
  )
  const [columns, rows] = [right - left + 1, bottom - top + 1]
  if (!(columns > 1 && rows > 1)) throw new Fault('heights-elsewhere', { file: file.name }, file.name)
  const heights = await file.read(left, top, columns, rows)
  const place = (column: number, row: number) => frame.local(file.at(left + column, top + row))
  const [first, east, south] = [place(0, 0), place(columns - 1, 0), place(0, rows - 1)]
  const step = (to: Vec2, count: number): Vec2 => [
    (to[0] - first[0]) / (count - 1),
    (to[1] - first[1]) / (count - 1),
  ]
  return { columns, rows, heights, first, across: step(east, columns), down: step(south, rows) }
}

const reach = (values: readonly number[], count: number): Vec2 => [
  Math.max(0, Math.floor(Math.min(...values))),
  Math.min(count - 1, Math.ceil(Math.max(...values))),
]

/** Column and row of coordinates of the file. */
function inverse({ at }: HeightFile): (p: Vec2) => Vec2 {
  const [o, i, j] = [at(0, 0), at(1, 0), at(0, 1)]
  const [a, b, c, d] = [i[0] - o[0], j[0] - o[0], i[1] - o[1], j[1] - o[1]]
  const area = a * d - b * c
  return ([x, y]) => [(d * (x - o[0]) - b * (y - o[1])) / area, (a * (y - o[1]) - c * (x - o[0])) / area]
}

/** Whether coordinates lie on the file's cells. */
export function coversAll(file: HeightFile, points: readonly Vec2[]): boolean {
  const cellOf = inverse(file)
  return points.every((p) => {
    const [column, row] = cellOf(p)
    return column >= -0.5 && row >= -0.5 && column <= file.columns - 0.5 && row <= file.rows - 0.5
  })
}
