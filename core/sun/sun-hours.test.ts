import fc from 'fast-check'
import { monthOfDay, yearStartMs } from '../model/model-year'
import { deltaTSeconds, julianDayOf, sunEphemeris, sunPosition } from './position'
import { sunDay } from './rise-set'
import { sunHours } from './sun-hours'
import { yearEphemeris } from './year-ephemeris'

const place = { latitudeDeg: 41.6, longitudeDeg: -71.4, elevationM: 10 }

test('months of the model year', () => {
  expect([0, 30, 31, 58, 59, 364].map(monthOfDay)).toEqual([0, 0, 1, 1, 2, 11])
})

test('the interpolated ephemeris stays within 0.0001 degrees of the series, all year and round midnight', () => {
  const start = julianDayOf(yearStartMs(9.5))
  const deltaT = deltaTSeconds(2025)
  const at = yearEphemeris(start, deltaT)
  fc.assert(
    fc.property(fc.double({ min: -0.9, max: 366.9, noNaN: true }), (day) => {
      const quick = at(start + day)
      const full = sunEphemeris(start + day, deltaT)
      const turn = (a: number, b: number) => Math.abs(((((a - b + 180) % 360) + 360) % 360) - 180)
      return (
        Math.abs(quick.declinationDeg - full.declinationDeg) < 1e-4 &&
        turn(quick.rightAscensionDeg, full.rightAscensionDeg) < 1e-4 &&
        turn(quick.siderealTimeDeg, full.siderealTimeDeg) < 1e-4 &&
        Math.abs(quick.radiusAu - full.radiusAu) < 1e-6
      )
    }),
    { seed: 5, numRuns: 400 },
  )
  expect(() => at(start + 400)).toThrow(RangeError)
})

test('in whole hours of sun it stands where the full algorithm puts it', () => {
  const sun = sunHours(place, -5, 60)
  const start = yearStartMs(-5)
  for (let k = 0; k < sun.interval.length; k += 97) {
    if ((sun.upShare[k] ?? 0) < 1) continue
    const full = sunPosition(start + ((sun.interval[k] ?? 0) + 0.5) * 3_600_000, place)
    expect(sun.zenithDeg[k]).toBeCloseTo(full.zenithDeg, 3)
    expect(sun.azimuthDeg[k]).toBeCloseTo(full.azimuthDeg, 2)
  }
})

test.each([
  [41.6, -71.4, -5],
  [-34.7, 138.7, 9.5],
  [27.7, 85.3, 5.75],
  [64.1, -21.9, 0],
])('at %f, %f the hours of sun a day are those from rise to set', (latitudeDeg, longitudeDeg, zone) => {
  const sun = sunHours({ latitudeDeg, longitudeDeg, elevationM: 0 }, zone, 60)
  const hours = new Float64Array(365)
  sun.interval.forEach((i, k) => {
    const day = Math.floor(i / 24)
    hours[day] = (hours[day] ?? 0) + (sun.upShare[k] ?? 0)
  })
  for (let day = 5; day < 360; day += 23) {
    const { sunriseMs, sunsetMs } = sunDay(Date.UTC(2025, 0, 1 + day), latitudeDeg, longitudeDeg, zone)
    // Rise and set are of the sun's upper limb, these hours of its middle: some minutes less.
    const whole = ((sunsetMs ?? 0) - (sunriseMs ?? 0)) / 3_600_000
    expect(hours[day]).toBeLessThan(whole + 0.01)
    expect(hours[day]).toBeGreaterThan(whole - 0.3)
  }
})

test('quarter hours are the same sun in finer steps', () => {
  const sum = (step: number) => {
    const sun = sunHours(place, -5, step)
    return sun.upShare.reduce((s, share) => s + share, 0) * (step / 60)
  }
  expect(sum(15)).toBeCloseTo(sum(60), 0)
  expect(sum(60)).toBeGreaterThan(365 * 12)
  expect(sum(60)).toBeLessThan(365 * 12.4)
})

test('polar night has no entries, polar day has all', () => {
  const sun = sunHours({ latitudeDeg: 78, longitudeDeg: 15, elevationM: 0 }, 1, 60)
  const onDay = (day: number) => sun.interval.filter((i) => Math.floor(i / 24) === day).length
  expect(onDay(354)).toBe(0)
  expect(onDay(171)).toBe(24)
})

test('over 1950 to 2100 and all latitudes: noon stands in the meridian, days join without a jump', () => {
  for (let year = 1950; year <= 2100; year += 10)
    for (let latitude = -85; latitude <= 85; latitude += 17) {
      const day = Date.UTC(year, 3, 11)
      const { transitMs, sunriseMs, sunsetMs } = sunDay(day, latitude, 0, 0)
      const noon = sunPosition(transitMs, { latitudeDeg: latitude, longitudeDeg: 0 })
      const fromMeridian =
        Math.abs(Math.sin((noon.azimuthDeg * Math.PI) / 180)) * Math.sin((noon.zenithDeg * Math.PI) / 180)
      expect(fromMeridian).toBeLessThan(0.002)
      // A second on, the sun has hardly moved: no step at the joints of the years.
      const next = sunPosition(transitMs + 1000, { latitudeDeg: latitude, longitudeDeg: 0 })
      expect(Math.abs(next.zenithDeg - noon.zenithDeg)).toBeLessThan(0.005)
      if (sunriseMs === null || sunsetMs === null) continue
      const height = (ms: number) =>
        sunPosition(ms, { latitudeDeg: latitude, longitudeDeg: 0, pressureHpa: 0 }).elevationDeg
      expect(height(sunriseMs)).toBeCloseTo(-0.8333, 1)
      expect(height(sunsetMs)).toBeCloseTo(-0.8333, 1)
      expect(Math.abs(transitMs - sunriseMs - (sunsetMs - transitMs))).toBeLessThan(8 * 60_000)
    }
})

test('north and south are mirrored half a year apart', () => {
  const noon = (latitudeDeg: number, month: number) => {
    const day = Date.UTC(2025, month, 21)
    const { transitMs } = sunDay(day, latitudeDeg, 0, 0)
    return sunPosition(transitMs, { latitudeDeg, longitudeDeg: 0 })
  }
  expect(noon(35, 5).elevationDeg).toBeCloseTo(noon(-35, 11).elevationDeg, 1)
  expect(noon(35, 5).azimuthDeg).toBeCloseTo(180, 1)
  expect(Math.cos((noon(-35, 11).azimuthDeg * Math.PI) / 180)).toBeCloseTo(1, 6)
})
