import { emptyGeometry } from '@/core/kinds/standing'
import { containsPoint } from '@/core/geometry/polygon'
import { volumeGeometry } from '@/core/kinds/volume/geometry'
import { type Vec2 } from '@/core/geometry/vector'
import { seededRandom } from '@/core/model/random'
import { planeHeightM, planOf } from '@/core/roof/plane'
import { type Site } from '@/core/site/site'
import { groundSky } from './ground-shade'

const corner: Vec2 = [-32, -32]
const points = 96

const siteOf = (outline: readonly Vec2[], eaveHeightM: number, pitchDeg: number): Site => ({
  objects: [
    {
      id: 'house',
      kind: 'volume',
      key: 'house',
      whole: emptyGeometry,
      geometry: volumeGeometry({
        role: 'house',
        flat: null,
        outline: [...outline],
        eaveHeightM,
        edges: outline.map(() => ({ pitchDeg })),
      }),
    },
  ],
  arrays: [],
  faces: [],
  orphaned: [],
  faults: [],
})
const box = (west: number, south: number, east: number, north: number): Vec2[] => [
  [west, south],
  [east, south],
  [east, north],
  [west, north],
]
/** A long wall: a house 60 m by 4 m along the x axis, its south side at y = 0. */
const wall = (heightM: number) => siteOf(box(-30, 0, 30, 4), heightM, 1)
const house = (heightM: number, pitchDeg: number) => siteOf(box(-4.3, -3.1, 5.2, 4.4), heightM, pitchDeg)
const at = (sky: Uint8Array, [x, y]: Vec2) =>
  (sky[Math.floor(((y - corner[1]) * points) / 64) * points + Math.floor(((x - corner[0]) * points) / 64)] ??
    0) / 255

test('open ground sees all of the sky', () => {
  const sky = groundSky({ objects: [], arrays: [], faces: [], orphaned: [], faults: [] }, corner)
  expect(Math.min(...sky)).toBe(255)
})

test('before a long wall it is that of the trench formula: half of one and the cosine of the wall’s height', () => {
  const sky = groundSky(wall(6), corner)
  for (const away of [1.6, 3, 5]) {
    const exact = (1 + Math.cos(Math.atan2(6, away))) / 2
    expect(Math.abs(at(sky, [0, -away]) - exact)).toBeLessThan(0.05)
  }
  expect(at(sky, [0, -25])).toBeGreaterThan(0.99)
})

/** Sky over a point of open ground by looking around in small steps over the roofs themselves, 0..1. */
function lookedAround(site: Site, [x, y]: Vec2): number {
  const faces = site.objects.flatMap(({ geometry }) => geometry.faces)
  const plans = faces.map((face) => planOf(face.corners))
  const ways = 90
  let hidden = 0
  for (let way = 0; way < ways; way++) {
    const a = (2 * Math.PI * way) / ways
    let steepest = 0
    for (let away = 0.2; away <= 16; away += 0.2) {
      const at: Vec2 = [x + away * Math.cos(a), y + away * Math.sin(a)]
      faces.forEach((face, k) => {
        if (containsPoint(plans[k] ?? [], at)) steepest = Math.max(steepest, planeHeightM(face, at) / away)
      })
    }
    hidden += Math.sin(Math.atan(steepest)) ** 2
  }
  return 1 - hidden / ways
}

test('on every side and at every distance it is what looking around shows', () => {
  const site = house(5, 34)
  const sky = groundSky(site, corner)
  const random = seededRandom(12)
  for (let k = 0; k < 40; k++) {
    const place: Vec2 = [random() * 40 - 20, random() * 36 - 18]
    const [dx, dy] = [
      Math.max(0, -4.3 - place[0], place[0] - 5.2),
      Math.max(0, -3.1 - place[1], place[1] - 4.4),
    ]
    const away = Math.hypot(dx, dy)
    // A raster of two thirds of a metre is coarse right at the wall.
    if (away < 1.5) continue
    const off = Math.abs(at(sky, place) - lookedAround(site, place))
    const most = away < 4 ? 0.06 : away < 8 ? 0.035 : 0.015
    if (off > most) throw new Error(`${place.join(', ')}, ${away} m away: off by ${off}`)
  }
})

test('it is the house’s and not the raster’s: the same from any corner a whole number of points away', () => {
  const wideM = 64 / points
  const site = house(5, 34)
  const still = groundSky(site, corner)
  for (const [right, up] of [
    [7, 0],
    [0, -11],
    [-38, 29],
    [33, -36],
  ] as const) {
    const moved = groundSky(site, [corner[0] + right * wideM, corner[1] + up * wideM])
    let [compared, shaded] = [0, 0]
    for (let row = 0; row < points; row++)
      for (let column = 0; column < points; column++) {
        const [r, c] = [row + up, column + right]
        if (r < 0 || c < 0 || r >= points || c >= points) continue
        compared++
        const value = moved[row * points + column] ?? 0
        if (value < 255) shaded++
        if (value !== still[r * points + c]) throw new Error(`at ${row}, ${column}: ${value}`)
      }
    expect(compared).toBeGreaterThan(2500)
    expect(shaded).toBeGreaterThan(300)
  }
})

test('nearer and higher walls hide more, and under the house it is as dark as beside it', () => {
  const [low, high] = [groundSky(wall(3), corner), groundSky(wall(9), corner)]
  expect(at(high, [0, -2])).toBeLessThan(at(low, [0, -2]))
  expect(at(low, [0, -1])).toBeLessThan(at(low, [0, -4]))
  expect(at(low, [0, 0.3])).toBeLessThanOrEqual(at(low, [0, -0.4]))
})
