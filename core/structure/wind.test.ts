import { roofSnowKpa } from './snow'
import { coefficientsOf, meanWindMs, parapetShare, peakPressureKpa, windZones } from './wind'

/** Exposure factor: peak pressure over the pressure of the basic wind. */
const exposure = (terrain: Parameters<typeof peakPressureKpa>[1], heightM: number) =>
  peakPressureKpa(30, terrain, heightM) / ((0.5 * 1.25 * 30 ** 2) / 1000)

test.each([
  ['sea', 10, 2.98],
  ['farmland', 10, 2.35],
  ['suburb', 5, 1.28],
  ['suburb', 20, 2.15],
  ['city', 10, 1.18],
] as const)('exposure over %s at %s m is that of EN 1991-1-4, figure 4.2', (terrain, heightM, factor) => {
  expect(exposure(terrain, heightM)).toBeCloseTo(factor, 1)
})

test('below its least height the profile stays what it is there; higher and barer is never calmer', () => {
  expect(exposure('suburb', 1)).toBe(exposure('suburb', 5))
  const terrains = ['city', 'suburb', 'farmland', 'open', 'sea'] as const
  for (let h = 10; h < 60; h += 5) {
    const along = terrains.map((terrain) => exposure(terrain, h))
    expect(along).toEqual(along.toSorted((a, b) => a - b))
    expect(exposure('suburb', h + 5)).toBeGreaterThan(exposure('suburb', h))
  }
})

test('a gust of 130 mph presses on a low house in a suburb as the mean it stands for does', () => {
  const mean = meanWindMs(58.1, 'three-seconds')
  expect(mean).toBeCloseTo(40.63, 2)
  expect(meanWindMs(26, 'ten-minutes')).toBe(26)
})

test('pressure coefficients are the worst of the tables, straight between their pitches', () => {
  expect(coefficientsOf('corner', 0)).toEqual({ up: 1.8, down: 0 })
  expect(coefficientsOf('edge', 30)).toEqual({ up: 1.4, down: 0.7 })
  expect(coefficientsOf('middle', 37.5).up).toBeCloseTo(0.85, 12)
  expect(coefficientsOf('ridge', 10).up).toBeCloseTo(0.85, 12)
  for (const zone of windZones) expect(coefficientsOf(zone, 90)).toEqual(coefficientsOf(zone, 75))
})

test('a parapet of a tenth of the height takes a third of the pull from edges, and none from the middle', () => {
  expect(parapetShare('edge', 0, 6)).toBe(1)
  expect(parapetShare('edge', 0.6, 6)).toBeCloseTo(2 / 3, 12)
  expect(parapetShare('corner', 3, 6)).toBeCloseTo(2 / 3, 12)
  expect(parapetShare('middle', 3, 6)).toBe(1)
  expect(parapetShare('corner', 1, 0)).toBe(1)
})

test('snow keeps to a roof up to 30 degrees and slides off at 60', () => {
  expect(roofSnowKpa(1.5, 0)).toBeCloseTo(1.2, 12)
  expect(roofSnowKpa(1.5, 30)).toBeCloseTo(1.2, 12)
  expect(roofSnowKpa(1.5, 45)).toBeCloseTo(0.6, 12)
  expect(roofSnowKpa(1.5, 60)).toBe(0)
  expect(roofSnowKpa(1.5, 80)).toBe(0)
})
