import { type LatLon } from '../geometry/geo'
import { containsPoint } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { coversAll, heightsAround, type HeightFile } from '../heights/geotiff'
import { cellAt, type HeightGrid } from '../heights/raster'
import { Fault } from '../model/fault'
import { planeHeightM, planOf } from '../roof/plane'
import { fitHouse, type FittedHouse } from './fit'
import { degreesFrame, systemAt } from './place'
import { boxOf, holds } from './rings'
import { type FittedTree } from './trees'

/** A building's outline, metres east and north of the site. */
export interface OutlineToFit {
  readonly outline: readonly Vec2[]
}

/** What was read from heights around a site. */
export interface FoundAround {
  readonly house: FittedHouse
  /** Buildings around it whose roofs were found, and how many were not. */
  readonly neighbours: readonly FittedHouse[]
  readonly neighboursLeft: number
  /** East, north and how far the height is over the plane there, m; one after the other. */
  readonly residuals: Float32Array
  /** The system that the raster was taken to be in, by its EPSG number; null where it says so itself. */
  readonly assumedEpsg: number | null
}

/** How far around the house trees are looked for, and around a neighbour the ground, m. */
const [aroundHouseM, aroundNeighbourM] = [25, 4]
/** The most neighbours that are fitted: the nearest. */
const mostNeighbours = 8

/**
 * The house inside the first outline, the buildings inside the others, and trees.
 * @param tell hears the share of the work that is done, 0 to 1
 * @throws Fault of `heightsAround` and `fitHouse`, `heights-elsewhere`, `heights-cut-outline`
 */
export async function fitAround(
  file: HeightFile,
  site: LatLon,
  outlines: readonly OutlineToFit[],
  tell: (share: number) => void,
): Promise<FoundAround> {
  const [first, ...others] = outlines
  if (!first) throw new Fault('no-outline-here', {}, '')
  const { projection, assumedEpsg } = systemAt(file, site)
  const frame = degreesFrame(projection, site)
  const isOn = ({ outline }: OutlineToFit) => coversAll(file, outline.map(frame.coordinates))
  if (!isOn(first)) {
    const touches = first.outline.some((p) => coversAll(file, [frame.coordinates(p)]))
    const elsewhere = file.projection ? 'heights-elsewhere' : 'no-projection'
    throw new Fault(touches ? 'heights-cut-outline' : elsewhere, { file: file.name }, file.name)
  }
  const { low, high } = boxOf(first.outline, aroundHouseM)
  const grid = await heightsAround(file, frame, low, high)
  const near = others.filter(isOn).slice(0, mostNeighbours)
  const steps = near.length + 1
  const house = fitHouse(grid, first.outline)
  tell(1 / steps)
  const neighbours: FittedHouse[] = []
  let neighboursLeft = 0
  for (const [i, { outline }] of near.entries()) {
    const box = boxOf(outline, aroundNeighbourM)
    try {
      neighbours.push(fitHouse(await heightsAround(file, frame, box.low, box.high), outline))
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      neighboursLeft++
    }
    tell((i + 2) / steps)
  }
  return {
    house: { ...house, trees: standingFree(house.trees, outlines) },
    neighbours,
    neighboursLeft,
    residuals: residualsOf(grid, house),
    assumedEpsg,
  }
}

/** Trees whose stem is in no building. */
const standingFree = (trees: readonly FittedTree[], outlines: readonly OutlineToFit[]): FittedTree[] =>
  trees.filter(({ x, y }) => !outlines.some(({ outline }) => containsPoint(outline, [x, y])))

/** How far each height inside the outline is over its plane. */
function residualsOf(grid: HeightGrid, { planes }: FittedHouse): Float32Array {
  const rings = planes.map(({ corners, holes = [] }) => [planOf(corners), ...holes.map(planOf)])
  const found: number[] = []
  for (let row = 0; row < grid.rows; row++)
    for (let column = 0; column < grid.columns; column++) {
      const height = grid.heights[row * grid.columns + column] ?? NaN
      if (Number.isNaN(height)) continue
      const p = cellAt(grid, column, row)
      const plane = planes[rings.findIndex((own) => holds(own, p))]
      if (plane) found.push(p[0], p[1], height - planeHeightM(plane, p))
    }
  return Float32Array.from(found)
}
