import { localOf, type LatLon } from '@/core/geometry/geo'
import { type Vec2 } from '@/core/geometry/vector'
import { utmAt } from '@/core/heights/projection'
import { cellAt, type HeightGrid } from '@/core/heights/raster'
import { gaussian, seededRandom } from '@/core/model/random'
import { heightScene } from '../height-scene'
import { type Lot } from '../lot'

/** How a house is flown over. */
export interface Flight {
  /** Side of a cell, m. */
  readonly cellM: number
  /** Standard deviation of a height, m. */
  readonly noiseM: number
  readonly seed: number
  /** From the place to the side of the raster, m. */
  readonly reachM?: number
}

/** What is flown over: lots around a place, in a frame of metres east and north of an origin. */
export interface Ground {
  readonly origin: LatLon
  readonly around: LatLon
  readonly lots: readonly Lot[]
  readonly groundAt: (p: Vec2) => number
}

/** Heights as the flight measured them, on the grid of the place's UTM zone. */
export interface Surveyed {
  readonly grid: HeightGrid
  /** EPSG number of the grid's system, and its north-west corner there. */
  readonly code: number
  readonly corner: Vec2
}

const usualReachM = 30
/** Share of the cells of a crown that the beam goes into, and how deep at most, m. */
const [intoLeaves, intoLeavesM] = [0.25, 0.7]
/** Share of cells that are missing one by one, and holes of several cells. */
const [missing, holes, holeM] = [0.004, 3, 0.8]

/** What an aeroplane with a laser makes of a house: cells on the projected grid, scatter, leaves, gaps. */
export function surveyed(
  { origin, around, lots, groundAt }: Ground,
  { cellM, noiseM, seed, reachM = usualReachM }: Flight,
): Surveyed {
  const { code, projection } = utmAt(around)
  const random = seededRandom(seed)
  const normal = gaussian(random)
  const middle = projection.fromDegrees([around.longitudeDeg, around.latitudeDeg])
  const corner: Vec2 = [
    Math.floor((middle[0] - reachM) / cellM) * cellM,
    Math.ceil((middle[1] + reachM) / cellM) * cellM,
  ]
  const count = Math.round((2 * reachM) / cellM)
  const placeOfCell = (column: number, row: number): Vec2 => {
    const [longitudeDeg, latitudeDeg] = projection.toDegrees([
      corner[0] + (column + 0.5) * cellM,
      corner[1] - (row + 0.5) * cellM,
    ])
    return localOf(origin, { longitudeDeg, latitudeDeg })
  }
  const first = placeOfCell(0, 0)
  const step = (to: Vec2): Vec2 => [(to[0] - first[0]) / (count - 1), (to[1] - first[1]) / (count - 1)]
  const grid: HeightGrid = {
    columns: count,
    rows: count,
    heights: new Float32Array(count * count),
    first,
    across: step(placeOfCell(count - 1, 0)),
    down: step(placeOfCell(0, count - 1)),
  }
  const scene = heightScene(lots, groundAt)
  const bare = heightScene(
    lots.map((one) => ({ ...one, trees: [] })),
    groundAt,
  )
  for (let row = 0; row < count; row++)
    for (let column = 0; column < count; column++) {
      const p = cellAt(grid, column, row)
      const top = scene.topAt(p)
      const isLeaves = top > bare.topAt(p) + 0.1
      const into = isLeaves && random() < intoLeaves ? intoLeavesM * random() : 0
      grid.heights[row * count + column] = random() < missing ? NaN : top - into + noiseM * normal()
    }
  for (let k = 0; k < holes; k++) punch(grid, [random() * count, random() * count], holeM / cellM)
  return { grid, code, corner }
}

function punch({ columns, rows, heights }: HeightGrid, [column, row]: Vec2, reach: number): void {
  for (let r = Math.max(0, Math.floor(row - reach)); r < Math.min(rows, row + reach); r++)
    for (let c = Math.max(0, Math.floor(column - reach)); c < Math.min(columns, column + reach); c++)
      if (Math.hypot(r - row, c - column) < reach) heights[r * columns + c] = NaN
}
