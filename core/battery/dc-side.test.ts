import fc from 'fast-check'
import { monthsOf } from '../model/model-year'
import { backupHours } from './backup'
import { dispatchByTariff } from './by-tariff'
import { offGrid } from './off-grid'
import { optimum, type DispatchCase } from './optimum'
import { type BatteryRun } from './battery-run'
import { dispatchOwnUse } from './own-use'
import { dispatchPeaks } from './peak-shaving'
import { expectSound, hoursOf, sunnyYear } from './testing'

/** Behind an inverter of 5 kW; round figures. */
const battery: BatteryRun = {
  usableKwh: 10,
  chargeKw: 3,
  dischargeKw: 4,
  chargeEfficiency: 1,
  dischargeEfficiency: 0.9,
  reserve: 0,
  dcSide: { inverterKw: 5, gridEfficiency: 0.8 },
}
const { dcSide: _, ...ownInverter } = battery

const kwh = (...values: number[]) => Float64Array.from(values)

test('by hand: what would be clipped goes in first, and the inverter gives no more than it can', () => {
  const given = {
    ...hoursOf(kwh(5, 2, 4.5, 4), kwh(1, 4, 6, 6)),
    clippedKwh: kwh(1.5, 0, 0, 1),
    startKwh: 0,
  }
  const d = dispatchOwnUse(given, battery)
  // 3 of the 5.5 go in, 1.5 of them would have been clipped; then 2 come out of 3; then 0.5, as the inverter is full.
  expect([...d.charged]).toEqual([3, 0, 0, 1])
  expect([...d.fromClipping]).toEqual([1.5, 0, 0, 1])
  expect([...d.sold]).toEqual([2.5, 0, 0, 0])
  ;[0, 2, 0.5, 0].forEach((out, i) => expect(d.discharged[i]).toBeCloseTo(out, 12))
  // While it clips it gives nothing of the battery's, though it is down part of the hour: the rest is bought.
  expect([...d.bought]).toEqual([0, 0, 1, 2])
  expect(d.storedKwh[3]).toBeCloseTo(3 - 2.5 / 0.9 + 1, 12)
})

test('an AC-coupled one takes nothing of it, and gives beside a full one', () => {
  const given = { ...hoursOf(kwh(5, 5), kwh(1, 8)), clippedKwh: kwh(1.5, 1.5), startKwh: 0 }
  const d = dispatchOwnUse(given, ownInverter)
  expect([...d.fromClipping]).toEqual([0, 0])
  expect(d.sold[0]).toBe(1)
  expect(d.discharged[1]).toBeCloseTo(2.7, 12)
})

test('by hand: the sun fills it better than the grid, which passes the inverter twice', () => {
  const given: DispatchCase = {
    ...hoursOf(kwh(1, 0), kwh(0, 5)),
    buy: kwh(0.1, 0.5),
    sell: kwh(0, 0),
    gridCharging: true,
    startKwh: 0,
  }
  const best = optimum(given, battery)
  // 1 of the sun and 2.5 of the grid are the 3 that go in; 2.7 come out.
  expect([...best.charged]).toEqual([3.5, 0])
  expect(best.bought[0]).toBeCloseTo(2.5, 12)
  expect(best.discharged[1]).toBeCloseTo(2.7, 12)
  expect(best.cost).toBeCloseTo(2.5 * 0.1 + 2.3 * 0.5, 12)
})

test('when the grid fails, sun and battery together give what the inverter can', () => {
  const island = {
    yieldKwh: kwh(4, 4, 4, 4),
    clippedKwh: kwh(0, 0, 0, 0),
    storedKwh: kwh(10, 10, 10, 10),
    criticalKwh: kwh(6, 6, 6, 6),
    stepHours: 1,
  }
  expect(backupHours(island, battery, 4)[0]).toBe(0)
  expect(backupHours(island, ownInverter, 4)[0]).toBe(4)
  expect(backupHours({ ...island, criticalKwh: kwh(5, 5, 5, 5) }, battery, 4)[0]).toBe(4)
})

test('without a grid what is clipped fills it too', () => {
  const day = (values: readonly number[]) =>
    Float64Array.from({ length: 8760 }, (_, i) => values[i % 24] ?? 0)
  const noon = Array.from({ length: 24 }, (_, hour) => (hour >= 11 && hour < 14 ? 5 : 0))
  const evening = Array.from({ length: 24 }, (_, hour) => (hour === 12 ? 5 : hour === 20 ? 2.7 : 0))
  const house = { yieldKwh: day(noon), loadKwh: day(evening), stepHours: 1, month: monthsOf(60) }
  const tight = { ...house, yieldKwh: day(noon.map((_, hour) => (hour === 12 ? 5 : 0))) }
  expect(offGrid(house, battery, 1).unservedKwh).toBeCloseTo(0, 9)
  expect(offGrid(tight, battery, 1).unservedKwh).toBeCloseTo(365 * 2.7, 6)
  const clipping = { ...tight, clippedKwh: day(noon.map((_, hour) => (hour === 12 ? 3 : 0))) }
  expect(offGrid(clipping, battery, 1).unservedKwh).toBeCloseTo(0, 9)
})

/** Ten days of summer. */
const [first, hours] = [150 * 24, 240]
test('a larger array without a grid comes with a larger inverter, and with more that is clipped', () => {
  const at = (hour: number, kwhThen: number) =>
    Float64Array.from({ length: 8760 }, (_, i) => (i % 24 === hour ? kwhThen : 0))
  const house = { yieldKwh: at(12, 1), clippedKwh: at(12, 1), loadKwh: at(20, 3.6), stepHours: 1 }
  const behind = { ...battery, chargeKw: 10, dischargeKw: 10, dcSide: { inverterKw: 2, gridEfficiency: 0.8 } }
  // 4 kWh inside give the 3.6: twice the array, of which half is clipped; and 3.6 kW of the 4 that its inverter then has.
  expect(offGrid({ ...house, month: monthsOf(60) }, behind, 1).arrayTimes).toBe(2)
})

