import { seededRandom } from '../model/random'
import { backupHours } from './backup'
import { optimum, type DispatchCase } from './optimum'
import { type BatteryRun } from './battery-run'
import { type Dispatch } from './own-use'
import { dispatchBy } from './running'
import { standbyKwh, withStandby } from './standby'

const battery: BatteryRun = {
  usableKwh: 4,
  chargeKw: 2,
  dischargeKw: 2,
  chargeEfficiency: 1,
  dischargeEfficiency: 1,
  reserve: 0,
  standbyKw: 0.1,
}
const hours = (...values: number[]) => Float64Array.from(values)
const day: DispatchCase = {
  yieldKwh: hours(0, 3, 0, 0),
  loadKwh: hours(1, 1, 1, 1),
  stepHours: 1,
  buy: hours(0.3, 0.3, 0.3, 0.3),
  sell: hours(0.1, 0.1, 0.1, 0.1),
  exportLimitKw: null,
  gridCharging: false,
  startKwh: 0,
}
const sum = (series: Float64Array) => series.reduce((all, value) => all + value, 0)

test('by hand: a tenth of a kilowatt, each hour, is bought at night and taken from the yield by day', () => {
  const { bought, charged, discharged, sold } = dispatchBy({ battery, rule: 'own-use', hours: null }, day)
  // 1.1 wanted each hour; of 3 at noon 1.9 are stored, and cover the third hour and 0.8 of the fourth.
  expect([...charged]).toEqual([0, expect.closeTo(1.9, 12), 0, 0])
  expect([...discharged]).toEqual([0, 0, expect.closeTo(1.1, 12), expect.closeTo(0.8, 12)])
  expect([...bought]).toEqual([expect.closeTo(1.1, 12), 0, 0, expect.closeTo(0.3, 12)])
  expect(sum(sold)).toBe(0)
})

test('what it draws goes by the hours of an interval; one that draws nothing leaves the year as it is', () => {
  expect(standbyKwh(battery, 0.25)).toBeCloseTo(0.025, 12)
  expect(standbyKwh(null, 1)).toBe(0)
  const { standbyKw: _, ...plain } = battery
  expect(withStandby(day, plain)).toBe(day)
  expect(withStandby(day, null)).toBe(day)
  expect([...withStandby(day, battery).loadKwh]).toEqual([1.1, 1.1, 1.1, 1.1])
})

test('seeded years: what comes in goes out or is lost, by every rule, and no rule beats knowing the year', () => {
  const random = seededRandom(41)
  for (let round = 0; round < 200; round++) {
    const n = 96
    const series = (most: number) =>
      Float64Array.from({ length: n }, () => Math.max(0, random() - 0.3) * most)
    const given: DispatchCase = {
      yieldKwh: series(6),
      loadKwh: series(3),
      stepHours: [0.25, 0.5, 1][round % 3] ?? 1,
      buy: series(0.5).map((price) => price + 0.2),
      sell: series(0.2),
      exportLimitKw: random() < 0.3 ? random() * 4 : null,
      gridCharging: random() < 0.5,
      startKwh: null,
    }
    const own: BatteryRun = {
      usableKwh: 1 + random() * 12,
      chargeKw: 0.5 + random() * 5,
      dischargeKw: 0.5 + random() * 5,
      chargeEfficiency: 0.85 + random() * 0.15,
      dischargeEfficiency: 0.85 + random() * 0.15,
      reserve: random() * 0.3,
      standbyKw: random() * 0.3,
    }
    const drawn = n * standbyKwh(own, given.stepHours)
    const balance = ({ bought, sold, charged, discharged, curtailed }: Dispatch) =>
      sum(given.yieldKwh) +
      sum(bought) -
      sum(given.loadKwh) -
      sum(sold) -
      sum(curtailed) -
      (sum(charged) - sum(discharged)) -
      drawn
    const best = optimum(given, own)
    expect(Math.abs(balance(best))).toBeLessThan(1e-6)
    const costOf = ({ bought, sold }: Dispatch) =>
      bought.reduce(
        (all, kwh, i) => all + kwh * (given.buy[i] ?? 0) - (sold[i] ?? 0) * (given.sell[i] ?? 0),
        0,
      )
    for (const rule of ['own-use', 'by-tariff'] as const) {
      const run = dispatchBy({ battery: own, rule, hours: null }, given)
      expect(Math.abs(balance(run))).toBeLessThan(1e-6)
      expect(costOf(run)).toBeGreaterThan(best.cost - 1e-6)
    }
  }
})

test('when the grid is gone it is carried too: 4 kWh last ten hours at 0.3 kW and 0.1 of its own', () => {
  const n = 48
  const critical = new Float64Array(n).fill(0.3)
  const dark = new Float64Array(n)
  const stored = new Float64Array(n).fill(4)
  const lasting = backupHours(
    { yieldKwh: dark, criticalKwh: critical, storedKwh: stored, stepHours: 1 },
    battery,
    24,
  )
  expect(lasting[0]).toBeCloseTo(10, 9)
})
