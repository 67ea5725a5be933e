import { PNG } from 'pngjs'
import { localOf, tileCorner, type Tile } from '@/core/geometry/geo'
import { type Vec2 } from '@/core/geometry/vector'
import { paintCrown } from './aerial/crowns'
import { flightsOver, sunOver, type AerialFlight } from './aerial/flights'
import { paintArea, paintDrive, paintLawn, paintStreets, type Picture } from './aerial/ground'
import { raiseBuilt, raiseTrees } from './aerial/heights'
import { paintCar, paintRoofs } from './aerial/roofs'
import { paintedLots, type PaintedLot } from './aerial/scene'
import { blurred, shadowsOf, type LowSun } from './aerial/shadows'
import { strip, type Grid } from './aerial/sheet'
import { slanted, widened } from './aerial/slant'
import { paintTwigs } from './aerial/twigs'
import { type TownTree } from './lot'
import { type TownMap } from './town-map'

/** Points along the side of a tile: about 5 cm each at zoom 20. */
export const tileSize = 512
/** Shadows are found on a grid some times coarser, about this wide, m: their edges are soft. */
const shadowStepM = 0.22
/** The tallest thing that throws a shadow on a tile, m, and how far a lot's things stand from its middle. */
const tallestM = 13.5
const lotReachM = 32
/** How dark it is under a bare crown, as a share of a full shadow. */
const underTwigs = 0.42
/** What the light from all around leaves of colours in shadow. */
const inShadow = [0.5, 0.54, 0.62] as const
/** Points wider than this show neither cars nor fences, m. */
const coarseM = 0.5

/**
 * One tile of the aerial sheet as PNG: lawns, streets, drives, roofs with their courses, trees, and one sun's shadows.
 * @param flight what the town is seen from; the usual one unless said
 */
export function paintTile(map: TownMap, tile: Tile, flight: AerialFlight = flightsOver(map.town)[0]): Buffer {
  const nw = localOf(map.town, tileCorner(tile))
  const se = localOf(map.town, tileCorner({ ...tile, x: tile.x + 1, y: tile.y + 1 }))
  const stepM: Vec2 = [(se[0] - nw[0]) / tileSize, (se[1] - nw[1]) / tileSize]
  const grid: Grid = { columns: tileSize, rows: tileSize, corner: nw, stepM }
  const sun = sunOver(map.town, flight)
  if (flight.leanM[0] === 0 && flight.leanM[1] === 0) return asPng(painted(map, grid, flight, sun).picture)
  const { grid: wide, ...at } = widened(grid, flight.leanM, tallestM)
  const { picture: above, lots, trees } = painted(map, wide, flight, sun)
  const built = new Float32Array(wide.columns * wide.rows)
  const crowns = new Float32Array(wide.columns * wide.rows)
  raiseBuilt(wide, lots, built)
  raiseTrees(wide, trees, crowns)
  const picture = emptyPicture(grid)
  slanted(above, { built, crowns }, picture, at, flight.leanM, tallestM, sun)
  return asPng(picture)
}

const emptyPicture = (grid: Grid): Picture => ({
  grid,
  rgb: new Uint8ClampedArray(grid.columns * grid.rows * 3),
})

/** A piece of the town from straight above, and what stands in it. */
function painted(map: TownMap, grid: Grid, { bare }: AerialFlight, sun: LowSun) {
  const { corner, stepM, columns, rows } = grid
  const far: Vec2 = [corner[0] + columns * stepM[0], corner[1] + rows * stepM[1]]
  const middle: Vec2 = [(corner[0] + far[0]) / 2, (corner[1] + far[1]) / 2]
  const half = Math.hypot(far[0] - corner[0], far[1] - corner[1]) / 2
  const near = (p: Vec2, reachM: number) => Math.hypot(p[0] - middle[0], p[1] - middle[1]) < half + reachM
  const shadowM = tallestM / sun.risePerMetre
  const lots = paintedLots(map).filter(({ lot }) => near(lot.center, lotReachM + shadowM))
  const picture = emptyPicture(grid)
  const detailed = Math.abs(stepM[0]) < coarseM
  const trees = lots.flatMap(({ lot, shrubs }) => [...(detailed ? shrubs : []), ...lot.trees])

  paintLawn(picture, map, bare)
  for (const { lot } of lots) paintDrive(picture, lot.drive)
  paintStreets(picture, map, near)
  const tops = new Float32Array(columns * rows)
  for (const lot of lots) paintRoofs(picture, lot, sun, tops)
  if (detailed)
    for (const { cars, fences } of lots) {
      for (const car of cars) paintCar(picture, car)
      for (const [a, b] of fences) paintArea(picture, strip(a, b, 0.12), [132, 120, 100], 0.2)
    }
  shade(picture, shadowsOver(grid, lots, trees, sun, shadowM, bare))
  for (const tree of trees)
    (bare && tree.foliage === 'broadleaf' ? paintTwigs : paintCrown)(picture, tree, sun)
  return { picture, lots, trees }
}

