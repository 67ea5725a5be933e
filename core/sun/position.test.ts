import fc from 'fast-check'
import {
  deltaTSeconds,
  incidenceDeg,
  julianDayOf,
  sunAsSeen,
  sunDirection,
  sunEphemeris,
  sunPosition,
} from './position'
import { sunDay } from './rise-set'

/** The worked example of Reda & Andreas 2004, appendix A.5 (as revised 2008). */
const example = {
  time: Date.UTC(2003, 9, 17, 19, 30, 30),
  observer: {
    latitudeDeg: 39.742476,
    longitudeDeg: -105.1786,
    elevationM: 1830.14,
    pressureHpa: 820,
    temperatureC: 11,
  },
  deltaT: 67,
}

test('the published example, to its printed digits', () => {
  expect(julianDayOf(example.time)).toBeCloseTo(2452930.312847, 6)
  const sun = sunEphemeris(julianDayOf(example.time), example.deltaT)
  expect(sun.heliocentricLongitudeDeg).toBeCloseTo(24.0182616917, 6)
  expect(sun.heliocentricLatitudeDeg).toBeCloseTo(-0.0001011219, 9)
  expect(sun.radiusAu).toBeCloseTo(0.9965422974, 9)
  expect(sun.nutationLongitudeDeg).toBeCloseTo(-0.0039984, 7)
  expect(sun.nutationObliquityDeg).toBeCloseTo(0.00166657, 7)
  const seen = sunAsSeen(sun, example.observer)
  expect(seen.hourAngleDeg).toBeCloseTo(11.10629, 4)
  expect(seen.declinationDeg).toBeCloseTo(-9.316179, 5)
  expect(seen.zenithDeg).toBeCloseTo(50.11162, 5)
  expect(seen.azimuthDeg).toBeCloseTo(194.34024, 5)
  expect(incidenceDeg(seen, 30, 170)).toBeCloseTo(25.187, 4)
})

test('sunrise, transit and sunset of the published example; its day is that of Greenwich', () => {
  const day = sunDay(Date.UTC(2003, 9, 17), 39.742476, -105.1786, 0, 67)
  const clock = (ms: number | null) =>
    ms === null ? '' : new Date(ms - 7 * 3_600_000).toISOString().slice(11, 19)
  expect(clock(day.sunriseMs)).toBe('06:12:43')
  expect(clock(day.sunsetMs)).toBe('17:20:19')
  expect(clock(day.transitMs)).toBe('11:46:04')
  // Of the local day the sunset is the next one, a day later in autumn: earlier by some 88 seconds.
  expect(clock(sunDay(Date.UTC(2003, 9, 17), 39.742476, -105.1786, -7, 67).sunsetMs)).toBe('17:18:51')
})

test('polar day and polar night have no sunrise', () => {
  expect(sunDay(Date.UTC(2024, 5, 21), 78, 15, 1).sunriseMs).toBeNull()
  expect(sunDay(Date.UTC(2024, 11, 21), 78, 15, 1).sunsetMs).toBeNull()
})

test('at rise and set the upper limb stands on the horizon; the noon sun stands in the meridian', () => {
  const latitude = fc.double({ min: -62, max: 62, noNaN: true })
  const longitude = fc.double({ min: -180, max: 180, noNaN: true })
  const day = fc.integer({ min: Date.UTC(1950, 0, 1) / 86_400_000, max: Date.UTC(2100, 11, 31) / 86_400_000 })
  fc.assert(
    fc.property(latitude, longitude, day, (lat, lon, d) => {
      const offset = lon / 15
      const { sunriseMs, transitMs, sunsetMs } = sunDay(d * 86_400_000, lat, lon, offset)
      if (sunriseMs === null || sunsetMs === null) return
      const still = { latitudeDeg: lat, longitudeDeg: lon, pressureHpa: 0 }
      expect(Math.abs(sunPosition(sunriseMs, still).elevationDeg + 0.8333)).toBeLessThan(0.05)
      expect(Math.abs(sunPosition(sunsetMs, still).elevationDeg + 0.8333)).toBeLessThan(0.05)
      expect(sunriseMs).toBeLessThan(transitMs)
      expect(transitMs).toBeLessThan(sunsetMs)
      const hour = sunPosition(transitMs, still).hourAngleDeg
      expect(Math.min(hour, 360 - hour)).toBeLessThan(0.02)
    }),
    { seed: 11, numRuns: 300 },
  )
})

test('the noon sun stands in the south of Pellworth and in the north of Tarrowee', () => {
  const north = sunDay(Date.UTC(2024, 2, 20), 41.6, -71.4, -5)
  expect(sunPosition(north.transitMs, { latitudeDeg: 41.6, longitudeDeg: -71.4 }).azimuthDeg).toBeCloseTo(
    180,
    0,
  )
  const south = sunDay(Date.UTC(2024, 2, 20), -34.7, 138.7, 9.5)
  const azimuth = sunPosition(south.transitMs, { latitudeDeg: -34.7, longitudeDeg: 138.7 }).azimuthDeg
  expect(Math.min(azimuth, 360 - azimuth)).toBeLessThan(0.5)
})

test('a direction is a unit vector with z up', () => {
  expect(sunDirection({ elevationDeg: 90, azimuthDeg: 0 })[2]).toBeCloseTo(1, 12)
  expect(sunDirection({ elevationDeg: 0, azimuthDeg: 90 })[0]).toBeCloseTo(1, 12)
})

test('TT - UT passes the measured values of 1950, 2000 and 2020 within a second or three', () => {
  expect(deltaTSeconds(1950)).toBeCloseTo(29.07, 1)
  expect(deltaTSeconds(2000)).toBeCloseTo(63.86, 1)
  expect(Math.abs(deltaTSeconds(2020) - 69.4)).toBeLessThan(3)
})
