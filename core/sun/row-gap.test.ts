import { faultIn } from '../model/fault-in'
import { toDegrees, toRadians } from '../model/units'
import { rowGapM, type RowGapCase } from './row-gap'

const noon: RowGapCase = {
  latitudeDeg: 40,
  tiltDeg: 30,
  facingDeg: 180,
  slopeM: 2,
  fromHour: 12,
  toHour: 12,
}

test('at noon the shadow of a row that faces the equator is its rise over the tangent of the sun’s height', () => {
  // The sun is 90 - 40 - 23.44 degrees up.
  expect(rowGapM(noon)).toBeCloseTo((2 * 0.5) / Math.tan(toRadians(26.56)), 9)
  expect(rowGapM({ ...noon, latitudeDeg: -40, facingDeg: 0 })).toBeCloseTo(rowGapM(noon), 9)
})

test('hours before and after noon ask for more; by the profile angle, not the height', () => {
  const wide = rowGapM({ ...noon, fromHour: 9, toHour: 15 })
  expect(wide).toBeGreaterThan(rowGapM({ ...noon, fromHour: 10, toHour: 14 }))
  // At 9: height and azimuth by the textbook's formulas.
  const [lat, dec, hour] = [40, -23.44, -45].map(toRadians) as [number, number, number]
  const height = Math.asin(Math.sin(lat) * Math.sin(dec) + Math.cos(lat) * Math.cos(dec) * Math.cos(hour))
  const azimuth = Math.asin((Math.cos(dec) * Math.sin(hour)) / Math.cos(height))
  const profile = Math.atan(Math.tan(height) / Math.cos(azimuth))
  expect(toDegrees(profile)).toBeLessThan(26.56)
  expect(wide).toBeCloseTo(1 / Math.tan(profile), 9)
})

test('rows with the sun behind them throw no shadow on the next; a flat row none at all', () => {
  expect(rowGapM({ ...noon, facingDeg: 0 })).toBe(0)
  expect(rowGapM({ ...noon, tiltDeg: 0 })).toBe(0)
})

test('where the sun is not up then, it is said', () => {
  expect(faultIn(() => rowGapM({ ...noon, latitudeDeg: 69 }))?.code).toBe('sun-below')
  expect(faultIn(() => rowGapM({ ...noon, fromHour: 5, toHour: 12 }))?.code).toBe('sun-below')
})
