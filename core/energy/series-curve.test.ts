import { seededRandom } from '../model/random'
import { exampleSheet } from './example-sheet'
import { fitDiode } from './fit-diode'
import { bypassV, SeriesCurve } from './series-curve'
import { sweptBest } from './series-reference'
import { diodeAt, maximumPower } from './single-diode'

const model = fitDiode(exampleSheet)
const strips = 3
const curve = new SeriesCurve(model, strips)

function best(light: readonly number[], cellC: number, window = null as Parameters<SeriesCurve['best']>[5]) {
  const sorted = [...light].sort((a, b) => b - a)
  return {
    ...curve.best(
      Float64Array.from(sorted),
      new Float64Array(light.length).fill(1),
      Float64Array.from(sorted, (level) => curve.alone(level, 1, cellC)),
      light.length,
      cellC,
      window,
    ),
  }
}

test.each([
  [1000, 25],
  [200, -5],
  [830, 61],
])('groups lit alike with %d W/m² at %d °C give the module’s own best point', (light, cellC) => {
  const alone = maximumPower(diodeAt(model, light, cellC))
  const found = best(new Array<number>(12).fill(light), cellC)
  expect(found.powerW / (4 * alone.powerW)).toBeCloseTo(1, 5)
  expect(curve.alone(light, 12, cellC) / found.powerW).toBeCloseTo(1, 5)
  expect(found.voltsV / (4 * alone.voltsV)).toBeCloseTo(1, 3)
})

test('one group in the dark of three costs its third and the volts of its diode', () => {
  const whole = best([900, 900, 900], 40)
  const two = best([900, 900, 0], 40)
  const current = maximumPower(diodeAt(model, 900, 40)).currentA
  expect(two.powerW).toBeCloseTo((whole.powerW * 2) / 3 - current * bypassV, 0)
  expect(best([0, 0], 40)).toEqual({ powerW: 0, heldW: 0, voltsV: 0 })
})

test('the greatest of several maxima is that of a sweep of the whole curve, over seeded strings', () => {
  const random = seededRandom(41)
  let worst = 0
  for (let round = 0; round < 40; round++) {
    const levels = Array.from({ length: 1 + Math.floor(random() * 4) }, () => 20 + random() * 980)
    const light = Array.from({ length: 3 + Math.floor(random() * 30) }, () => {
      const level = levels[Math.floor(random() * levels.length)] ?? 0
      return level * (random() < 0.2 ? 0.7 : 1)
    })
    const cellC = -10 + random() * 75
    const slow = sweptBest(model, strips, light, cellC)
    worst = Math.max(worst, Math.abs(best(light, cellC).powerW / slow - 1))
  }
  expect(worst).toBeLessThan(3e-4)
})

test('what the window holds back is that of a sweep inside the window', () => {
  const random = seededRandom(43)
  for (let round = 0; round < 25; round++) {
    const light = Array.from({ length: 9 }, () => (random() < 0.4 ? 150 : 850) * (random() < 0.3 ? 0.95 : 1))
    const lowV = 30 + random() * 60
    const window = { lowV, highV: lowV + 10 + random() * 30, startV: 0 }
    const slow = sweptBest(model, strips, light, 45, window)
    const found = best(light, 45, window)
    expect(Math.abs(found.heldW - slow)).toBeLessThan(0.001 * found.powerW)
    expect(found.heldW).toBeLessThanOrEqual(found.powerW * (1 + 1e-9))
    if (found.heldW > 0) {
      expect(found.voltsV).toBeGreaterThanOrEqual(window.lowV - 1e-6)
      expect(found.voltsV).toBeLessThanOrEqual(window.highV + 1e-6)
    }
  }
})

test('a string that does not reach the volts that start its input gives nothing', () => {
  const three = new Array<number>(9).fill(800)
  expect(best(three, 20, { lowV: 60, highV: 500, startV: 150 }).heldW).toBe(0)
  expect(best(three, 20, { lowV: 60, highV: 500, startV: 100 }).heldW).toBeGreaterThan(0)
  expect(best(three, 20, { lowV: 130, highV: 500, startV: 0 }).heldW).toBe(0)
})
