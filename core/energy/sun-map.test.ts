import { columnsUnder, type SolidBody } from '../geometry/body'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { sunHours } from '../sun/sun-hours'
import { sunTable } from '../shade/sun-table'
import { skyYear } from '../weather/sky-year'
import { type WeatherYear } from '../weather/weather-year'
import { planeLight } from './plane-light'
import { shareOfYear } from '../model/model-year'
import { faceSunMaps, sunMapStepM, type FaceSunMap } from './sun-map'
import { monthsIn, sunTimes } from './sun-span'

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

const at = ({ values, columns }: FaceSunMap, x: number, y: number) =>
  values[Math.floor(y / sunMapStepM) * columns + Math.floor(x / sunMapStepM)] ?? NaN

test('in the open every cell of the plane has the plane’s light', () => {
  const map = faceSunMap({ corners, normal }, [], light, sun, table)
  let sum = 0
  for (let k = 0; k < light.direct.length; k++)
    sum += (light.direct[k] ?? 0) + (light.dome[k] ?? 0) + (light.horizon[k] ?? 0) + (light.ground[k] ?? 0)
  // But for a sun that only grazes the plane.
  expect(Math.abs(map.open / (sum / 1000) - 1)).toBeLessThan(1e-3)
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
    expect(at(map, x, y)).toBeCloseTo(map.open, 2)
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
  const share = (x: number, y: number) => at(map, x, y) / map.open
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
  expect(each.reduce((sum, { open }) => sum + open, 0)).toBeCloseTo(year.open, 6)
  year.values.forEach((kwhM2, k) => {
    expect(Math.abs(each.reduce((sum, map) => sum + (map.values[k] ?? 0), 0) - kwhM2)).toBeLessThan(0.01)
  })
  // A metre behind it the high sun of June shines over it.
  const left = (map: FaceSunMap | undefined) => (map ? at(map, 2.3, 2.9) / map.open : NaN)
  expect(left(each[11])).toBeLessThan(left(each[5]) - 0.2)
})

describe('hours of sun a day', () => {
  const level: Vec3 = [0, 0, 1]
  const square: Vec3[] = [
    [0, 0, 3],
    [4, 0, 3],
    [4, 4, 3],
    [0, 4, 3],
  ]
  const mapsOf = (casters: Given[1], face = { corners: square, normal: level }) =>
    faceSunMaps(face, casters, lightOn(face.normal), sun, table, sunTimes)
  /** Mean day length of months, h, by what is up of each interval. */
  const dayLength = (months: readonly number[]) => {
    let hoursUp = 0
    sun.upShare.forEach((share, k) => {
      if (months.includes(sun.month[k] ?? -1)) hoursUp += share
    })
    return hoursUp / (365 * shareOfYear(months))
  }

  test('on open level ground the sun is there all day', () => {
    mapsOf([]).forEach((map, k) => {
      const time = sunTimes[k] ?? 'hours'
      // Low nodes of the table may lie under what counts as grazing: some minutes.
      expect(Math.abs(map.open - dayLength(monthsIn(time)))).toBeLessThan(0.15)
      expect(at(map, 2, 2)).toBeCloseTo(map.open, 6)
    })
    // 41.6° north: about 9.6 h in the winter quarter and 14.7 h in the summer's.
    const [, winter, , summer] = mapsOf([])
    expect(winter?.open).toBeGreaterThan(9.4)
    expect(winter?.open).toBeLessThan(9.9)
    expect(summer?.open).toBeGreaterThan(14.4)
    expect(summer?.open).toBeLessThan(15)
  })

  test('a long high wall to the east takes half of them', () => {
    const wall = columnsUnder(
      [
        [4.01, -400, 503],
        [4.5, -400, 503],
        [4.5, 400, 503],
        [4.01, 400, 503],
      ],
      0,
    )
    for (const map of mapsOf([wall])) expect(Math.abs(at(map, 3.9, 2) / map.open - 0.5)).toBeLessThan(0.03)
  })

  test('four quarters make the year, weighted by their days; a chimney takes more in winter', () => {
    const chimney = columnsUnder(
      [
        [1.8, 1, 4.5],
        [2.4, 1, 4.5],
        [2.4, 1.6, 4.5],
        [1.8, 1.6, 4.5],
      ],
      0,
    )
    const [year, ...quarters] = mapsOf([chimney])
    year?.values.forEach((hours, k) => {
      const sum = quarters.reduce(
        (all, map, q) => all + (map.values[k] ?? 0) * shareOfYear(monthsIn(sunTimes[q + 1] ?? 'hours')),
        0,
      )
      expect(Math.abs(sum - hours)).toBeLessThan(1e-3)
    })
    const lost = (map: FaceSunMap | undefined) => (map ? map.open - at(map, 2.1, 3) : NaN)
    expect(lost(quarters[0])).toBeGreaterThan(lost(quarters[2]) + 0.5)
  })

  test('a wall that looks north has no sun in winter, and that is told as nought', () => {
    const face = {
      corners: [
        [4, 0, 0],
        [0, 0, 0],
        [0, 0, 3],
        [4, 0, 3],
      ] satisfies Vec3[],
      normal: [0, 1, 0] satisfies Vec3,
    }
    const [, winter, , summer] = mapsOf([], face)
    expect(winter?.open).toBe(0)
    expect(summer?.open).toBeGreaterThan(3)
  })
})
