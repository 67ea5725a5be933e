import fc from 'fast-check'
import { backupHours, backupSummary, type Island } from './backup'
import { type BatteryRun } from './battery-run'
import { dispatchOwnUse } from './own-use'
import { hoursOf, sunnyYear } from './testing'

const battery: BatteryRun = {
  usableKwh: 10,
  chargeKw: 5,
  dischargeKw: 5,
  chargeEfficiency: 0.9,
  dischargeEfficiency: 0.9,
  reserve: 0.2,
}
const series = (...values: number[]) => Float64Array.from(values)
const always = (value: number, n: number) => new Float64Array(n).fill(value)
const dark = (fields: Partial<Island>): Island => ({
  yieldKwh: always(0, 24),
  criticalKwh: always(1, 24),
  storedKwh: always(10, 24),
  stepHours: 1,
  ...fields,
})

test('ten kilowatt-hours at 90 % out carry a kilowatt for nine hours, and half of it for eighteen', () => {
  expect(backupHours(dark({}), battery, 48)[0]).toBeCloseTo(9, 6)
  expect(backupHours(dark({ criticalKwh: always(0.5, 24) }), battery, 48)[5]).toBeCloseTo(18, 6)
  // The reserve is there for this.
  expect(backupHours(dark({ storedKwh: always(2, 24) }), battery, 48)[0]).toBeCloseTo(1.8, 6)
})

test('too much at once goes out at once; nothing on runs as far as is looked', () => {
  expect(backupHours(dark({ criticalKwh: always(6, 24) }), battery, 48)[0]).toBe(0)
  expect(backupHours(dark({ criticalKwh: always(0, 24) }), battery, 12)[0]).toBe(12)
})

test('sun on the way fills it again, no more than fits and than its power takes in', () => {
  // One in, four of sun over three hours' use: 0.9 of it goes in.
  const island = dark({
    yieldKwh: series(0, 0, 9, 0, 0, 0, 0, 0),
    criticalKwh: always(1, 8),
    storedKwh: always(3, 8),
  })
  // 3 hold two hours (2.22) with 0.78 left; eight are over, five go in as 4.5; 5.28 at 0.9 are 4.75 hours.
  expect(backupHours(island, battery, 8)[0]).toBeCloseTo(2 + 1 + (3 - 2 / 0.9 + 4.5) * 0.9, 5)
})

test('a year: more battery runs no shorter, more use no longer; the summary holds all of it', () => {
  const { yieldKwh, loadKwh } = sunnyYear(1)
  const hoursWith = (usableKwh: number, kw: number) => {
    const sized = { ...battery, usableKwh }
    const { storedKwh } = dispatchOwnUse(hoursOf(yieldKwh, loadKwh), sized)
    return backupHours({ yieldKwh, criticalKwh: always(kw, 8760), storedKwh, stepHours: 1 }, sized, 336)
  }
  const [small, large, lean] = [hoursWith(8, 0.4), hoursWith(16, 0.4), hoursWith(8, 0.2)]
  expect(small.every((hours, i) => hours <= (large[i] ?? 0) + 1e-4)).toBe(true)
  expect(small.every((hours, i) => hours <= (lean[i] ?? 0) + 1e-4)).toBe(true)
  const month = Uint8Array.from({ length: 8760 }, (_, i) => Math.min(11, Math.floor(i / 730)))
  const said = backupSummary(small, month, 336)
  expect(said.worstHours).toBe(small.reduce((least, hours) => Math.min(least, hours), Infinity))
  expect(small[said.worstInterval]).toBe(said.worstHours)
  said.byMonth.forEach((median, m) => {
    const own = small.filter((_, i) => month[i] === m)
    expect(own.filter((hours) => hours < median).length).toBeLessThanOrEqual(own.length / 2)
    expect(own.filter((hours) => hours > median).length).toBeLessThanOrEqual(own.length / 2)
  })
  const shorter = small.filter((hours) => hours < said.mostlyHours).length
  expect(shorter / 8760).toBeLessThanOrEqual(0.05)
  expect(said.dayShare).toBeCloseTo(small.filter((hours) => hours >= 24 - 1e-6).length / 8760, 12)
})

test('seeded islands agree with going through them in minutes', () => {
  const kwh = (most: number) =>
    fc.array(
      fc.integer({ min: 0, max: most * 50 }).map((value) => value / 50),
      { minLength: 12, maxLength: 12 },
    )
  fc.assert(
    fc.property(kwh(4), kwh(3), fc.integer({ min: 0, max: 10 }), (made, used, start) => {
      const island = {
        yieldKwh: series(...made),
        criticalKwh: series(...used),
        storedKwh: always(start, 12),
        stepHours: 1,
      }
      const hours = backupHours(island, battery, 12)[0] ?? NaN
      let [held, minutes] = [start, 0]
      for (; minutes < 12 * 60; minutes++) {
        const i = Math.floor(minutes / 60)
        const net = ((made[i] ?? 0) - (used[i] ?? 0)) / 60
        if (net >= 0) held = Math.min(10, held + Math.min(net, 5 / 60) * 0.9)
        else if (-net / 0.9 > held + 1e-12) break
        else held += net / 0.9
      }
      expect(Math.abs(hours * 60 - minutes)).toBeLessThanOrEqual(1.001)
    }),
    { seed: 77, numRuns: 400, endOnFailure: true },
  )
})
