import { seededRandom } from '../model/random'
import { offGrid, type OffGridCase } from './off-grid'
import { type BatteryRun } from './battery-run'

const battery: BatteryRun = {
  usableKwh: 4,
  chargeKw: 2,
  dischargeKw: 2,
  chargeEfficiency: 1,
  dischargeEfficiency: 1,
  reserve: 0.5,
}
const dayOf = (yieldKwh: number[], loadKwh: number[], stepHours = 1): OffGridCase => ({
  yieldKwh: Float64Array.from(yieldKwh),
  loadKwh: Float64Array.from(loadKwh),
  stepHours,
  month: yieldKwh.map(() => 0),
})

test('by hand: what sun and battery leave missing, the generator for it, and the array that leaves nothing', () => {
  // Four hours of sun bring 8 kWh, of which the house takes 4 at once; the battery carries the other 4 into four of six
  // hours without.
  const day = dayOf([2, 2, 2, 2, 0, 0, 0, 0, 0, 0], [1, 1, 1, 1, 1, 1, 1, 1, 1, 1])
  const found = offGrid(day, battery, 1)
  expect(found.servedShare).toBeCloseTo(0.8, 12)
  expect(found.unservedKwh).toBeCloseTo(2, 12)
  expect(found.unservedByMonth).toEqual([2, ...new Array<number>(11).fill(0)])
  expect([...found.missing]).toEqual([0, 0, 0, 0, 0, 0, 0, 0, 1, 1])
  expect(found.longest).toEqual({ first: 8, hours: 2 })
  expect(found.generator).toEqual({ kw: 1, kwh: 2, hours: 2 })
  // It holds 4 kWh and no more: no array makes up for that.
  expect(found.arrayTimes).toBeNull()
  // With one that holds 6, an array one and a quarter times as large: ten hours of 1 kWh from 8 kWh of sun.
  expect(offGrid(day, { ...battery, usableKwh: 6 }, 1).arrayTimes).toBeCloseTo(1.25, 12)
  // Eight of ten hours are served as it is.
  expect(offGrid(day, battery, 0.8)).toMatchObject({ arrayTimes: 1, generator: { kw: 0, kwh: 0, hours: 0 } })
  // A generator of 1 kW for one of the two hours: the other is allowed to want as much.
  expect(offGrid(day, battery, 0.9).generator).toMatchObject({ kw: 1, hours: 2 })
  // Of 1, 2 and 3 kWh one may go short: a generator of 2 kW gives 1, 2 and 2.
  const uneven = offGrid(dayOf([0, 0, 0, 5, 5], [1, 2, 3, 1, 1]), null, 0.8)
  expect(uneven.generator).toEqual({ kw: 2, kwh: 5, hours: 3 })
})

test('quarter-hours, what the battery draws itself, what the inverter draws at night, and no battery', () => {
  const day = dayOf([1, 1, 0, -0.01], [0.2, 0.2, 0.2, 0.2], 0.25)
  const none = offGrid(day, null, 1)
  expect(none.servedShare).toBe(0.5)
  expect(none.unservedKwh).toBeCloseTo(0.41, 12)
  expect(none.generator.hours).toBe(0.5)
  expect(none.generator.kw).toBeCloseTo(0.84, 12)
  // 0.4 kW of its own for a quarter of an hour are 0.1 kWh in each.
  const own = { ...battery, usableKwh: 0.3, standbyKw: 0.4 }
  expect(offGrid(day, own, 1).unservedKwh).toBeCloseTo(0.61 - 0.3, 12)
})

test('nothing wanted is nothing missing; a house without sun has what its battery never gets', () => {
  const idle = offGrid(dayOf([0, 0], [0, 0]), battery, 1)
  expect(idle).toMatchObject({ servedShare: 1, unservedKwh: 0, arrayTimes: 0, longest: { hours: 0 } })
  const dark = offGrid(dayOf([0, 0], [1, 2]), battery, 1)
  expect(dark).toMatchObject({ servedShare: 0, unservedKwh: 3, arrayTimes: null })
  expect(dark.generator).toEqual({ kw: 2, kwh: 3, hours: 2 })
  expect(dark.longest).toEqual({ first: 0, hours: 2 })
  // What is missing over New Year is one stretch.
  const over = offGrid(dayOf([0, 0, 9, 9, 0], [1, 1, 1, 1, 1]), null, 1)
  expect(over.longest).toEqual({ first: 4, hours: 3 })
})

