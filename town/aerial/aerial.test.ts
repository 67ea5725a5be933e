import { PNG } from 'pngjs'
import { localOf, placeOf, tileAt, tileCorner } from '@/core/geometry/geo'
import { containsPoint } from '@/core/geometry/polygon'
import { seededRandom } from '@/core/model/random'
import { type Vec2 } from '@/core/geometry/vector'
import { townAnswer } from '../answers'
import { paintTile, tileSize } from '../tile-painter'
import { type Lot } from '../lot'
import { townMap } from '../town-map'
import { towns, type Town } from '../towns'
import { flightsOver, sunOver } from './flights'
import { paintedLots } from './scene'
import { blurred, shadowsOf } from './shadows'
import { fillSpans, placeAt, type Grid } from './sheet'
import { slanted, widened } from './slant'

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
  const { towards, risePerMetre } = sunOver(pellworth, flightsOver(pellworth)[0])
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
    const { towards, risePerMetre } = sunOver(town, flightsOver(town)[0])
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

/** Points of a flight's tile around a place, as mean red, green and blue. */
function colourAt(flight: string, tile: ReturnType<typeof tileAt>, at: Vec2): readonly number[] {
  const found = flightsOver(pellworth).find(({ id }) => id === flight)
  const png = PNG.sync.read(paintTile(townMap(pellworth), tile, found))
  const nw = localOf(pellworth, tileCorner(tile))
  const se = localOf(pellworth, tileCorner({ ...tile, x: tile.x + 1, y: tile.y + 1 }))
  const stepM = (se[0] - nw[0]) / tileSize
  const [column, row] = [Math.round((at[0] - nw[0]) / stepM), Math.round((nw[1] - at[1]) / stepM)]
  const sums = [0, 0, 0]
  for (let j = row - 3; j <= row + 3; j++)
    for (let i = column - 3; i <= column + 3; i++)
      for (let c = 0; c < 3; c++) sums[c] = (sums[c] ?? 0) + (png.data[(j * tileSize + i) * 4 + c] ?? 0) / 49
  return sums
}

test('at the end of winter a broad-leaved tree is bare: one sees the ground through it', () => {
  const tree = shippedLot().trees[0]
  if (!tree) throw new Error('the shipped lot has trees')
  const tile = tileAt(placeOf(pellworth, tree.center), 20)
  const out: Vec2 = [tree.center[0] + tree.crownDiameterM * 0.3, tree.center[1]]
  const [red = 0, green = 0] = colourAt('late-spring', tile, out)
  const [bareRed = 0, bareGreen = 0] = colourAt('early-spring', tile, out)
  expect(green / red).toBeGreaterThan(1.15)
  expect(bareGreen / bareRed).toBeLessThan(1.05)
})

test('seen at a slant a thing stands off by its height times the lean, and its side shows what it hides from above', () => {
  const [east, north, high]: readonly [number, number, number] = [0, 0, 6]
  const wide: Grid = { columns: 200, rows: 200, corner: [-10, 10], stepM: [0.1, -0.1] }
  const leanM: Vec2 = [-0.3, 0.2]
  const { grid, ...offset } = widened(wide, leanM, 8)
  const from = { grid, rgb: new Uint8ClampedArray(grid.columns * grid.rows * 3).fill(10) }
  const built = new Float32Array(grid.columns * grid.rows)
  const crowns = new Float32Array(grid.columns * grid.rows)
  const block: Vec2[] = [
    [east - 2, north - 2],
    [east + 2, north - 2],
    [east + 2, north + 2],
    [east - 2, north + 2],
  ]
  fillSpans(grid, block, (first, after, row) => {
    for (let x = first; x < after; x++) {
      built[row * grid.columns + x] = high
      from.rgb.fill(250, (row * grid.columns + x) * 3, (row * grid.columns + x) * 3 + 3)
    }
  })
  const into = { grid: wide, rgb: new Uint8ClampedArray(wide.columns * wide.rows * 3) }
  slanted(from, { built, crowns }, into, offset, leanM, 8, { towards: [0, -1], risePerMetre: 1 })
  let [tops, sides, sumX, sumY] = [0, 0, 0, 0]
  for (let row = 0; row < wide.rows; row++)
    for (let x = 0; x < wide.columns; x++) {
      const value = into.rgb[(row * wide.columns + x) * 3] ?? 0
      if (value === 250) {
        const [px, py] = placeAt(wide, x, row)
        tops++
        sumX += px
        sumY += py
      } else if (value > 20) sides++
    }
  // The top keeps its area, and its middle is displaced by 6 m times the lean: within a step of the sight.
  expect(tops / 100).toBeGreaterThan(15.6)
  expect(tops / 100).toBeLessThan(18)
  expect(Math.abs(sumX / tops - high * leanM[0])).toBeLessThan(0.15)
  expect(Math.abs(sumY / tops - high * leanM[1])).toBeLessThan(0.15)
  // Two walls 4 m long, 6 m high: the plan area that each sweeps.
  expect(sides / 100).toBeGreaterThan(4 * 6 * 0.5 * 0.85)
  expect(sides / 100).toBeLessThan(4 * 6 * 0.5 * 1.05)
})

test('the world tells its pictures with when and from where they were taken, in the seasons of its side of the equator', () => {
  for (const town of towns) {
    const { pictures } = JSON.parse(
      String(
        townAnswer(
          'imagery',
          new URLSearchParams({ lat: String(town.latitudeDeg), lon: String(town.longitudeDeg) }),
        ).body,
      ),
    ) as { pictures: { id: string; takenAt: string; bareTrees: boolean; leanM: number[] }[] }
    expect(pictures.map(({ id }) => id)).toEqual(['late-spring', 'early-spring', 'late-summer'])
    expect(pictures.map(({ takenAt }) => takenAt.slice(5, 7))).toEqual(
      town.latitudeDeg < 0 ? ['11', '09', '02'] : ['05', '03', '08'],
    )
    expect(pictures.map(({ bareTrees }) => bareTrees)).toEqual([false, true, false])
  }
})
