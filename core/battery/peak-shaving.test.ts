import fc from 'fast-check'
import { monthsOf } from '../model/model-year'
import { type DispatchCase } from './optimum'
import { type BatteryRun } from './battery-run'
import { dispatchPeaks, peaksOf, type CountedHours } from './peak-shaving'
import { sunnyYear } from './testing'

const battery: BatteryRun = {
  usableKwh: 10,
  chargeKw: 5,
  dischargeKw: 5,
  chargeEfficiency: 0.95,
  dischargeEfficiency: 0.95,
  reserve: 0.1,
}
const all = (n: number): CountedHours => ({
  counts: new Uint8Array(n).fill(1),
  month: monthsOf((365 * 1440) / n),
})
const evenings = (n: number): CountedHours => {
  const perHour = n / 8760
  const hour = (i: number) => Math.floor(i / perHour) % 24
  return {
    ...all(n),
    counts: Uint8Array.from({ length: n }, (_, i) => (hour(i) >= 16 && hour(i) < 21 ? 1 : 0)),
  }
}
/** The same day over and over: half a kW, and 4 kW from six to eight in the evening; no sun. */
const plainYear = (): DispatchCase => ({
  yieldKwh: new Float64Array(8760),
  loadKwh: Float64Array.from({ length: 8760 }, (_, i) => (i % 24 >= 18 && i % 24 < 20 ? 4 : 0.5)),
  buy: new Float64Array(8760).fill(0.1),
  sell: new Float64Array(8760),
  stepHours: 1,
  exportLimitKw: null,
  gridCharging: true,
  startKwh: null,
})
const bareOf = ({ loadKwh, yieldKwh }: DispatchCase) => loadKwh.map((load, i) => load - (yieldKwh[i] ?? 0))

test('by hand: two hours of 4 kW are brought down as far as 9 kWh go', () => {
  const given = plainYear()
  const d = dispatchPeaks(given, battery, all(8760))
  // 9 kWh inside give 8.55; 3.5 a hour over the half kW want 7: the peak is what the rest of the day wants, filled slowly or fast.
  const peaks = peaksOf(d.bought, all(8760))
  for (const peak of peaks) {
    expect(peak).toBeLessThan(4 * 0.35)
    // All day long on average: no battery can do better than an even day.
    expect(peak).toBeGreaterThan((22 * 0.5 + 8) / 24)
  }
  expect(d.bought.reduce((sum, kwh) => sum + kwh, 0)).toBeGreaterThan(365 * 19)
})

test('a small battery: what is left over is shared out over the hours of the peak', () => {
  const small = { ...battery, usableKwh: 2, reserve: 0 }
  const peaks = peaksOf(dispatchPeaks(plainYear(), small, all(8760)).bought, all(8760))
  // 2 kWh inside give 1.9: 0.95 in each of the two hours. Limits are tried in steps of 2.5 % of 4 kW.
  for (const peak of peaks) {
    expect(peak).toBeGreaterThanOrEqual(4 - 0.95 - 1e-9)
    expect(peak).toBeLessThanOrEqual(4 - 0.95 + 0.1 + 1e-9)
  }
})

test('hours that do not count are served from the battery, and those that do come first', () => {
  const given = sunnyYear(1)
  const hours = evenings(8760)
  const d = dispatchPeaks(given, battery, hours)
  const [kept, bare] = [peaksOf(d.bought, hours), peaksOf(bareOf(given), hours)]
  kept.forEach((peak, m) => expect(peak).toBeLessThanOrEqual((bare[m] ?? 0) + 1e-9))
  const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length
  expect(mean(kept)).toBeLessThan(0.3 * mean(bare))
  // At night after the counted hours too.
  expect(d.discharged.some((kwh, i) => kwh > 0.1 && hours.counts[i] === 0)).toBe(true)
})

/** The lowest limit of each month that holds when the whole month is known, the battery full at its start; by halving. */
function knownPeaks(given: DispatchCase, own: BatteryRun, hours: CountedHours): number[] {
  const bare = bareOf(given)
  const room = own.usableKwh * (1 - own.reserve)
  const holds = (month: number, limit: number): boolean => {
    let wanted = 0
    for (let i = bare.length - 1; i >= 0; i--) {
      if (hours.month[i] !== month) continue
      const need = bare[i] ?? 0
      const under = hours.counts[i] === 1 ? limit - need : Infinity
      if (under < 0) {
        if (-under > own.dischargeKw) return false
        wanted -= under / own.dischargeEfficiency
      } else wanted = Math.max(0, wanted - Math.min(own.chargeKw, under) * own.chargeEfficiency)
      if (wanted > room) return false
    }
    return true
  }
  return peaksOf(bare, hours).map((peak, month) => {
    let [low, high] = [0, peak]
    for (let k = 0; k < 40; k++) {
      const middle = (low + high) / 2
      if (holds(month, middle)) high = middle
      else low = middle
    }
    return high
  })
}

