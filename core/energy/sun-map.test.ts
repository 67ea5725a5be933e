import { columnsUnder, type SolidBody } from '../geometry/body'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { sunHours } from '../sun/sun-hours'
import { sunTable } from '../shade/sun-table'
import { skyYear } from '../weather/sky-year'
import { type WeatherYear } from '../weather/weather-year'
import { planeLight } from './plane-light'
import { faceSunMaps, sunMapStepM, type FaceSunMap } from './sun-map'

const place = { latitudeDeg: 41.6, longitudeDeg: -71.4, elevationM: 0 }
const sun = sunHours(place, -5, 60)
const table = sunTable(41.6, sun, sunHours(place, -5, 15))
const hours = (value: number) => new Float64Array(8760).fill(value)
const weather: WeatherYear = {
  name: 'even',
  latitudeDeg: 41.6,
  longitudeDeg: -71.4,
  elevationM: 0,
  timeZoneHours: -5,
  stepMinutes: 60,
  ghi: hours(450),
  dni: hours(600),
  dhi: hours(120),
  temperatureC: hours(15),
  windMs: hours(2),
  albedo: null,
  snowDepthM: null,
}
const sky = skyYear(weather, sun, 'perez')
const lightOn = (normal: Vec3) => planeLight(sky, normal, { albedoByMonth: new Array<number>(12).fill(0.2) })

/** An L on a slope of 30 degrees that looks south. */
const slope = Math.PI / 6
const plan: readonly Vec2[] = [
  [0, 0],
  [9, 0],
  [9, 3],
  [4, 3],
  [4, 7],
  [0, 7],
]
const corners = plan.map(([x, y]): Vec3 => [x, y * Math.cos(slope), 3 + y * Math.sin(slope)])
const normal: Vec3 = [0, -Math.sin(slope), Math.cos(slope)]
const light = lightOn(normal)

type Given = Parameters<typeof faceSunMaps>
const faceSunMap = (
  face: Given[0],
  casters: Given[1],
  on: Given[2],
  ...[hours, nodes]: [Given[3], Given[4]]
) => first(faceSunMaps(face, casters, on, hours, nodes, ['year']))
const first = <T>(items: readonly T[]): T => {
  const [item] = items
  if (item === undefined) throw new Error('there is one')
  return item
}

const at = ({ kwhM2, columns }: FaceSunMap, x: number, y: number) =>
  kwhM2[Math.floor(y / sunMapStepM) * columns + Math.floor(x / sunMapStepM)] ?? NaN

test('in the open every cell of the plane has the plane’s light', () => {
  const map = faceSunMap({ corners, normal }, [], light, sun, table)
  let sum = 0
  for (let k = 0; k < light.direct.length; k++)
    sum += (light.direct[k] ?? 0) + (light.dome[k] ?? 0) + (light.horizon[k] ?? 0) + (light.ground[k] ?? 0)
  // But for a sun that only grazes the plane.
  expect(Math.abs(map.openKwhM2 / (sum / 1000) - 1)).toBeLessThan(1e-3)
  expect([map.across, map.along]).toEqual([
    [1, 0, 0].map((value) => expect.closeTo(value, 12) as number),
    [0, Math.cos(slope), Math.sin(slope)].map((value) => expect.closeTo(value, 12) as number),
  ])
  for (const [x, y] of [
    [0.1, 0.1],
    [8.9, 2.9],
    [3.9, 6.9],
    [0.1, 6.9],
  ] as const)
    expect(at(map, x, y)).toBeCloseTo(map.openKwhM2, 2)
  // A tile that has none of the L is left out.
  expect(at(map, 8, 6.9)).toBe(0)
})

test('a chimney darkens what lies behind it most, and nothing south of it loses its noon', () => {
  const chimney: SolidBody[] = columnsUnder(
    [
      [2, 1, 6],
      [2.6, 1, 6],
      [2.6, 1.6, 6],
      [2, 1.6, 6],
    ],
    0,
  )
  const map = faceSunMap({ corners, normal }, [chimney], light, sun, table)
  const share = (x: number, y: number) => at(map, x, y) / map.openKwhM2
  expect(share(2.3, 2.4)).toBeLessThan(0.8)
  expect(share(2.3, 2.4)).toBeLessThan(share(2.3, 4))
  expect(share(2.3, 4)).toBeLessThan(share(2.3, 6.5))
  expect(share(8.5, 0.2)).toBeGreaterThan(0.985)
  expect(share(2.3, 0.2)).toBeGreaterThan(0.9)
  // Under the chimney itself there is no sun.
  expect(share(2.3, 1.5)).toBeLessThan(0.02)
})

test('the order of the corners’ start does not turn the map, and a flat roof lies by the compass', () => {
  const turned = faceSunMap(
    { corners: [...corners.slice(2), ...corners.slice(0, 2)], normal },
    [],
    light,
    sun,
    table,
  )
  expect([turned.columns, turned.rows]).toEqual([36, 30])
  turned.origin.forEach((value, axis) => expect(value).toBeCloseTo(corners[0]?.[axis] ?? NaN, 9))
  const level = faceSunMap(
    { corners: plan.map(([x, y]): Vec3 => [x, y, 5]), normal: [0, 0, 1] },
    [],
    lightOn([0, 0, 1]),
    sun,
    table,
  )
  expect([level.across, level.along]).toEqual([
    [1, 0, 0],
    [0, 1, 0],
  ])
})

test('twelve months make the year, cell by cell, and in winter the shadow reaches further', () => {
  const chimney = columnsUnder(
    [
      [2, 1, 6],
      [2.6, 1, 6],
      [2.6, 1.6, 6],
      [2, 1.6, 6],
    ],
    0,
  )
  const months = Array.from({ length: 12 }, (_, month) => month)
  const [year, ...each] = faceSunMaps({ corners, normal }, [chimney], light, sun, table, ['year', ...months])
  if (!year) throw new Error('there is a year')
  expect(each.reduce((sum, { openKwhM2 }) => sum + openKwhM2, 0)).toBeCloseTo(year.openKwhM2, 6)
  year.kwhM2.forEach((kwhM2, k) => {
    expect(Math.abs(each.reduce((sum, map) => sum + (map.kwhM2[k] ?? 0), 0) - kwhM2)).toBeLessThan(0.01)
  })
  // A metre behind it the high sun of June shines over it.
  const left = (map: FaceSunMap | undefined) => (map ? at(map, 2.3, 2.9) / map.openKwhM2 : NaN)
  expect(left(each[11])).toBeLessThan(left(each[5]) - 0.2)
})