/** Shadows over a tile, one value for each of its coarser points, with what stands outside it on the sun's side. */
function shadowsOver(
  tile: Grid,
  lots: readonly PaintedLot[],
  trees: readonly TownTree[],
  sun: LowSun,
  shadowM: number,
  bare: boolean,
): { readonly grid: Grid; readonly shade: Float32Array } {
  const coarser = Math.abs(tile.stepM[0]) * 3 < shadowStepM ? 4 : 2
  const stepM: Vec2 = [tile.stepM[0] * coarser, tile.stepM[1] * coarser]
  const extra = Math.ceil(shadowM / Math.abs(stepM[0]))
  const [across, down] = [Math.ceil(tile.columns / coarser), Math.ceil(tile.rows / coarser)]
  // Rows run south, so that the sun in the south stands beyond the last.
  const [west, north] = [sun.towards[0] < 0 ? extra : 0, sun.towards[1] > 0 ? extra : 0]
  const grid: Grid = {
    columns: across + extra,
    rows: down + extra,
    corner: [tile.corner[0] - west * stepM[0], tile.corner[1] - north * stepM[1]],
    stepM,
  }
  const isBare = (tree: TownTree) => bare && tree.foliage === 'broadleaf'
  const heights = new Float32Array(grid.columns * grid.rows)
  raiseBuilt(grid, lots, heights)
  raiseTrees(
    grid,
    trees.filter((tree) => !isBare(tree)),
    heights,
  )
  const shade = shadowsOf(grid, heights, sun)
  if (trees.some(isBare)) {
    const twigs = new Float32Array(grid.columns * grid.rows)
    raiseTrees(grid, trees.filter(isBare), twigs)
    shadowsOf(grid, twigs, sun).forEach((dark, i) => {
      shade[i] = Math.max(shade[i] ?? 0, dark * underTwigs)
    })
  }
  return { grid, shade: blurred(grid, shade, 1) }
}

function shade({ grid, rgb }: Picture, { grid: coarse, shade: dark }: ReturnType<typeof shadowsOver>): void {
  const offX = Math.round((grid.corner[0] - coarse.corner[0]) / grid.stepM[0])
  const offY = Math.round((grid.corner[1] - coarse.corner[1]) / grid.stepM[1])
  const { columns, rows } = coarse
  const coarser = Math.round(coarse.stepM[0] / grid.stepM[0])
  const [red, green, blue] = inShadow
  for (let row = 0; row < grid.rows; row++) {
    // Between the four coarse points around.
    const v = Math.max(0, (row + offY + 0.5) / coarser - 0.5)
    const j = Math.floor(v)
    const [above, below] = [j * columns, Math.min(rows - 1, j + 1) * columns]
    for (let x = 0; x < grid.columns; x++) {
      const u = Math.max(0, (x + offX + 0.5) / coarser - 0.5)
      const i = Math.floor(u)
      const next = Math.min(columns - 1, i + 1)
      const [a, b, c, d] = [
        dark[above + i] ?? 0,
        dark[above + next] ?? 0,
        dark[below + i] ?? 0,
        dark[below + next] ?? 0,
      ]
      if (a + b + c + d === 0) continue
      const top = a + (b - a) * (u - i)
      const depth = top + (c + (d - c) * (u - i) - top) * (v - j)
      const at = (row * grid.columns + x) * 3
      rgb[at] = (rgb[at] ?? 0) * (1 - depth * (1 - red))
      rgb[at + 1] = (rgb[at + 1] ?? 0) * (1 - depth * (1 - green))
      rgb[at + 2] = (rgb[at + 2] ?? 0) * (1 - depth * (1 - blue))
    }
  }
}

function asPng({ grid, rgb }: Picture): Buffer {
  const png = new PNG({
    width: grid.columns,
    height: grid.rows,
    colorType: 2,
    inputColorType: 2,
    inputHasAlpha: false,
  })
  png.data = Buffer.from(rgb.buffer)
  // One kind of row filter: to try all five takes longer than to paint.
  return PNG.sync.write(png, {
    colorType: 2,
    inputColorType: 2,
    inputHasAlpha: false,
    filterType: 1,
    deflateLevel: 1,
  })
}
