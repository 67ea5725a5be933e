import { columnsUnder, type Body, type CrownBody } from '../geometry/body'
import { add3, type Vec3 } from '../geometry/vector'
import { seededRandom } from '../model/random'
import { sunHours } from '../sun/sun-hours'
import { type Receiver } from './engine'
import { farHorizon } from './far-horizon'
import { litByInterval, shadeOn } from './scene'
import { zone, zones } from './sky-zones'
import { sunFrom } from './sun-from'

const sun = sunHours({ latitudeDeg: 41.6, longitudeDeg: -71.4, elevationM: 10 }, -5, 60)
const here: Vec3 = [0, 0, 0]

test('over open ground all of the sun that is up reaches a point: some 4,400 hours a year', () => {
  const { openHours, leftHours, lostByZone } = sunFrom(here, null, [], sun)
  expect(leftHours).toBe(openHours)
  expect(openHours).toBeGreaterThan(4380)
  expect(openHours).toBeLessThan(4520)
  expect(Math.max(...lostByZone)).toBe(0)
})

test('a plane sees the sun only before it, and hills hide what is low', () => {
  const all = sunFrom(here, null, [], sun).openHours
  const [north, south] = [sunFrom(here, [0, 1, 0], [], sun), sunFrom(here, [0, -1, 0], [], sun)]
  expect(north.openHours + south.openHours).toBeCloseTo(all, 6)
  expect(south.openHours).toBeGreaterThan(2 * north.openHours)
  const hills = sunFrom(
    here,
    null,
    [],
    sun,
    farHorizon([
      [0, 20],
      [180, 20],
    ]),
  )
  expect(hills.leftHours).toBeLessThan(all - 1000)
  // Nothing above 20 degrees is lost.
  hills.lostByZone.forEach((lost, patch) => {
    if (Math.floor(patch / zones.across) * zone.elevationDeg >= 20) expect(lost).toBe(0)
  })
  expect(hills.lostByZone.reduce((sum, lost) => sum + lost, 0)).toBeCloseTo(
    hills.openHours - hills.leftHours,
    6,
  )
})

test('it tells what the shade of a hand-wide surface tells, over seeded scenes', () => {
  const random = seededRandom(23)
  const between = (low: number, high: number) => low + (high - low) * random()
  for (let round = 0; round < 12; round++) {
    const bodies: Body[] = Array.from({ length: 4 }, () => {
      const turn = between(0, 2 * Math.PI)
      const [x, y] = [Math.cos(turn) * between(5, 14), Math.sin(turn) * between(5, 14)]
      if (random() < 0.5) {
        const crown: CrownBody = {
          kind: 'crown',
          center: [x, y, between(3, 6)],
          crownRadiusM: between(1, 3),
          halfHeightM: between(1, 3),
          transmissivity: new Array<number>(12).fill(0.3),
          radiusM: 3,
        }
        return [crown]
      }
      const [w, h] = [between(0.5, 2.5), between(2, 7)]
      return columnsUnder(
        [
          [x - w, y - w, h],
          [x + w, y - w, h],
          [x + w, y + w, h],
          [x - w, y + w, h],
        ],
        0,
      )
    }).flat()
    const half = 0.01
    const surface: Receiver = [
      add3(here, [-half, -half, 0]),
      add3(here, [half, -half, 0]),
      add3(here, [half, half, 0]),
      add3(here, [-half, half, 0]),
    ]
    const lit = litByInterval(
      shadeOn(
        surface,
        bodies.map((body) => [body]),
        sun,
      ),
      sun,
    )
    let hours = 0
    sun.interval.forEach((interval, k) => {
      hours += (lit[interval] ?? 0) * (sun.upShare[k] ?? 0)
    })
    const { openHours, leftHours } = sunFrom(here, [0, 0, 1], bodies, sun)
    expect(openHours - leftHours).toBeGreaterThan(20)
    // Half a degree of azimuth, on a silhouette that is passed by twice a day.
    expect(Math.abs(leftHours - hours) / openHours).toBeLessThan(0.006)
  }
})
