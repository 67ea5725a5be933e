import { loadShapes } from '../model/kinds/load'
import { localClock } from '../model/local-clock'
import { hourlyLoad } from './hourly-load'

const clock = localClock('America/New_York', Date.UTC(2025, 0, 1, 5), 60, 8760)

test.each(loadShapes)(
  '%s: sums to the total, with a proportion of evening and noon that is its own',
  (shape) => {
    const kwh = hourlyLoad({ annualKwh: 8760, shape }, clock, 41)
    expect(kwh.reduce((s, x) => s + x, 0)).toBeCloseTo(8760, 6)
    expect(Math.min(...kwh)).toBeGreaterThan(0)
  },
)

test('seasons turn with the hemisphere', () => {
  const july = (lat: number) =>
    hourlyLoad({ annualKwh: 1000, shape: 'all-electric' }, clock, lat)[24 * 185] ?? 0
  expect(july(-35)).toBeGreaterThan(july(41) * 1.5)
})

test('quarter hours carry the same year as hours, and a leap into summer time moves no energy', () => {
  const quarters = localClock('America/New_York', Date.UTC(2025, 0, 1, 5), 15, 35040)
  const fine = hourlyLoad({ annualKwh: 9000, shape: 'evening' }, quarters, 41)
  const coarse = hourlyLoad({ annualKwh: 9000, shape: 'evening' }, clock, 41)
  const worst = coarse.reduce((most, kwh, hour) => {
    const sum = fine.subarray(hour * 4, hour * 4 + 4).reduce((s, x) => s + x, 0)
    return Math.max(most, Math.abs(sum - kwh))
  }, 0)
  expect(worst).toBeLessThan(1e-9)
})

test('nothing used is nothing in every hour, and the shapes are unlike each other', () => {
  const none = hourlyLoad({ annualKwh: 0, shape: 'evening' }, clock, 41)
  expect(Math.max(...none)).toBe(0)
  const night = (shape: (typeof loadShapes)[number]) =>
    hourlyLoad({ annualKwh: 1000, shape }, clock, 41).reduce(
      (sum, kwh, i) => sum + ((clock.hour[i] ?? 12) < 5 ? kwh : 0),
      0,
    )
  expect(night('night-car')).toBeGreaterThan(1.5 * night('evening'))
})