test('never lower than knowing the month could, and most of what that takes away', () => {
  const given = sunnyYear(1)
  for (const hours of [evenings(8760), all(8760)]) {
    const small = { ...battery, usableKwh: 5 }
    const kept = peaksOf(dispatchPeaks(given, small, hours).bought, hours)
    const bare = peaksOf(bareOf(given), hours)
    const known = knownPeaks(given, small, hours)
    const sum = (values: readonly number[]) => values.reduce((total, one) => total + one, 0)
    kept.forEach((peak, m) => expect(peak).toBeGreaterThanOrEqual((known[m] ?? 0) - 1e-6))
    expect(sum(bare) - sum(kept)).toBeGreaterThan(0.85 * (sum(bare) - sum(known)))
  }
})

test('what the counted hours of the next day need is not given away before', () => {
  const small = { ...battery, usableKwh: 4 }
  const hours = evenings(8760)
  const d = dispatchPeaks(plainYear(), small, hours)
  // No sun, and a peak that takes all of it: outside the counted hours it is filled, and gives nothing.
  const given = d.discharged.reduce((sum, kwh, i) => sum + (i >= 24 && hours.counts[i] === 0 ? kwh : 0), 0)
  expect(given).toBe(0)
  expect(d.discharged.reduce((sum, kwh) => sum + kwh, 0)).toBeGreaterThan(365 * 3)
})

test('without the grid it is filled by the sun alone; ends as it begins; an export limit is kept to', () => {
  const given = { ...sunnyYear(1), gridCharging: false, exportLimitKw: 1 }
  const d = dispatchPeaks(given, battery, evenings(8760))
  d.charged.forEach((kwh, i) => {
    const over = (given.yieldKwh[i] ?? 0) - (given.loadKwh[i] ?? 0)
    expect(kwh).toBeLessThanOrEqual(Math.max(0, over) + 1e-12)
    expect(d.sold[i]).toBeLessThanOrEqual(1 + 1e-12)
  })
  const through = d.charged.reduce((sum, kwh, i) => sum + kwh * 0.95 - (d.discharged[i] ?? 0) / 0.95, 0)
  expect(through).toBeCloseTo(0, 6)
})

test('no hour counts: the house is served as it comes, and nothing breaks', () => {
  const given = { ...sunnyYear(1), gridCharging: false }
  const none = { counts: new Uint8Array(8760), month: monthsOf(60) }
  const d = dispatchPeaks(given, battery, none)
  expect(peaksOf(d.bought, none)).toEqual(new Array(12).fill(0))
  expect(d.discharged.reduce((sum, kwh) => sum + kwh, 0)).toBeGreaterThan(1000)
})

test('seeded: energy is kept, the battery stays within its bounds, and no month has a higher peak than without', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 6, noNaN: true }), { minLength: 48, maxLength: 48 }),
      fc.array(fc.double({ min: -0.01, max: 6, noNaN: true }), { minLength: 48, maxLength: 48 }),
      fc.record({
        usableKwh: fc.double({ min: 0.5, max: 20, noNaN: true }),
        chargeKw: fc.double({ min: 0.2, max: 6, noNaN: true }),
        dischargeKw: fc.double({ min: 0.2, max: 6, noNaN: true }),
        chargeEfficiency: fc.double({ min: 0.8, max: 1, noNaN: true }),
        dischargeEfficiency: fc.double({ min: 0.8, max: 1, noNaN: true }),
        reserve: fc.double({ min: 0, max: 0.9, noNaN: true }),
      }),
      fc.record({ gridCharging: fc.boolean(), exportLimitKw: fc.constantFrom(null, 0, 2) }),
      fc.boolean(),
      (load, made, own, rules, isEvenings) => {
        const n = 8760
        // Two days over and over, each a little different.
        const series = (of: readonly number[]) =>
          Float64Array.from({ length: n }, (_, i) => (of[i % 48] ?? 0) * (1 + 0.2 * Math.sin(i / 71)))
        const given = { ...plainYear(), ...rules, loadKwh: series(load), yieldKwh: series(made) }
        const hours = isEvenings ? evenings(n) : all(n)
        const d = dispatchPeaks(given, own, hours)
        let worst = 0
        for (let i = 0; i < n; i++) {
          const at = (a: Float64Array) => a[i] ?? 0
          const into = at(given.yieldKwh) + at(d.bought) + at(d.discharged)
          const outOf = at(given.loadKwh) + at(d.charged) + at(d.sold) + at(d.curtailed)
          worst = Math.max(worst, Math.abs(into - outOf))
          worst = Math.max(
            worst,
            own.usableKwh * own.reserve - at(d.storedKwh),
            at(d.storedKwh) - own.usableKwh,
          )
          worst = Math.max(worst, at(d.charged) - own.chargeKw, at(d.discharged) - own.dischargeKw)
        }
        expect(worst).toBeLessThan(1e-9)
        const bare = peaksOf(bareOf(given), hours)
        peaksOf(d.bought, hours).forEach((peak, m) => expect(peak).toBeLessThanOrEqual((bare[m] ?? 0) + 1e-9))
      },
    ),
    { numRuns: 40, seed: 20261130 },
  )
}, 60_000)
