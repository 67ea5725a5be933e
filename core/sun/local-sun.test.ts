import { clockMs, daylightHours, sunAtClock } from './local-sun'

const pellworth = { latitudeDeg: 41.6, longitudeDeg: -71.4, elevationM: 18, timeZone: 'America/New_York' }
const tarrowee = { latitudeDeg: -34.7, longitudeDeg: 138.7, elevationM: 46, timeZone: 'Australia/Adelaide' }

test('noon by the clock is 16:00 in Greenwich in summer and 17:00 in winter', () => {
  expect(new Date(clockMs('America/New_York', 2025, 180, 12)).getUTCHours()).toBe(16)
  expect(new Date(clockMs('America/New_York', 2025, 10, 12)).getUTCHours()).toBe(17)
  expect(new Date(clockMs('Australia/Adelaide', 2025, 10, 12)).toISOString()).toBe('2025-01-11T01:30:00.000Z')
})

test('midsummer days are long on either side of the equator, and rise before they set', () => {
  const length = (place: typeof pellworth, day: number) => {
    const light = daylightHours(place, 2025, day)
    return light ? light.set - light.rise : NaN
  }
  // Almanac values to some minutes: 15 h 13 min at 41.6 N, 14 h 31 min at 34.7 S.
  expect(length(pellworth, 171)).toBeCloseTo(15.22, 1)
  expect(length(tarrowee, 354)).toBeCloseTo(14.5, 1)
  expect(length(pellworth, 354)).toBeLessThan(9.3)
})

test('no sunrise in the polar night', () => {
  expect(
    daylightHours(
      { latitudeDeg: 78, longitudeDeg: 15, elevationM: 0, timeZone: 'Arctic/Longyearbyen' },
      2025,
      354,
    ),
  ).toBeNull()
})

test('the afternoon sun stands in the west, south of the line north of it', () => {
  expect(sunAtClock(pellworth, 2025, 80, 16).azimuthDeg).toBeGreaterThan(200)
  expect(sunAtClock(pellworth, 2025, 80, 16).azimuthDeg).toBeLessThan(270)
  expect(sunAtClock(tarrowee, 2025, 80, 16).azimuthDeg).toBeGreaterThan(270)
})
