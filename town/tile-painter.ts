import { PNG } from 'pngjs'
import { localOf, tileCorner, type Tile } from '@/core/geometry/geo'
import { containsPoint } from '@/core/geometry/polygon'
import { type Vec2 } from '@/core/geometry/vector'
import { planeHeightM } from '@/core/roof/plane'
import { paintCrown } from './aerial/crowns'
import { paintArea, paintDrive, paintLawn, paintStreets, type Picture } from './aerial/ground'
import { noise } from './aerial/noise'
import { paintCar, paintRoofs } from './aerial/roofs'
import { paintedLots, sunOver, type PaintedLot } from './aerial/scene'
import { blurred, shadowsOf, type LowSun } from './aerial/shadows'
import { fillSpans, placeAt, strip, type Grid } from './aerial/sheet'
import { type TownTree } from './lot'
import { type TownMap } from './town-map'

/** Points along the side of a tile: about 5 cm each at zoom 20. */
export const tileSize = 512
/** Shadows are found on a grid some times coarser, about this wide, m: their edges are soft. */
const shadowStepM = 0.22
/** The tallest thing that throws a shadow on a tile, m, and how far a lot's things stand from its middle. */
const tallestM = 11
const lotReachM = 32
/** What the light from all around leaves of colours in shadow. */
const inShadow = [0.5, 0.54, 0.62] as const
const fenceM = 1.3
const carM = 1.4
/** Points wider than this show neither cars nor fences, m. */
const coarseM = 0.5

/** One tile of the aerial sheet as PNG: lawns, streets, drives, roofs with their courses, trees, and one sun's shadows. */
export function paintTile(map: TownMap, tile: Tile): Buffer {
  const nw = localOf(map.town, tileCorner(tile))
  const se = localOf(map.town, tileCorner({ ...tile, x: tile.x + 1, y: tile.y + 1 }))
  const stepM: Vec2 = [(se[0] - nw[0]) / tileSize, (se[1] - nw[1]) / tileSize]
  const grid: Grid = { columns: tileSize, rows: tileSize, corner: nw, stepM }
  const middle: Vec2 = [(nw[0] + se[0]) / 2, (nw[1] + se[1]) / 2]
  const half = Math.hypot(se[0] - nw[0], se[1] - nw[1]) / 2
  const near = (p: Vec2, reachM: number) => Math.hypot(p[0] - middle[0], p[1] - middle[1]) < half + reachM
  const sun = sunOver(map.town)
  const shadowM = tallestM / sun.risePerMetre
  const lots = paintedLots(map).filter(({ lot }) => near(lot.center, lotReachM + shadowM))
  const picture: Picture = { grid, rgb: new Uint8ClampedArray(tileSize * tileSize * 3) }
  const detailed = Math.abs(stepM[0]) < coarseM
  const trees = lots.flatMap(({ lot, shrubs }) => [...(detailed ? shrubs : []), ...lot.trees])

  paintLawn(picture, map)
  for (const { lot } of lots) paintDrive(picture, lot.drive)
  paintStreets(picture, map, near)
  const tops = new Float32Array(tileSize * tileSize)
  for (const lot of lots) paintRoofs(picture, lot, sun, tops)
  if (detailed)
    for (const { cars, fences } of lots) {
      for (const car of cars) paintCar(picture, car)
      for (const [a, b] of fences) paintArea(picture, strip(a, b, 0.12), [132, 120, 100], 0.2)
    }
  shade(picture, shadowsOver(grid, lots, trees, sun, shadowM))
  for (const tree of trees) paintCrown(picture, tree, sun)
  return asPng(picture)
}

/** Shadows over a tile, one value for each of its coarser points, with what stands outside it on the sun's side. */
function shadowsOver(
  tile: Grid,
  lots: readonly PaintedLot[],
  trees: readonly TownTree[],
  sun: LowSun,
  shadowM: number,
): { readonly grid: Grid; readonly shade: Float32Array } {
  const coarser = Math.abs(tile.stepM[0]) * 3 < shadowStepM ? 4 : 2
  const stepM: Vec2 = [tile.stepM[0] * coarser, tile.stepM[1] * coarser]
  const extra = Math.ceil(shadowM / Math.abs(stepM[0]))
  const side = tileSize / coarser
  // Rows run south, so that the sun in the south stands beyond the last.
  const [west, north] = [sun.towards[0] < 0 ? extra : 0, sun.towards[1] > 0 ? extra : 0]
  const grid: Grid = {
    columns: side + extra,
    rows: side + extra,
    corner: [tile.corner[0] - west * stepM[0], tile.corner[1] - north * stepM[1]],
    stepM,
  }
  const heights = heightsOf(grid, lots, trees)
  return { grid, shade: blurred(grid, shadowsOf(grid, heights, sun), 1) }
}

function heightsOf(grid: Grid, lots: readonly PaintedLot[], trees: readonly TownTree[]): Float32Array {
  const heights = new Float32Array(grid.columns * grid.rows)
  const raise = (polygon: readonly Vec2[], heightAt: (p: Vec2) => number) =>
    fillSpans(grid, polygon, (from, to, row) => {
      for (let x = from; x < to; x++) {
        const index = row * grid.columns + x
        heights[index] = Math.max(heights[index] ?? 0, heightAt(placeAt(grid, x, row)))
      }
    })
  for (const { lot, planes, cars, fences } of lots) {
    for (const { plane, plan } of planes) raise(plan, (p) => planeHeightM(plane, p))
    for (const { center, widthM, heightM } of lot.chimneys) {
      const under = planes.filter(({ plan }) => containsPoint(plan, center))
      const top = Math.max(0, ...under.map(({ plane }) => planeHeightM(plane, center))) + heightM
      raise(
        strip([center[0] - widthM / 2, center[1]], [center[0] + widthM / 2, center[1]], widthM),
        () => top,
      )
    }
    for (const [a, b] of fences) raise(strip(a, b, Math.max(0.12, Math.abs(grid.stepM[0]))), () => fenceM)
    for (const { at, turnRad } of cars) {
      const way: Vec2 = [Math.cos(turnRad) * 2, Math.sin(turnRad) * 2]
      raise(strip([at[0] - way[0], at[1] - way[1]], [at[0] + way[0], at[1] + way[1]], 1.7), () => carM)
    }
  }
  for (const { center, heightM, crownDiameterM } of trees) {
    const radius = crownDiameterM / 2
    const square: Vec2[] = [
      [center[0] - radius, center[1] - radius],
      [center[0] + radius, center[1] - radius],
      [center[0] + radius, center[1] + radius],
      [center[0] - radius, center[1] + radius],
    ]
    raise(square, ([x, y]) => {
      const away = Math.hypot(x - center[0], y - center[1]) / radius
      const edge = 0.9 + 0.2 * noise(x * 3, y * 3)
      return away > edge ? 0 : heightM * (0.62 + 0.38 * Math.sqrt(Math.max(0, 1 - (away / edge) ** 2)))
    })
  }
  return heights
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
