import fc from 'fast-check'
import { seededRandom } from '@/core/model/random'
import { fittedPractice } from '@/town/practice/flown'
import { practiceKinds } from '@/town/practice/houses'
import { noneJudged, together } from '@/town/practice/judge'
import { rotate2, type Vec2 } from '../geometry/vector'
import { fitHouse } from './fit'
import { rasterOf } from './testing'

const outline: Vec2[] = [
  [-5, -4],
  [5, -4],
  [5, 4],
  [-5, 4],
]
const turned = (by: number) => outline.map((p) => rotate2(p, by))
const inside = ([x, y]: Vec2) => Math.abs(x) < 5 && Math.abs(y) < 4
const rise = Math.tan((30 * Math.PI) / 180)
/** Ridge along x at half the depth: 3 m at the eaves, 3 + 4 tan 30° = 5.309 m at the ridge. */
const gabled =
  (by = 0) =>
  (p: Vec2) => {
    const own = rotate2(p, -by)
    return inside(own) ? 3 + rise * (4 - Math.abs(own[1])) : 0
  }

describe('a gabled roof of 30° over 10 m by 8 m', () => {
  test.each([0, 0.3, 1.2])('without scatter, turned by %d rad', (by) => {
    const { planes, groundM, obstructions, trees, rmsM, withinShare } = fitHouse(
      rasterOf(gabled(by)),
      turned(by),
    )
    expect(planes).toHaveLength(2)
    const facing = planes.map(({ azimuthDeg }) => Math.round(azimuthDeg)).sort((a, b) => a - b)
    // North and south, turned counter-clockwise.
    const turnedDeg = Math.round((by * 180) / Math.PI)
    expect(facing).toEqual([180 - turnedDeg, (360 - turnedDeg) % 360].sort((a, b) => a - b))
    for (const { pitchDeg, areaM2, corners, edges } of planes) {
      expect(pitchDeg).toBeCloseTo(30, 1)
      // 10 m by 4 m in plan.
      expect(areaM2).toBeCloseTo(40 / Math.cos(Math.PI / 6), 1)
      expect(Math.min(...corners.map((c) => c[2]))).toBeCloseTo(3, 1)
      expect(Math.max(...corners.map((c) => c[2]))).toBeCloseTo(5.309, 1)
      expect(edges.map(({ kind }) => kind).sort()).toEqual(['eave', 'rake', 'rake', 'ridge'])
    }
    expect(groundM).toBeCloseTo(0, 3)
    expect(obstructions).toEqual([])
    expect(trees).toEqual([])
    expect(rmsM).toBeLessThan(0.01)
    expect(withinShare).toBe(1)
  })

  test('with a chimney, a tree and sloping ground', () => {
    const ground = (p: Vec2) => 20 + 0.04 * p[0]
    const heightAt = (p: Vec2) => {
      if (Math.abs(p[0] - 2) < 0.4 && Math.abs(p[1] - 1.5) < 0.5) return 20 + 6
      const crown = Math.hypot(p[0] + 9, p[1] - 9) / 3
      if (crown < 1) return ground(p) + 4 + 3 * Math.sqrt(1 - crown * crown)
      return inside(p) ? 20 + gabled()(p) : ground(p)
    }
    const { planes, groundM, obstructions, trees } = fitHouse(rasterOf(heightAt, 0.05), outline)
    expect(planes).toHaveLength(2)
    expect(groundM).toBeCloseTo(20, 1)
    expect(obstructions).toHaveLength(1)
    const [chimney] = obstructions
    expect(chimney?.kind).toBe('chimney')
    expect(chimney?.topM).toBeCloseTo(26, 1)
    const xs = chimney?.base.map(([x]) => x) ?? []
    const ys = chimney?.base.map(([, y]) => y) ?? []
    expect((Math.min(...xs) + Math.max(...xs)) / 2).toBeCloseTo(2, 0)
    expect(Math.abs(Math.max(...xs) - Math.min(...xs) - 0.8)).toBeLessThan(0.26)
    expect(Math.abs(Math.max(...ys) - Math.min(...ys) - 1)).toBeLessThan(0.26)
    expect(trees).toHaveLength(1)
    expect(Math.hypot((trees[0]?.x ?? 0) + 9, (trees[0]?.y ?? 0) - 9)).toBeLessThan(0.3)
    expect(Math.abs((trees[0]?.heightM ?? 0) - 7)).toBeLessThan(0.2)
    expect(Math.abs((trees[0]?.crownDiameterM ?? 0) - 6)).toBeLessThan(0.4)
  })
})

test('a level roof with a parapet: the plane lies within the walls, and they are said', () => {
  const heightAt = ([x, y]: Vec2) => {
    if (!inside([x, y])) return 0
    return Math.abs(x) > 4.75 || Math.abs(y) > 3.75 ? 6.8 : 6
  }
  const { planes, obstructions } = fitHouse(rasterOf(heightAt, 0.05), outline)
  expect(planes).toHaveLength(1)
  expect(planes[0]?.pitchDeg).toBe(0)
  expect(planes[0]?.corners[0]?.[2]).toBeCloseTo(6, 1)
  expect(Math.abs((planes[0]?.areaM2 ?? 0) - 9.5 * 7.5)).toBeLessThan(2.5)
  expect(obstructions.map(({ kind }) => kind)).toEqual(['parapet', 'parapet', 'parapet', 'parapet'])
  for (const { topM } of obstructions) expect(topM).toBeCloseTo(6.8, 0)
})

