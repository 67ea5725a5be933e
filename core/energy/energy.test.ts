import { seededRandom } from '../model/random'
import { cellTemperatureC, heatFromNoct, heatOverRoof, mountHeat, openHeat } from './cell-temperature'
import { windShare } from './wind'
import { inverterAc } from './inverter-curve'
import { seriesBest } from './strip-mismatch'

const inverter = { acPowerW: 5000, efficiency: 0.96, nightW: 2 }

test('Faiman by hand: 20 C, 800 W/m², 1 m/s in the open is 45.1 C; on a roof hotter', () => {
  expect(cellTemperatureC(20, 800, 1, mountHeat.open)).toBeCloseTo(20 + 800 / 31.84, 9)
  expect(cellTemperatureC(20, 800, 1, mountHeat.close)).toBeGreaterThan(47)
  expect(cellTemperatureC(20, 800, 1, mountHeat.close)).toBeLessThan(50)
})

/** All parts standing alone. */
const bestOf = (...light: number[]) =>
  seriesBest(Float64Array.from(light), new Float64Array(light.length).fill(1))

test('series with bypass by hand', () => {
  expect(bestOf(900, 900, 900)).toBe(900)
  expect(bestOf(900, 900, 100)).toBeCloseTo(600, 9)
  expect(bestOf(900, 900, 700)).toBeCloseTo(700, 9)
  expect(bestOf()).toBe(0)
  // Thirty-eight strips at 900 and one in the dark: 38/39 of the light.
  expect(seriesBest(Float64Array.of(100, 900), Float64Array.of(1, 38))).toBeCloseTo((900 * 38) / 39, 9)
})

test('the inverter: rated efficiency near full load, cut at its power, its own use at night', () => {
  const rated = inverterAc(5000 / 0.96, inverter)
  expect(rated.acW).toBeCloseTo(5000 * (0.9637 / 0.9637), 0)
  const over = inverterAc(7000, inverter)
  expect(over.acW).toBe(5000)
  expect(over.acW + over.clippedW + over.lostW).toBeCloseTo(7000, 9)
  expect([over.acW, inverterAc(4000, inverter).clippedW]).toEqual([5000, 0])
  expect(inverterAc(0, inverter).acW).toBe(-2)
  const tenth = inverterAc(500, inverter)
  expect(tenth.acW / 500).toBeLessThan(0.95)
})

test('a nominal operating temperature gives itself back at its own conditions', () => {
  const loss = heatFromNoct(45)
  expect(cellTemperatureC(20, 800, 1, loss)).toBeCloseTo(45, 9)
  expect(loss.u1 / loss.u0).toBeCloseTo(mountHeat.open.u1 / mountHeat.open.u0, 9)
})

test('over a roof: insulated back without a gap, close roof mount at an inch, after King 2004', () => {
  const rise = (gapM: number, wind: number) => cellTemperatureC(0, 1000, wind, heatOverRoof(gapM))
  // Their wind is that of 10 m in open country.
  const at10m = 5 * windShare(2, 'open')
  expect(rise(0, 0)).toBeCloseTo(1000 * Math.exp(-2.81), 0)
  expect(rise(0, at10m)).toBeCloseTo(1000 * Math.exp(-2.81 - 0.0455 * 5), 0)
  expect(rise(0.0254, 0)).toBeCloseTo(1000 * Math.exp(-2.98), 0)
  expect(rise(0.0254, at10m)).toBeCloseTo(1000 * Math.exp(-2.98 - 0.0471 * 5), 0)
})

test('the wider the gap the cooler, up to the open; three inches are as much hotter than a rack as measured', () => {
  const rise = (gapM: number) => cellTemperatureC(0, 800, 1, heatOverRoof(gapM))
  const gaps = [0, 0.01, 0.0254, 0.05, 0.0762, 0.12, 0.1524, 0.2, 0.3]
  const rises = gaps.map(rise)
  expect(rises).toEqual([...rises].sort((a, b) => b - a))
  expect(rise(0.3)).toBeCloseTo(cellTemperatureC(0, 800, 1, openHeat), 9)
  expect(rise(0.8)).toBeCloseTo(rise(0.3), 9)
  // Fuentes 1987: 45 + 2 °C at three inches against 45 - 3 °C on a rack, over air of 20 °C.
  expect(rise(0.0762) / rise(0.3)).toBeCloseTo(27 / 22, 1)
  expect(rise(0) / rise(0.3)).toBeCloseTo(43 / 22, 0)
})

test('wind by height after Sherman & Grimsrud 1980: none is left out at the station, a third is gone among houses', () => {
  expect(windShare(10, 'open')).toBe(1)
  expect(windShare(10, 'suburb')).toBe(0.67)
  expect(windShare(5, 'suburb')).toBeCloseTo(0.67 * 0.5 ** 0.25, 12)
  expect(windShare(0, 'suburb')).toBe(windShare(1, 'suburb'))
})

test('the staircase is that of a full sort, for any light, any length and any number of alike parts', () => {
  const random = seededRandom(31)
  for (let round = 0; round < 400; round++) {
    const n = 1 + Math.floor(random() * 60)
    const levels = 1 + Math.floor(random() * (round % 2 ? 4 : 200))
    const light = Float64Array.from({ length: n }, () => Math.floor(random() * levels) * 5)
    const parts = Float64Array.from({ length: n }, () => 1 + Math.floor(random() * 3))
    const each = [...light].flatMap((value, i) => new Array<number>(parts[i] ?? 1).fill(value))
    const sorted = each.sort((a, b) => b - a)
    const byHand = Math.max(...sorted.map((value, k) => (k + 1) * value)) / sorted.length
    expect(seriesBest(light, parts)).toBeCloseTo(byHand, 9)
  }
})
