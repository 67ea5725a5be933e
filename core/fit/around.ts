import { placeOf, type LatLon } from '../geometry/geo'
import { centroid, containsPoint } from '../geometry/polygon'
import { distance2, type Vec2 } from '../geometry/vector'
import { coversAll, type HeightFile } from '../heights/geotiff'
import { cellAt, type HeightGrid } from '../heights/raster'
import { Fault } from '../model/fault'
import { planeHeightM, planOf } from '../roof/plane'
import { rastersOf, readAround } from './bare-ground'
import { buildingsAt, buildingsIn, searchedM } from './find-outline'
import { fitHouse, type FittedHouse } from './fit'
import { offsetOf, type Offset } from './offset'
import { degreesFrame, systemAt } from './place'
import { boxOf, holds } from './rings'
import { type FittedTree } from './trees'
import { type OutlinesFor } from './whose-outline'

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
  /** How far the buildings in the heights lie from the outlines that are known; null where none is known of any. */
  readonly offset: Offset | null
}

/** How heights are read. */
export interface Reading {
  readonly shiftM?: Vec2
  readonly second?: HeightFile | null
}

/** How far around the house trees are looked for, and around a neighbour the ground, m. */
const [aroundHouseM, aroundNeighbourM] = [25, 4]
/** The most neighbours that are fitted: the nearest. */
const mostNeighbours = 8

/**
 * The house inside an outline, the buildings inside others, and trees.
 * @param outlines where the house's is not known, it is found in the heights, at the site; buildings around that are not known are found too
 * @param tell hears the share of the work that is done, 0 to 1
 * @param reading by how much what the raster shows is shifted east and north before it is read, and heights of the bare ground
 *   beside those of what stands on it: which file is which they tell themselves
 * @throws Fault of `heightsAround`, `rastersOf`, `buildingsAt` and `fitHouse`, `heights-elsewhere`, `heights-cut-outline`
 */
export async function fitAround(
  file: HeightFile,
  site: LatLon,
  { outline: own, others }: OutlinesFor,
  tell: (share: number) => void,
  { shiftM = [0, 0], second = null }: Reading = {},
): Promise<FoundAround> {
  const origin = placeOf(site, [-shiftM[0], -shiftM[1]])
  const framed = (one: HeightFile) => ({
    file: one,
    frame: degreesFrame(systemAt(one, site).projection, origin),
  })
  const files = [framed(file), ...(second ? [framed(second)] : [])]
  const assumedEpsg =
    files.map((one) => systemAt(one.file, site).assumedEpsg).find((code) => code !== null) ?? null
  const isOn = (outline: readonly Vec2[]) =>
    files.every((one) => coversAll(one.file, outline.map(one.frame.coordinates)))
  const meant: readonly Vec2[] = own ?? [[0, 0]]
  for (const { file: one, frame } of files) {
    if (coversAll(one, meant.map(frame.coordinates))) continue
    const touches = meant.some((p) => coversAll(one, [frame.coordinates(p)]))
    const elsewhere = one.projection ? 'heights-elsewhere' : 'no-projection'
    throw new Fault(touches ? 'heights-cut-outline' : elsewhere, { file: one.name }, one.name)
  }
  const { low, high } = boxOf(meant, own ? aroundHouseM : aroundHouseM + searchedM)
  const rasters = await rastersOf(framed(file), second && framed(second), low, high)
  const grid = await readAround(rasters, low, high)
  const { house: outline, others: seen } = own
    ? { house: own, others: buildingsIn(grid) }
    : buildingsAt(grid, [0, 0])
  // What a survey knows of the house that was found is no neighbour.
  const apart = others.filter((other) => own || !overlap(other, outline))
  const unknown = seen.filter((one) => ![outline, ...others].some((other) => overlap(one, other)))
  const middle = centroid(outline)
  const near = [...apart, ...unknown]
    .filter(isOn)
    .sort((a, b) => distance2(centroid(a), middle) - distance2(centroid(b), middle))
    .slice(0, mostNeighbours)
  const steps = near.length + 1
  const house = fitHouse(grid, outline)
  tell(1 / steps)
  const neighbours: FittedHouse[] = []
  let neighboursLeft = 0
  for (const [i, other] of near.entries()) {
    const box = boxOf(other, aroundNeighbourM)
    try {
      neighbours.push(fitHouse(await readAround(rasters, box.low, box.high), other))
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      // What nobody knows and makes no roof is no building.
      if (!unknown.includes(other)) neighboursLeft++
    }
    tell((i + 2) / steps)
  }
  return {
    house: { ...house, trees: standingFree(house.trees, [outline, ...apart, ...unknown]) },
    neighbours,
    neighboursLeft,
    residuals: residualsOf(grid, house),
    assumedEpsg,
    offset: offsetOf(own ? seen : [outline, ...seen], own ? [own, ...others] : others),
  }
}

const overlap = (one: readonly Vec2[], other: readonly Vec2[]): boolean =>
  [centroid(one), ...one].some((p) => containsPoint(other, p)) ||
  [centroid(other), ...other].some((p) => containsPoint(one, p))

/** Trees whose stem is in no building. */
const standingFree = (trees: readonly FittedTree[], outlines: readonly (readonly Vec2[])[]): FittedTree[] =>
  trees.filter(({ x, y }) => !outlines.some((outline) => containsPoint(outline, [x, y])))

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
