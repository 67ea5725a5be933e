import { dispatchByTariff } from './by-tariff'
import { type BatteryRun } from './battery-run'
import { dispatchOwnUse } from './own-use'
import { withStandby } from './standby'
import { batteryReasons, type BatteryYear } from './reasons'
import { sunnyYear } from './testing'

const battery: BatteryRun = {
  usableKwh: 10,
  chargeKw: 5,
  dischargeKw: 5,
  chargeEfficiency: 1,
  dischargeEfficiency: 1,
  reserve: 0.1,
}
const bounds = { floorKwh: 1, capKwh: 10, ownKwh: 0 }
const zero = [0, 0, 0, 0, 0, 0]
const hours: BatteryYear = {
  yield: [3, 0, 0, 0, 2, 2],
  load: [1, 1, 1, 1, 0, 0],
  charged: [2, 0, 0, 0, 2, 0],
  discharged: [0, 0, 1, 1, 0, 0],
  battery: [10, 10, 9, 8, 10, 10],
  sold: [0, 0, 0, 0, 0, 2],
  price: [0.2, 0.2, 0.45, 0.5, 0.2, 0.2],
  earns: [0.06, 0.06, 0.06, 0.06, 0.06, 0.07],
}

test('hours by hand: sun is stored for the evening, kept at noon, drawn at the dear hours', () => {
  const evening = { interval: 2, price: 0.45, sold: false }
  expect(batteryReasons(hours, 0, 6, 1, bounds)).toEqual([
    { interval: 0, deed: 'stores-sun', kwh: 2, price: 0.06, later: evening },
    { interval: 1, deed: 'keeps', kwh: 1, price: 0.2, later: evening },
    { interval: 2, deed: 'serves-house', kwh: 1, price: 0.45, later: null },
    { interval: 3, deed: 'serves-house', kwh: 1, price: 0.5, later: null },
    // The year goes round.
    { interval: 4, deed: 'stores-sun', kwh: 2, price: 0.06, later: evening },
    { interval: 5, deed: 'is-full', kwh: 2, price: 0.07, later: null },
  ])
})

test('what fills from the grid, sells, is empty, or never comes out', () => {
  const deeds = (year: Partial<BatteryYear>) =>
    batteryReasons(
      { ...hours, yield: zero, load: zero, charged: zero, discharged: zero, ...year },
      0,
      6,
      1,
      bounds,
    )
  const filled = deeds({ charged: [4, 0, 0, 0, 0, 0], battery: [5, 5, 5, 5, 5, 5] })
  expect(filled).toEqual([{ interval: 0, deed: 'fills-from-grid', kwh: 4, price: 0.2, later: null }])
  const sold = deeds({ discharged: [0, 0, 3, 0, 0, 0], load: [0, 0, 1, 0, 0, 0] })
  expect(sold).toEqual([{ interval: 2, deed: 'sells', kwh: 3, price: 0.06, later: null }])
  // It has room, and leaves it: by its price, or for what comes later.
  const left = deeds({ yield: [2, 0, 0, 0, 0, 0], sold: [2, 0, 0, 0, 0, 0], battery: [5, 5, 5, 5, 5, 5] })
  expect(left).toEqual([{ interval: 0, deed: 'leaves-sun', kwh: 2, price: 0.06, later: null }])
  // What is not sold either, as it would have to be paid for, is not told as sold.
  expect(deeds({ yield: [2, 0, 0, 0, 0, 0], battery: [5, 5, 5, 5, 5, 5] })).toEqual([])
  const empty = deeds({ load: [0, 2, 0, 0, 0, 0], battery: [1, 1, 1, 1, 1, 1] })
  expect(empty).toEqual([{ interval: 1, deed: 'is-empty', kwh: 2, price: 0.2, later: null }])
})

test('what the battery draws itself is needed in the house, not sold', () => {
  const own = withStandby({ ...sunnyYear(2), stepHours: 1 }, { ...battery, standbyKw: 0.03 })
  const run = dispatchOwnUse(own, battery)
  const { charged, discharged, sold, storedKwh } = run
  const year: BatteryYear = {
    ...{ charged, discharged, sold, battery: storedKwh, yield: own.yieldKwh },
    load: sunnyYear(2).loadKwh,
    price: own.buy,
    earns: own.sell,
  }
  const deeds = (ownKwh: number) =>
    new Set(batteryReasons(year, 0, 8760, 1, { ...bounds, ownKwh }).map(({ deed }) => deed))
  expect(deeds(0.03)).toEqual(new Set(['stores-sun', 'serves-house', 'is-full', 'is-empty']))
  expect(deeds(0)).toContain('sells')
})

test('over a year: what is filled from the grid spares more than it costs, and every hour that stores says for when', () => {
  const given = sunnyYear(1)
  const shown = (run: ReturnType<typeof dispatchOwnUse>): BatteryYear => ({
    yield: given.yieldKwh,
    load: given.loadKwh,
    ...run,
    battery: run.storedKwh,
    price: given.buy,
    earns: given.sell,
  })
  const byTariff = batteryReasons(shown(dispatchByTariff(given, battery)), 0, 8760, 1, bounds)
  const filled = byTariff.filter(({ deed }) => deed === 'fills-from-grid')
  expect(filled.length).toBeGreaterThan(100)
  for (const { price, later } of filled) expect(later?.price).toBeGreaterThan(price)
  const own = dispatchOwnUse(given, battery)
  const byOwnUse = batteryReasons(shown(own), 0, 8760, 1, bounds)
  // Own use first never keeps what the house could have.
  const kinds = new Set(byOwnUse.map(({ deed }) => deed))
  expect(kinds).toEqual(new Set(['stores-sun', 'serves-house', 'is-full', 'is-empty']))
  for (const { deed, interval, kwh } of byOwnUse)
    if (deed === 'serves-house') expect(kwh).toBeCloseTo(own.discharged[interval] ?? NaN, 12)
})
