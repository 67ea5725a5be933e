import { seededRandom } from '../model/random'
import { type WeatherYear } from '../weather/weather-year'
import { type SunHours } from '../sun/sun-hours'
import { exampleSheet } from './example-sheet'
import { fitDiode } from './fit-diode'
import { inputCurve, type InputCurve } from './input-curve'
import { diodePower } from './module-power'
import { type PanelLight } from './panel-light'
import { type PlaneLight } from './plane-light'
import { groupV } from './series-reference'
import { diodeAt, maximumPower } from './single-diode'
import { type LitString, type StringRequest } from './string-year'

const model = fitDiode(exampleSheet)
const ratedW = maximumPower(diodeAt(model, 1000, 25)).powerW
const entries = 3
const cellC = 25
/** Nothing warms the cells over the air. */
const heat = { u0: 1e12, u1: 0 }
const flat = (value: number) => new Float64Array(entries).fill(value)
const planeWith = (light: number): PlaneLight =>
  ({
    beam: flat(light),
    sky: flat(0),
    groundReflected: flat(0),
    direct: flat(light),
    dome: flat(0),
    horizon: flat(0),
    ground: flat(0),
  }) as unknown as PlaneLight
const request: StringRequest = {
  powerW: ratedW,
  power: diodePower(model, 3),
  losses: { soiling: [], snow: [] },
  weather: { temperatureC: flat(cellC), windMs: flat(1) } as unknown as WeatherYear,
  sun: {
    interval: Int32Array.of(0, 1, 2),
    month: new Int32Array(entries),
  } as unknown as SunHours,
  withVolts: true,
  window: { lowV: 60, highV: 480, startV: 70 },
}
const open = 900

/** A string whose modules' three groups have each this light at the last entry, and twice the dark before it. */
function stringOf(groups: readonly (readonly number[])[]): LitString {
  const panels = groups.map((strips): PanelLight => {
    const mean = strips.reduce((sum, one) => sum + one, 0) / strips.length
    return {
      mean: Float32Array.of(mean / 2, mean / 2, mean),
      shaded: Int32Array.of(0, 1, 2),
      strips: Float32Array.from([...strips.map(() => mean / 2), ...strips.map(() => mean / 2), ...strips]),
      stripCount: 3,
      unshadedKwhM2: 0,
      meanKwhM2: 0,
      lostTo: [],
    }
  })
  return {
    panels,
    conditions: { light: planeWith(open), heat, snowLost: null },
    connected: true,
  }
}

/** Amperes of groups in series at these volts, by bisection of the whole curve. */
function currentOf(groups: readonly (readonly number[])[], volts: number): number {
  const cells = groups.flat().map((light) => diodeAt(model, light, cellC))
  const voltsAt = (current: number) => cells.reduce((sum, cell) => sum + groupV(cell, 3, current), 0)
  if (voltsAt(0) <= volts) return 0
  let [low, high] = [0, Math.max(...cells.map(({ lightA }) => lightA))]
  for (let k = 0; k < 30; k++) {
    const current = (low + high) / 2
    if (voltsAt(current) > volts) low = current
    else high = current
  }
  return low
}

const made = (curve: InputCurve | null): InputCurve => {
  if (!curve) throw new Error('there is light')
  return curve
}
const evenly = (modules: number, light: number) =>
  Array.from({ length: modules }, () => [light, light, light])

test('the curve of an input is the one that its groups of cells have in series, bypassed ones with it', () => {
  const random = seededRandom(41)
  for (let round = 0; round < 12; round++) {
    const groups = evenly(6 + Math.floor(random() * 4), 800)
    // A shadow over some: whole modules, and a strip of the next one.
    for (let k = 0; k < 1 + Math.floor(random() * 3); k++)
      groups[k] = evenly(1, 150 + random() * 400)[0] ?? []
    groups[4] = [200 + random() * 300, 800, 800]
    const { voltsV, currentA, work, bestW } = made(inputCurve([stringOf(groups)], request, 2))
    const most = Math.max(...currentA)
    voltsV.forEach((volts, k) => {
      if (k % 8 !== 0) return
      expect(Math.abs((currentA[k] ?? NaN) - currentOf(groups, volts))).toBeLessThan(0.015 * most)
    })
    // Volts rise, amperes never do.
    for (let k = 1; k < voltsV.length; k++) {
      expect(voltsV[k]).toBeGreaterThan(voltsV[k - 1] ?? NaN)
      expect(currentA[k]).toBeLessThanOrEqual((currentA[k - 1] ?? NaN) + 1e-6 * most)
    }
    expect(currentA.at(-1)).toBeLessThan(0.02 * most)
    if (!work) throw new Error('it works')
    expect(work.powerW).toBeLessThanOrEqual(bestW)
    expect(work.powerW / work.voltsV).toBeCloseTo(currentOf(groups, work.voltsV), 0)
  }
})

test('an input that its window holds works below the best, and one that does not start at nothing', () => {
  const bright = stringOf(evenly(10, 900))
  const free = made(inputCurve([bright], request, 2))
  expect(free.work?.powerW).toBe(free.bestW)
  const low = { lowV: 60, highV: 250, startV: 70 }
  const held = made(inputCurve([bright], { ...request, window: low }, 2))
  expect(held.work?.voltsV).toBeCloseTo(250, 3)
  expect(held.bestW / free.bestW).toBeCloseTo(1, 3)
  expect(held.work?.powerW).toBeLessThan(0.9 * free.bestW)
  const idle = made(inputCurve([bright], { ...request, window: { lowV: 400, highV: 900, startV: 500 } }, 2))
  expect(idle.work).toBeNull()
  expect(idle.bestW / free.bestW).toBeCloseTo(1, 3)
})

test('strings side by side add their currents; the shorter one ends before the longer', () => {
  const [long, short] = [evenly(11, 850), evenly(8, 850)]
  const both = made(inputCurve([stringOf(long), stringOf(short)], request, 2))
  both.voltsV.forEach((volts, k) => {
    if (k % 6 !== 0) return
    const sum = currentOf(long, volts) + currentOf(short, volts)
    expect(Math.abs((both.currentA[k] ?? NaN) - sum)).toBeLessThan(0.25)
  })
  const [one, other] = [long, short].map((groups) => made(inputCurve([stringOf(groups)], request, 2)))
  expect(both.voltsV.at(-1)).toBeCloseTo(one?.voltsV.at(-1) ?? NaN, 3)
  // Held together they give less than each by itself.
  expect(both.work?.powerW).toBeLessThan(0.97 * ((one?.work?.powerW ?? 0) + (other?.work?.powerW ?? 0)))
})

test('without light, or on no input, there is no curve', () => {
  expect(inputCurve([stringOf(evenly(9, 0))], request, 2)).toBeNull()
  expect(inputCurve([{ ...stringOf(evenly(9, 800)), connected: false }], request, 2)).toBeNull()
  expect(inputCurve([], request, 2)).toBeNull()
})