/** Hour by hour, going round until a year ends as it begins. */
function slow({ yieldKwh, loadKwh, stepHours }: OffGridCase, one: BatteryRun, times: number): number[] {
  let stored = 0
  let missing: number[] = []
  for (let round = 0; round < 40; round++) {
    missing = []
    yieldKwh.forEach((kwh, i) => {
      const made = kwh > 0 ? kwh * times : 0
      const wanted = (loadKwh[i] ?? 0) + (one.standbyKw ?? 0) * stepHours + Math.max(0, -kwh)
      const spare = made - wanted
      if (spare > 0) {
        const room = (one.usableKwh - stored) / one.chargeEfficiency
        stored += Math.min(spare, one.chargeKw * stepHours, room) * one.chargeEfficiency
        missing.push(0)
        return
      }
      const given = Math.min(-spare, one.dischargeKw * stepHours, stored * one.dischargeEfficiency)
      stored -= given / one.dischargeEfficiency
      missing.push(-spare - given)
    })
  }
  return missing
}

test('400 seeded houses: as going hour by hour has it; the array is the least that does it, and so is the generator', () => {
  const random = seededRandom(21)
  let found = 0
  for (let k = 0; k < 400; k++) {
    const hours = 48
    const sun = random() * 4
    const day: OffGridCase = {
      yieldKwh: Float64Array.from({ length: hours }, (_, i) =>
        i % 24 > 6 && i % 24 < 18 ? random() * sun : -0.005,
      ),
      loadKwh: Float64Array.from({ length: hours }, () => 0.1 + random()),
      stepHours: 1,
      month: Uint8Array.from({ length: hours }, (_, i) => Math.floor(i / 24)),
    }
    const one: BatteryRun = {
      usableKwh: 1 + random() * 20,
      chargeKw: 0.5 + random() * 4,
      dischargeKw: 0.5 + random() * 4,
      chargeEfficiency: 0.9 + random() * 0.1,
      dischargeEfficiency: 0.9 + random() * 0.1,
      reserve: random() * 0.5,
      standbyKw: random() * 0.05,
    }
    const wanted = 0.5 + Math.round(random() * 50) / 100
    const told = offGrid(day, one, wanted)
    const missing = slow(day, one, 1)
    const unserved = (series: number[], generatorKw = 0) =>
      series.filter((kwh) => kwh - generatorKw > 1e-6).length
    const allowed = Math.floor((1 - wanted) * hours + 1e-9)
    expect(told.unservedKwh).toBeCloseTo(
      missing.reduce((sum, kwh) => sum + kwh, 0),
      6,
    )
    expect(told.servedShare).toBeCloseTo(1 - unserved(missing) / hours, 9)
    expect(told.unservedByMonth.reduce((sum, kwh) => sum + kwh, 0)).toBeCloseTo(told.unservedKwh, 9)
    const { kw } = told.generator
    expect(unserved(missing, kw)).toBeLessThanOrEqual(allowed)
    if (kw > 0) expect(unserved(missing, kw - 1e-4)).toBeGreaterThan(allowed)
    if (told.arrayTimes === null) {
      expect(unserved(slow(day, one, 20))).toBeGreaterThan(allowed)
      continue
    }
    found++
    expect(unserved(slow(day, one, told.arrayTimes))).toBeLessThanOrEqual(allowed)
    if (told.arrayTimes > 0) expect(unserved(slow(day, one, told.arrayTimes - 0.01))).toBeGreaterThan(allowed)
  }
  expect(found).toBeGreaterThan(100)
}, 60_000)
