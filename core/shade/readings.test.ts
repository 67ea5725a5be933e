import { type Vec3 } from '../geometry/vector'
import { seededRandom } from '../model/random'
import { elevationsOf, farHorizon } from './far-horizon'
import { type HorizonPoint } from './horizon-line'
import { horizonBetween, lineOf, readingStepDeg } from './readings'

const random = seededRandom(31)
const someHorizon = (): HorizonPoint[] =>
  Array.from({ length: 2 + Math.floor(random() * 40) }, () => [random() * 360, random() * 80])

/** By looking through all the points, round the north. */
function slowElevation(heights: readonly HorizonPoint[], azimuthDeg: number): number {
  const sorted = [...heights].sort((a, b) => a[0] - b[0])
  const all = [-360, 0, 360].flatMap((turn) => sorted.map(([a, e]) => [a + turn, e] as const))
  const after = all.findIndex(([a]) => a >= azimuthDeg)
  const [low, high] = [all[after - 1], all[after]]
  if (!low || !high) throw new Error('the points go round')
  return high[0] === low[0]
    ? high[1]
    : low[1] + ((high[1] - low[1]) * (azimuthDeg - low[0])) / (high[0] - low[0])
}

test('a horizon runs straight from point to point and round the north, as a slow search finds', () => {
  let worst = 0
  for (let k = 0; k < 300; k++) {
    const heights = someHorizon()
    const elevationAt = elevationsOf(heights)
    for (let i = 0; i < 40; i++) {
      const azimuth = random() * 360
      worst = Math.max(worst, Math.abs(elevationAt(azimuth) - slowElevation(heights, azimuth)))
    }
  }
  expect(worst).toBeLessThan(1e-9)
  expect(elevationsOf([])(123)).toBe(0)
  expect(farHorizon([])(0, 1, -0.5)).toBe(false)
})

const spots: Vec3[] = [
  [0, 0, 5],
  [6, 0, 5],
  [0, 4, 7],
]

test('a reading holds where it was taken, and everywhere while it is the only one', () => {
  const lines = spots.map(() => lineOf(someHorizon()))
  for (const [k, spot] of spots.entries()) {
    const there = horizonBetween(spots, lines, spot)
    expect(there).toHaveLength(720)
    expect(
      there.every(([azimuth, height], i) => azimuth === i * readingStepDeg && height === lines[k]?.[i]),
    ).toBe(true)
    const alone = horizonBetween([spot], [lines[k] ?? new Float64Array()], [90, -3, 0])
    for (const [i, [, height]] of alone.entries()) expect(height).toBeCloseTo(lines[k]?.[i] ?? NaN, 12)
  }
  expect(horizonBetween([], [], [0, 0, 0])).toEqual([])
})

test('by hand: half way it is the mean, a third of the way the nearer one counts four times', () => {
  const [low, high] = [
    lineOf([
      [0, 10],
      [180, 10],
    ]),
    lineOf([
      [0, 30],
      [180, 30],
    ]),
  ]
  const at = (x: number) =>
    horizonBetween(
      [
        [0, 0, 5],
        [6, 0, 5],
      ],
      [low, high],
      [x, 0, 5],
    )[200]?.[1]
  expect(at(3)).toBeCloseTo(20, 12)
  // 1/2² to 1/4²: four parts of 10 and one of 30.
  expect(at(2)).toBeCloseTo(14, 12)
})

test('between readings no horizon is higher than the highest or lower than the lowest of them', () => {
  for (let k = 0; k < 60; k++) {
    const lines = spots.map(() => lineOf(someHorizon()))
    const point: Vec3 = [random() * 20 - 10, random() * 20 - 10, random() * 12]
    const isOutside = horizonBetween(spots, lines, point).some(([, height], i) => {
      const own = lines.map((line) => line[i] ?? NaN)
      return height > Math.max(...own) + 1e-9 || height < Math.min(...own) - 1e-9
    })
    expect(isOutside).toBe(false)
  }
})
