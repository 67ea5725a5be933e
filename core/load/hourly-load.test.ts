import { defaultLoad, loadShapes, type Load } from '../kinds/load/load'
import { localClock, type LocalClock } from '../model/local-clock'
import { encodedHours } from './meter-year'
import { hourlyLoad as spread } from './hourly-load'

const hourlyLoad = (fields: Partial<Load>, ...rest: [LocalClock, boolean]) =>
  spread({ ...defaultLoad, ...fields }, ...rest)
const clock = localClock('America/New_York', Date.UTC(2025, 0, 1, 5), 60, 8760)

test.each(loadShapes)(
  '%s: sums to the total, with a proportion of evening and noon that is its own',
  (shape) => {
    const kwh = hourlyLoad({ annualKwh: 8760, shape }, clock, false)
    expect(kwh.reduce((s, x) => s + x, 0)).toBeCloseTo(8760, 6)
    expect(Math.min(...kwh)).toBeGreaterThan(0)
  },
)

test('seasons turn with the hemisphere', () => {
  const load = { annualKwh: 1000, shape: 'all-electric' } as const
  const [north, south] = [hourlyLoad(load, clock, false), hourlyLoad(load, clock, true)]
  // 0.8 of the mean in July in the north, 1.6 where it is January's season; both add up to the year.
  const july = 24 * 185
  expect((south[july] ?? 0) / (north[july] ?? 1)).toBeCloseTo(2, 1)
  expect(south[july] ?? 0).toBeGreaterThan((north[july] ?? 0) * 1.5)
})

test('quarter hours carry the same year as hours, and a leap into summer time moves no energy', () => {
  const quarters = localClock('America/New_York', Date.UTC(2025, 0, 1, 5), 15, 35040)
  const fine = hourlyLoad({ annualKwh: 9000, shape: 'evening' }, quarters, false)
  const coarse = hourlyLoad({ annualKwh: 9000, shape: 'evening' }, clock, false)
  const worst = coarse.reduce((most, kwh, hour) => {
    const sum = fine.subarray(hour * 4, hour * 4 + 4).reduce((s, x) => s + x, 0)
    return Math.max(most, Math.abs(sum - kwh))
  }, 0)
  expect(worst).toBeLessThan(1e-9)
})

test('every hour has its part of the archetype day, by hand', () => {
  const kwh = hourlyLoad({ annualKwh: 9000, shape: 'evening' }, clock, false)
  // 2025: 1 January is a Wednesday, 5 January a Sunday, 1 April a Tuesday.
  const at = (day: number, hour: number) => kwh[day * 24 + hour] ?? NaN
  expect(at(0, 19) / at(0, 3)).toBeCloseTo(124 / 32, 9)
  expect(at(0, 7) / at(0, 12)).toBeCloseTo(80 / 42, 9)
  expect(at(4, 10) / at(0, 10)).toBeCloseTo(86 / 40, 9)
  // The clock is an hour ahead in April: standard 18:00 is 19:00 there.
  expect(at(90, 18) / at(0, 19)).toBeCloseTo(0.8 / 1.02, 9)
  const night = hourlyLoad({ annualKwh: 9000, shape: 'night-car' }, clock, false)
  expect((night[1] ?? 0) / (night[18] ?? 1)).toBeCloseTo(152 / 114, 9)
})

test('nothing used is nothing in every hour, and the shapes are unlike each other', () => {
  const none = hourlyLoad({ annualKwh: 0, shape: 'evening' }, clock, false)
  expect(Math.max(...none)).toBe(0)
  const night = (shape: (typeof loadShapes)[number]) =>
    hourlyLoad({ annualKwh: 1000, shape }, clock, false).reduce(
      (sum, kwh, i) => sum + ((clock.hour[i] ?? 12) < 5 ? kwh : 0),
      0,
    )
  expect(night('night-car')).toBeGreaterThan(1.5 * night('evening'))
})

test('twelve months have their parts of the year, whatever the shape; one without use is filled evenly', () => {
  const byMonth = [100, 0, 300, 100, 100, 100, 100, 100, 100, 100, 100, 100]
  const kwh = hourlyLoad({ annualKwh: 2600, shape: 'all-electric', byMonth }, clock, false)
  const months = new Array<number>(12).fill(0)
  kwh.forEach((value, i) => (months[clock.month[i] ?? 0] = (months[clock.month[i] ?? 0] ?? 0) + value))
  months.forEach((sum, m) => expect(sum).toBeCloseTo(2 * (byMonth[m] ?? NaN), 6))
  // A meter that was off all through January.
  const hours = Float64Array.from(clock.month, (month) => (month === 0 ? 0 : 1))
  const meter = {
    name: 'm',
    from: '2024-01-01',
    days: 365,
    stepMinutes: 60,
    filledShare: 0,
    ...encodedHours(hours),
  }
  const measured = hourlyLoad({ annualKwh: 1300, shape: 'meter', meter, byMonth }, clock, false)
  expect(measured[0]).toBeCloseTo(100 / 744, 9)
})

test('a meter’s hours come out as they were, scaled to the annual figure, in quarter-hours too', () => {
  const hours = Float64Array.from({ length: 8760 }, (_, i) => (i % 24 === 18 ? 2 : 0.5))
  const meter = {
    name: 'm',
    from: '2024-01-01',
    days: 365,
    stepMinutes: 60,
    filledShare: 0,
    ...encodedHours(hours),
  }
  const load = { annualKwh: 2 * 365 * 13.5, shape: 'meter', meter } as const
  const kwh = hourlyLoad(load, clock, true)
  expect(kwh[18]).toBeCloseTo(4, 9)
  expect(kwh[19]).toBeCloseTo(1, 9)
  const quarters = localClock('America/New_York', Date.UTC(2025, 0, 1, 5), 15, 35040)
  expect(hourlyLoad(load, quarters, true)[4 * 18 + 3]).toBeCloseTo(1, 9)
  // Named and not there, the usual evening stands in.
  expect(hourlyLoad({ annualKwh: 100, shape: 'meter' }, clock, false)).toEqual(
    hourlyLoad({ annualKwh: 100, shape: 'evening' }, clock, false),
  )
})
