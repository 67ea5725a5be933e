import { PNG } from 'pngjs'
import { localOf, tileAt, tileCorner } from '@/core/geometry/geo'
import { containsPoint } from '@/core/geometry/polygon'
import { seededRandom } from '@/core/model/random'
import { type Vec2 } from '@/core/geometry/vector'
import { paintTile, tileSize } from '../tile-painter'
import { type Lot } from '../lot'
import { townMap } from '../town-map'
import { towns, type Town } from '../towns'
import { paintedLots, sunOver } from './scene'
import { blurred, shadowsOf } from './shadows'
import { fillSpans, placeAt, type Grid } from './sheet'

const grid: Grid = { columns: 60, rows: 50, corner: [-10, 12], stepM: [0.5, -0.5] }

test('a filled polygon is the points whose middles it contains, over seeded polygons', () => {
  const random = seededRandom(11)
  for (let round = 0; round < 200; round++) {
    const polygon = Array.from({ length: 3 + Math.floor(random() * 5) }, (): Vec2 => [
      -16 + random() * 42,
      -18 + random() * 36,
    ])
    const filled = new Set<number>()
    fillSpans(grid, polygon, (from, to, row) => {
      for (let x = from; x < to; x++) filled.add(row * grid.columns + x)
    })
    for (let row = 0; row < grid.rows; row++)
      for (let x = 0; x < grid.columns; x++)
        if (containsPoint(polygon, placeAt(grid, x, row)) !== filled.has(row * grid.columns + x))
          throw new Error(`round ${round}: column ${x}, row ${row}`)
  }
})

test('shadows are where a walk towards the sun meets something higher, for suns all around', () => {
  const random = seededRandom(5)
  const boxes = Array.from({ length: 6 }, () => ({
    x: 10 + Math.floor(random() * 35),
    y: 10 + Math.floor(random() * 25),
    w: 3 + Math.floor(random() * 6),
    h: 3 + Math.floor(random() * 6),
    top: 1 + random() * 5,
  }))
  const heights = new Float32Array(grid.columns * grid.rows)
  for (const { x, y, w, h, top } of boxes)
    for (let j = y; j < y + h; j++)
      for (let i = x; i < x + w; i++) {
        const at = j * grid.columns + i
        heights[at] = Math.max(heights[at] ?? 0, top)
      }
  const heightAt = (column: number, row: number) =>
    column < 0 || row < 0 || column >= grid.columns || row >= grid.rows
      ? 0
      : (heights[Math.floor(row) * grid.columns + Math.floor(column)] ?? 0)
  for (let turn = 0; turn < 16; turn++) {
    const a = (turn * Math.PI) / 8 + 0.1
    const towards: Vec2 = [Math.sin(a), Math.cos(a)]
    const shade = shadowsOf(grid, heights, { towards, risePerMetre: 0.9 })
    let wrong = 0
    for (let row = 0; row < grid.rows; row++)
      for (let x = 0; x < grid.columns; x++) {
        const own = heights[row * grid.columns + x] ?? 0
        let most = -Infinity
        for (let d = 0.1; d < 9; d += 0.1) {
          const at = heightAt(x + 0.5 + (towards[0] * d) / 0.5, row + 0.5 - (towards[1] * d) / 0.5)
          most = Math.max(most, at - own - d * 0.9)
        }
        const found = (shade[row * grid.columns + x] ?? 0) > 0.5
        // Within a point of an edge either is right.
        if (Math.abs(most - 0.175) > 0.75 && found !== most > 0.175) wrong++
      }
    expect(wrong / (grid.columns * grid.rows)).toBeLessThan(0.01)
  }
})

test('blurring keeps the sum away from the borders and a level value everywhere', () => {
  const level = blurred(grid, new Float32Array(grid.columns * grid.rows).fill(0.4), 3)
  expect(Math.max(...level)).toBeCloseTo(0.4, 5)
  expect(Math.min(...level)).toBeCloseTo(0.4, 5)
  const dot = new Float32Array(grid.columns * grid.rows)
  dot[25 * grid.columns + 30] = 1
  expect(blurred(grid, dot, 2).reduce((sum, value) => sum + value, 0)).toBeCloseTo(1, 5)
})

const pellworth = towns[0] as Town
const shippedLot = () =>
  townMap(pellworth).lots.find(({ number, street }) => number === 14 && street === 'Saltmarsh Road') as Lot

/** Mean brightness of a tile's points around a place. */
function brightness(png: PNG, at: Vec2, [nw, stepM]: readonly [Vec2, number]): number {
  const [column, row] = [Math.round((at[0] - nw[0]) / stepM), Math.round((nw[1] - at[1]) / stepM)]
  let sum = 0
  let count = 0
  for (let j = row - 4; j <= row + 4; j++)
    for (let i = column - 4; i <= column + 4; i++) {
      if (i < 0 || j < 0 || i >= tileSize || j >= tileSize) continue
      for (let c = 0; c < 3; c++) sum += png.data[(j * tileSize + i) * 4 + c] ?? 0
      count += 3
    }
  return sum / count
}

test('a tile shows the shipped house at 6 cm a point, with the shadow of its tree away from the sun', () => {
  const map = townMap(pellworth)
  const tree = shippedLot().trees[0]
  if (!tree) throw new Error('the shipped lot has trees')
  const tile = tileAt(shippedLot().place, 20)
  const png = PNG.sync.read(paintTile(map, tile))
  expect([png.width, png.height]).toEqual([tileSize, tileSize])
  const nw = localOf(pellworth, tileCorner(tile))
  const se = localOf(pellworth, tileCorner({ ...tile, x: tile.x + 1, y: tile.y + 1 }))
  const stepM = (se[0] - nw[0]) / tileSize
  expect(stepM).toBeLessThan(0.06)
  const { towards, risePerMetre } = sunOver(pellworth)
  const shadow = tree.heightM / risePerMetre - 2
  const dark = brightness(
    png,
    [tree.center[0] - towards[0] * shadow, tree.center[1] - towards[1] * shadow],
    [nw, stepM],
  )
  const open = brightness(
    png,
    [tree.center[0] + towards[0] * shadow, tree.center[1] + towards[1] * shadow],
    [nw, stepM],
  )
  expect(dark / open).toBeLessThan(0.75)
})

test('the sun of the picture stands in the south-east, south of the equator in the north-east', () => {
  for (const town of towns) {
    const { towards, risePerMetre } = sunOver(town)
    expect(towards[0]).toBeGreaterThan(0.2)
    expect(Math.sign(towards[1])).toBe(town.latitudeDeg > 0 ? -1 : 1)
    expect(risePerMetre).toBeGreaterThan(0.8)
  }
})

test('cars stand on drives, and shrubs neither in houses nor on drives', () => {
  for (const town of towns) {
    const lots = paintedLots(townMap(town))
    for (const { lot, cars, shrubs } of lots) {
      for (const { at } of cars) expect(containsPoint(lot.drive, at)).toBe(true)
      for (const { center } of shrubs) {
        expect(lot.volumes.some(({ outline }) => containsPoint(outline, center))).toBe(false)
        expect(containsPoint(lot.drive, center)).toBe(false)
      }
    }
    expect(lots.filter(({ cars }) => cars.length > 0).length).toBeGreaterThan(lots.length / 3)
  }
})

test('the same tile twice is the same to the last byte', () => {
  const map = townMap(pellworth)
  const tile = tileAt(shippedLot().place, 18)
  expect(paintTile(map, tile).equals(paintTile(map, tile))).toBe(true)
})
