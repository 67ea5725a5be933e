import { dispatchByTariff } from './by-tariff'
import { optimum, type DispatchCase } from './optimum'
import { type BatteryRun } from './battery-run'
import { type Dispatch } from './own-use'
import { hoursOf, sunnyYear } from './testing'

const sum = (series: Float64Array) => series.reduce((all, value) => all + value, 0)
const costOf = ({ bought, sold }: Dispatch, { buy, sell }: DispatchCase) =>
  bought.reduce((cost, kwh, i) => cost + kwh * (buy[i] ?? 0) - (sold[i] ?? 0) * (sell[i] ?? 0), 0)
const battery: BatteryRun = {
  usableKwh: 5,
  chargeKw: 5,
  dischargeKw: 5,
  chargeEfficiency: 1,
  dischargeEfficiency: 1,
  reserve: 0,
}

/** Two kW from seven to noon, eight at noon, 5 kWh wanted at eight in the evening, and no more than 3 kW may go out. */
const day = Array.from({ length: 24 }, (_, hour) => hour)
const limited: DispatchCase = {
  ...hoursOf(
    Float64Array.from(day, (hour) => (hour === 12 ? 8 : hour >= 7 && hour < 12 ? 2 : 0)),
    Float64Array.from(day, (hour) => (hour === 20 ? 5 : 0)),
  ),
  buy: new Float64Array(24).fill(0.3),
  sell: new Float64Array(24).fill(0.08),
  exportLimitKw: 3,
  gridCharging: false,
}

test('by hand: room is kept for what the limit keeps from going out', () => {
  // Every day is like the one before: what is known is the same, only the room makes the difference.
  const greedy = dispatchByTariff(limited, battery)
  expect(sum(greedy.curtailed)).toBe(5)
  expect(sum(greedy.sold)).toBe(8)
  const foreseen = dispatchByTariff(limited, battery, undefined, 'forecast')
  expect(sum(foreseen.curtailed)).toBe(0)
  expect(sum(foreseen.sold)).toBe(13)
  expect(foreseen.charged[12]).toBe(5)
  expect(foreseen.discharged[20]).toBe(5)
  expect(costOf(foreseen, limited)).toBeCloseTo(optimum(limited, battery).cost, 9)
})

test('by hand: the same for what the inverter would clip', () => {
  const clipping: DispatchCase = {
    ...limited,
    exportLimitKw: null,
    yieldKwh: limited.yieldKwh.map((made) => Math.min(3, made)),
    clippedKwh: limited.yieldKwh.map((made) => Math.max(0, made - 3)),
  }
  const behind = { ...battery, dcSide: { inverterKw: 3, gridEfficiency: 1 } }
  expect(sum(dispatchByTariff(clipping, behind).fromClipping)).toBe(0)
  const foreseen = dispatchByTariff(clipping, behind, undefined, 'forecast')
  // As much as comes out again: in the evening the inverter gives 3 kW.
  expect(sum(foreseen.fromClipping)).toBe(3)
  expect(sum(foreseen.sold)).toBe(13)
})

test('no room is kept that the night will make: half of it is there again before noon', () => {
  // 3 kWh are wanted at eleven, after four hours of sun that may fill what then is free again.
  const loadKwh = Float64Array.from(day, (hour) => (hour === 11 ? 5 : hour === 20 ? 5 : 0))
  const foreseen = dispatchByTariff({ ...limited, loadKwh }, battery, undefined, 'forecast')
  expect(foreseen.discharged[11]).toBe(3)
  expect(foreseen.charged[12]).toBe(5)
  expect(sum(foreseen.curtailed)).toBe(0)
})

test.each([
  ['at the prices of the hours', {}],
  ['with a limit', { exportLimitKw: 1 }],
  ['from the sun alone', { gridCharging: false }],
] as const)(
  'a year %s: whoever knows the next day does better, and not as well as who knows them all',
  (_, more) => {
    const given = { ...sunnyYear(1), ...more }
    const sized = {
      ...battery,
      usableKwh: 10,
      chargeEfficiency: 0.95,
      dischargeEfficiency: 0.95,
      reserve: 0.1,
    }
    const [before, foreseen] = (['day-before', 'forecast'] as const).map((foresight) =>
      costOf(dispatchByTariff(given, sized, undefined, foresight), given),
    )
    expect(foreseen).toBeLessThan((before ?? NaN) - 5)
    expect(foreseen).toBeGreaterThan(optimum(given, sized).cost)
  },
)