test('by hand: the highest power first counts on what will be clipped, also where the house then needs more', () => {
  const day = Array.from({ length: 24 }, (_, hour) => hour)
  const by = (of: Readonly<Record<number, number>>) => Float64Array.from(day, (hour) => of[hour] ?? 0)
  const given: DispatchCase = {
    ...hoursOf(by({ 6: 3, 12: 5 }), by({ 8: 2, 12: 8, 20: 6 })),
    clippedKwh: by({ 12: 4 }),
    buy: new Float64Array(24),
    sell: new Float64Array(24),
    gridCharging: false,
  }
  const hours = {
    counts: Uint8Array.from(day, (hour) => Number(hour === 12 || hour === 20)),
    month: new Uint8Array(24),
  }
  const small = { ...battery, usableKwh: 3, dischargeEfficiency: 1 }
  const d = dispatchPeaks(given, small, hours)
  // The morning's sun may serve the house at eight: noon fills the battery again for the evening.
  expect([d.discharged[8], d.fromClipping[12], d.discharged[20]]).toEqual([2, 2, 3])
  expect([d.bought[12], d.bought[20]]).toEqual([3, 3])
})

test('by hand: the grid fills as much as is wanted, where the way through the inverter twice still pays', () => {
  const day = Array.from({ length: 24 }, (_, hour) => hour)
  const given = (dear: number): DispatchCase => ({
    ...hoursOf(
      new Float64Array(24),
      Float64Array.from(day, (hour) => (hour === 20 ? 1.8 : 0)),
    ),
    buy: Float64Array.from(day, (hour) => (hour === 3 ? 0.2 : dear)),
    sell: new Float64Array(24),
    gridCharging: true,
  })
  // 1.8 out are 2 inside and 2.5 of the grid: 0.2 for each is 0.278 for what comes out.
  const pays = dispatchByTariff(given(0.3), battery)
  expect(pays.bought[3]).toBeCloseTo(2.5, 9)
  expect(pays.bought[20]).toBeCloseTo(0, 9)
  const not = dispatchByTariff(given(0.25), battery)
  expect(not.bought[3]).toBe(0)
  expect(not.bought[20]).toBeCloseTo(1.8, 12)
  // One that stores a kWh of the grid as well as one of the sun needs 2, and pays then too.
  expect(dispatchByTariff(given(0.25), ownInverter).bought[3]).toBeCloseTo(2, 9)
})

const share = fc.double({ min: 0.8, max: 1, noNaN: true })
const anyBehind = fc
  .record({
    usableKwh: fc.double({ min: 2, max: 20, noNaN: true }),
    power: fc.double({ min: 0.5, max: 6, noNaN: true }),
    inverterKw: fc.double({ min: 1, max: 5, noNaN: true }),
    efficiency: share,
    through: share,
    reserve: fc.double({ min: 0, max: 0.4, noNaN: true }),
  })
  .map(({ usableKwh, power, inverterKw, efficiency, through, reserve }): BatteryRun => ({
    ...{ usableKwh, reserve },
    ...{ chargeKw: power * through, dischargeKw: power * through },
    chargeEfficiency: efficiency / through,
    dischargeEfficiency: efficiency * through,
    dcSide: { inverterKw, gridEfficiency: efficiency * through },
  }))

test('every rule: energy is kept under a sun that clips, and nothing passes what it cannot', () => {
  fc.assert(
    fc.property(anyBehind, fc.boolean(), (behind, gridCharging) => {
      const { inverterKw } = behind.dcSide ?? { inverterKw: 0 }
      const year = sunnyYear(1)
      const of = (series: Float64Array) => series.slice(first, first + hours)
      const sunny = { ...year, yieldKwh: of(year.yieldKwh) }
      const given: DispatchCase = {
        ...sunny,
        ...{ loadKwh: of(year.loadKwh), buy: of(year.buy), sell: of(year.sell) },
        gridCharging,
        yieldKwh: sunny.yieldKwh.map((made) => Math.min(made, inverterKw)),
        clippedKwh: sunny.yieldKwh.map((made) => Math.max(0, made - inverterKw)),
      }
      const own = dispatchOwnUse(given, behind)
      const byTariff = dispatchByTariff(given, behind)
      const byForecast = dispatchByTariff(given, behind, undefined, 'forecast')
      const counted = { counts: new Uint8Array(hours).fill(1), month: new Uint8Array(hours) }
      const peaks = dispatchPeaks(given, behind, counted)
      for (const run of [own, byTariff, byForecast, peaks]) expectSound(run, given, behind, null)
      const best = optimum(given, behind)
      const costOf = ({ bought, sold }: typeof own) =>
        bought.reduce(
          (sum, one, i) => sum + one * (given.buy[i] ?? 0) - (sold[i] ?? 0) * (given.sell[i] ?? 0),
          0,
        )
      for (const run of [own, byTariff, byForecast, peaks])
        expect(costOf(run)).toBeGreaterThanOrEqual(best.cost - 1e-6)
      // What would be clipped is never worse than nothing.
      const without = optimum({ ...given, clippedKwh: new Float64Array(hours) }, behind)
      expect(best.cost).toBeLessThanOrEqual(without.cost + 1e-6)
    }),
    { seed: 152, numRuns: 15, endOnFailure: true },
  )
})
