import { type Vec2 } from '../geometry/vector'
import { heightsAround, type Frame, type HeightFile } from '../heights/geotiff'
import { cellAt, type HeightGrid } from '../heights/raster'
import { Fault } from '../model/fault'
import { Sums, type Flat } from './flat'

/** A file of heights with the frame that it is read in. */
export interface FramedFile {
  readonly file: HeightFile
  readonly frame: Frame
}

/** Heights of what stands there, and of the bare ground where these are known. */
export interface Rasters {
  readonly surface: FramedFile
  readonly ground: FramedFile | null
}

/** Two rasters that are on the whole no farther apart are of the same thing, m. */
const leastApartM = 0.3

/**
 * Which of two files is of surfaces and which of bare ground: the one that is lower around a place.
 * @throws Fault `heights-alike`, `heights-elsewhere`, and of `heightsAround`
 */
export async function rastersOf(
  first: FramedFile,
  second: FramedFile | null,
  low: Vec2,
  high: Vec2,
): Promise<Rasters> {
  if (!second) return { surface: first, ground: null }
  const meanOf = async ({ file, frame }: FramedFile) => {
    const mean = meanHeight(await heightsAround(file, frame, low, high))
    if (Number.isNaN(mean)) throw new Fault('heights-elsewhere', { file: file.name }, file.name)
    return mean
  }
  const over = (await meanOf(first)) - (await meanOf(second))
  if (Math.abs(over) < leastApartM)
    throw new Fault(
      'heights-alike',
      { file: first.file.name, other: second.file.name, least: { value: leastApartM, unit: 'm' } },
      second.file.name,
    )
  return over > 0 ? { surface: first, ground: second } : { surface: second, ground: first }
}

/** NaN where nothing was measured. */
function meanHeight({ heights }: HeightGrid): number {
  let [sum, count] = [0, 0]
  for (const height of heights) if (!Number.isNaN(height)) [sum, count] = [sum + height, count + 1]
  return sum / count
}

/** Heights around a box, with the plane of the bare ground there where it is known. @throws Fault of `heightsAround` */
export async function readAround({ surface, ground }: Rasters, low: Vec2, high: Vec2): Promise<HeightGrid> {
  const grid = await heightsAround(surface.file, surface.frame, low, high)
  const flat = ground && planeOf(await heightsAround(ground.file, ground.frame, low, high))
  return flat ? { ...grid, ground: flat } : grid
}

/** The plane of least squares of all heights; null where too few are known. */
function planeOf(grid: HeightGrid): Flat | null {
  const sums = new Sums()
  for (let row = 0; row < grid.rows; row++)
    for (let column = 0; column < grid.columns; column++) {
      const height = grid.heights[row * grid.columns + column] ?? NaN
      if (!Number.isNaN(height)) sums.add(...cellAt(grid, column, row), height)
    }
  return sums.n < 3 ? null : sums.flat()
}
