import { housesEach, practiceHouse, practiceKinds } from '@/town/practice/houses'
import { surveyed } from '@/town/practice/survey'
import { containsPoint, signedArea } from '../geometry/polygon'
import { distance2, rotate2, type Vec2 } from '../geometry/vector'
import { type HeightGrid } from '../heights/raster'
import { faultIn } from '../model/fault-in'
import { seededRandom } from '../model/random'
import { buildingsAt, buildingsIn } from './find-outline'
import { boxOf } from './rings'
import { rasterOf } from './testing'

const outlineAt = (grid: HeightGrid, near: Vec2) => buildingsAt(grid, near).house

/** How far the farthest corner of one ring is from the nearest of the other, both ways, m. */
const farApart = (one: readonly Vec2[], other: readonly Vec2[]): number =>
  Math.max(
    ...[
      [one, other],
      [other, one],
    ].flatMap(([from = [], to = []]) => from.map((p) => Math.min(...to.map((q) => distance2(p, q))))),
  )

/** A level thing of 4 m over ground that slopes. */
const standing =
  (rings: readonly (readonly Vec2[])[]) =>
  (p: Vec2): number =>
    0.03 * p[0] + (rings.some((ring) => containsPoint(ring, p)) ? 4 : 0)

const box: Vec2[] = [
  [-5, -4],
  [5, -4],
  [5, 4],
  [-5, 4],
]

test.each([0, 0.2, 0.4, Math.PI / 4, 1.3])('a rectangle turned by %d rad', (by) => {
  const ring = box.map((p) => rotate2(p, by))
  const found = outlineAt(rasterOf(standing([ring]), 0.08), [0, 0])
  expect(found).toHaveLength(4)
  expect(signedArea(found)).toBeGreaterThan(0)
  expect(farApart(found, ring)).toBeLessThan(0.3)
  expect(Math.abs(signedArea(found) - 80)).toBeLessThan(3)
})

test('wings, a yard within, a slanted side; gaps in the measuring are no holes', () => {
  const ring: Vec2[] = [
    [-8, -6],
    [2, -6],
    [8, -1],
    [8, 6],
    [3, 6],
    [3, 1],
    [-3, 1],
    [-3, 6],
    [-8, 6],
  ]
  const heightAt = standing([ring])
  const found = outlineAt(
    rasterOf(
      ([x, y]) =>
        Math.hypot(x + 5, y + 3) < 1.2 ? 0 : Math.hypot(x - 6, y - 3) < 0.9 ? NaN : heightAt([x, y]),
      0.05,
    ),
    [0, 0],
  )
  expect(found).toHaveLength(ring.length)
  expect(farApart(found, ring)).toBeLessThan(0.35)
})

test('a gap in the measuring over the edge of the roof takes no bite out of it', () => {
  const heightAt = standing([box])
  const found = outlineAt(
    rasterOf((p) => (Math.hypot(p[0] - 4.4, p[1]) < 0.9 ? NaN : heightAt(p)), 0.05),
    [0, 0],
  )
  expect(found).toHaveLength(4)
  expect(farApart(found, box)).toBeLessThan(0.3)
})

test('a tree beside the house, a fence from it, and a shed across the garden are left out', () => {
  const random = seededRandom(11)
  // One beam in four goes into the leaves; over the roof the crown hangs 0.2 m wide.
  const tree = ([x, y]: Vec2) => {
    const off = Math.hypot(x - 7.2, y - 1) / 2.4
    return off < 1 ? 3 + 3.5 * Math.sqrt(1 - off * off) - (random() < 0.25 ? 0.7 * random() : 0) : 0
  }
  const fence: Vec2[] = [
    [-14, -4],
    [-5, -4],
    [-5, -3.6],
    [-14, -3.6],
  ]
  const shed = box.map(([x, y]): Vec2 => [0.6 * x, 0.45 * y + 11])
  const solid = standing([box, fence, shed])
  const found = outlineAt(
    rasterOf((p) => Math.max(solid(p), tree(p)), 0.06),
    [1, 1],
  )
  expect(farApart(found, box)).toBeLessThan(0.4)
  const others = buildingsAt(rasterOf(solid, 0.06), [1, 1]).others
  expect(others).toHaveLength(1)
  expect(farApart(others[0] ?? [], shed)).toBeLessThan(0.4)
  expect(buildingsIn(rasterOf(solid, 0.06))).toHaveLength(2)
  // Asked for at the shed, it is that.
  expect(farApart(outlineAt(rasterOf(solid, 0.06), [0, 11]), shed)).toBeLessThan(0.4)
})

test('a place beside a building means it; far from all it means none, and so do bare ground and no heights', () => {
  const grid = rasterOf(standing([box.map(([x, y]): Vec2 => [x / 2 - 10, y / 2 - 10])]))
  expect(outlineAt(grid, [-5, -5])).toHaveLength(4)
  expect(faultIn(() => outlineAt(grid, [12, 12]))?.code).toBe('no-building-here')
  expect(
    faultIn(() =>
      outlineAt(
        rasterOf(() => 100, 0.05),
        [0, 0],
      ),
    )?.code,
  ).toBe('no-building-here')
  expect(
    faultIn(() =>
      outlineAt(
        rasterOf(() => NaN),
        [0, 0],
      ),
    )?.code,
  ).toBe('no-building-here')
})

test('a building that the heights cut off is not taken for a whole one', () => {
  const grid = rasterOf(standing([box.map(([x, y]): Vec2 => [x + 12, y])]))
  expect(faultIn(() => outlineAt(grid, [10, 0]))?.code).toBe('heights-cut-building')
  expect(buildingsIn(grid)).toEqual([])
})

/** Share of the plan covered by both of what is covered by either. */
function overlapOf(one: readonly Vec2[], other: readonly Vec2[]): number {
  const { low, high } = boxOf([...one, ...other])
  let [both, either] = [0, 0]
  for (let x = low[0]; x < high[0]; x += 0.2)
    for (let y = low[1]; y < high[1]; y += 0.2) {
      const [a, b] = [containsPoint(one, [x, y]), containsPoint(other, [x, y])]
      if (a && b) both++
      if (a || b) either++
    }
  return both / either
}

test.each([
  [0.25, 0.93],
  [0.5, 0.88],
])('practice houses of all kinds, cells of %d m: they cover what is built', (cellM, least) => {
  const overlaps: number[] = []
  for (const kind of practiceKinds)
    for (let house = 2; house < housesEach; house += 12) {
      const place = practiceHouse(57, kind, house)
      const { grid } = surveyed(place, { cellM, noiseM: 0.08, seed: house })
      overlaps.push(overlapOf(outlineAt(grid, place.lot.center), place.outline))
    }
  overlaps.sort((a, b) => a - b)
  expect(overlaps[0]).toBeGreaterThan(least)
  expect(overlaps[overlaps.length >> 1]).toBeGreaterThan(0.97)
})

test('the small hipped roof of an upper storey is no tree', () => {
  const place = practiceHouse(12, 'valdecorva', 4)
  const { grid } = surveyed(place, { cellM: 0.25, noiseM: 0.08, seed: 12_004 })
  expect(overlapOf(buildingsAt(grid, place.lot.center).house, place.outline)).toBeGreaterThan(0.93)
})

test('fine cells tell the same', () => {
  const fine: HeightGrid = rasterOf(standing([box]), 0.05, 3, 0.1)
  expect(farApart(outlineAt(fine, [0, 0]), box)).toBeLessThan(0.3)
})