test('an outline drawn around the walls, or wide of the house, is moved to where the roof ends', () => {
  const grid = rasterOf(gabled(), 0.08)
  for (const offM of [-0.6, 0.6]) {
    const drawn = outline.map(([x, y]): Vec2 => [x + Math.sign(x) * offM, y + Math.sign(y) * offM])
    const fitted = fitHouse(grid, drawn)
    fitted.outline.forEach(([x, y], i) => {
      expect(Math.hypot(x - (outline[i]?.[0] ?? 0), y - (outline[i]?.[1] ?? 0))).toBeLessThan(0.25)
    })
    for (const { corners } of fitted.planes)
      expect(Math.abs(Math.min(...corners.map((c) => c[2])) - 3)).toBeLessThan(0.15)
  }
})

test('houses nobody tuned it on: planes, trees, and nothing made up', () => {
  let all = noneJudged
  for (const kind of practiceKinds)
    for (let house = 0; house < 9; house++)
      all = together(all, fittedPractice(7001, kind, house * 7, 0.25, 0.08).judged)
  expect(all.planes).toBeGreaterThan(80)
  expect(all.found).toBeGreaterThanOrEqual(0.95 * all.planes)
  expect(all.within).toBeGreaterThanOrEqual(0.95 * all.planes)
  expect(all.invented).toBeLessThan(0.03 * all.fitted)
  expect(all.trees).toBeGreaterThan(100)
  expect(all.treesFound).toBeGreaterThanOrEqual(0.95 * all.trees)
}, 120_000)

test('cells of five centimetres: as quickly, and no worse', () => {
  const { planes, obstructions } = fitHouse(rasterOf(gabled(0.3), 0.1, 4, 0.05), turned(0.3))
  expect(planes).toHaveLength(2)
  for (const { pitchDeg, corners, fit } of planes) {
    expect(Math.abs(pitchDeg - 30)).toBeLessThan(0.3)
    expect(Math.abs(Math.min(...corners.map((c) => c[2])) - 3)).toBeLessThan(0.06)
    // Sixteen cells are one: 40 m² of plan hold about a thousand, and scatter a quarter as much.
    expect(fit.cells).toBeLessThan(1_100)
    expect(fit.rmsM).toBeLessThan(0.05)
  }
  expect(obstructions).toEqual([])
})

test('moved, the same house comes out moved', () => {
  const [dx, dy, dz] = [137.25, -88.5, 412]
  const here = fitHouse(rasterOf(gabled(), 0.08), outline)
  const grid = rasterOf(gabled(), 0.08)
  const there = fitHouse(
    {
      ...grid,
      first: [grid.first[0] + dx, grid.first[1] + dy],
      heights: grid.heights.map((height) => height + dz),
    },
    outline.map(([x, y]): Vec2 => [x + dx, y + dy]),
  )
  expect(there.planes).toHaveLength(here.planes.length)
  there.planes.forEach(({ corners, pitchDeg }, i) => {
    expect(pitchDeg).toBeCloseTo(here.planes[i]?.pitchDeg ?? 0, 1)
    corners.forEach(([x, y, z], k) => {
      const was = here.planes[i]?.corners[k] ?? [0, 0, 0]
      expect(Math.abs(x - dx - was[0]) + Math.abs(y - dy - was[1]) + Math.abs(z - dz - was[2])).toBeLessThan(
        0.02,
      )
    })
  })
})

test('planes cover the outline once, whatever stands there', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 63 }), fc.constantFrom(...practiceKinds), (house, kind) => {
      const { fitted } = fittedPractice(7002, kind, house, 0.4, 0.08)
      const planM2 = fitted.planes.reduce((sum, { areaM2, normal }) => sum + areaM2 * normal[2], 0)
      const ring = fitted.outline
      const outlineM2 = Math.abs(
        ring.reduce((sum, a, i) => {
          const b = ring[(i + 1) % ring.length] ?? a
          return sum + a[0] * b[1] - b[0] * a[1]
        }, 0) / 2,
      )
      // Walls along the edge are no roof.
      const walls = fitted.obstructions.filter(({ kind: own }) => own === 'parapet').length
      expect(planM2).toBeLessThan(1.001 * outlineM2)
      expect(planM2).toBeGreaterThan((walls > 0 ? 0.8 : 0.995) * outlineM2)
    }),
    { numRuns: 12, seed: 3, endOnFailure: true },
  )
}, 60_000)

describe('what cannot be fitted', () => {
  const codeOf = (run: () => unknown) => {
    try {
      run()
      return null
    } catch (error) {
      return (error as { code?: string }).code
    }
  }
  test('bare ground, no data, an outline beside the house or across itself', () => {
    expect(
      codeOf(() =>
        fitHouse(
          rasterOf(() => 0),
          outline,
        ),
      ),
    ).toBe('no-heights-inside')
    expect(
      codeOf(() =>
        fitHouse(
          rasterOf(() => NaN),
          outline,
        ),
      ),
    ).toBe('no-heights-inside')
    const beside = outline.map(([x, y]): Vec2 => [x + 40, y])
    expect(codeOf(() => fitHouse(rasterOf(gabled()), beside))).toBe('no-heights-inside')
    const bow = [outline[0], outline[2], outline[1], outline[3]] as Vec2[]
    expect(codeOf(() => fitHouse(rasterOf(gabled()), bow))).toBe('crossing-outline')
  })

  test('heights that scatter by metres are no roof', () => {
    const random = seededRandom(4)
    const heightAt = (p: Vec2) => (inside(p) ? 4 + 8 * random() : 0)
    expect(codeOf(() => fitHouse(rasterOf(heightAt), outline))).toBe('no-planes-found')
  })
})
