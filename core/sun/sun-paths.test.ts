import { hourLine, sunPath } from './sun-paths'

const at = (latitudeDeg: number) => ({ latitudeDeg, longitudeDeg: 0, elevationM: 0 })
const highest = (points: readonly { readonly elevationDeg: number }[]) =>
  Math.max(...points.map(({ elevationDeg }) => elevationDeg))

test('at the solstices noon stands at 90 degrees less latitude, more or less the tilt of the axis', () => {
  for (const latitude of [0, 35, 52, 65, -35]) {
    for (const [day, declination] of [
      [171, 23.44],
      [354, -23.44],
    ] as const)
      expect(highest(sunPath(at(latitude), 0, day))).toBeCloseTo(90 - Math.abs(latitude - declination), 0)
  }
})

test('south of the equator the path crosses the north; where the sun never rises there is none', () => {
  const noon = sunPath(at(-35), 0, 354).reduce((a, b) => (b.elevationDeg > a.elevationDeg ? b : a))
  expect(Math.min(noon.azimuthDeg, 360 - noon.azimuthDeg)).toBeLessThan(5)
  expect(sunPath(at(75), 0, 354)).toEqual([])
  expect(sunPath(at(75), 0, 171)).toHaveLength(145)
})

test('the line of noon runs up and down about the meridian by the equation of time, 4 degrees at most', () => {
  const line = hourLine(at(45), 0, 12)
  expect(line).toHaveLength(74)
  for (const { azimuthDeg } of line) expect(Math.abs(azimuthDeg - 180)).toBeLessThan(8)
  expect(hourLine(at(45), 0, 0)).toEqual([])
})
