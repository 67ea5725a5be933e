import { newell, type Vec2, type Vec3 } from '../../geometry/vector'
import { seededRandom } from '../../model/random'
import { planeHeightM } from '../../roof/plane'
import { type Geometry } from '../standing'
import { volumeGeometry } from './geometry'
import { type Volume } from './volume'

const house: Volume = {
  id: 'house',
  kind: 'volume',
  name: 'House',
  role: 'house',
  outline: [
    [0, 0],
    [10, 0],
    [10, 8],
    [0, 8],
  ],
  eaveHeightM: 3,
  // A slope of one in two.
  edges: [
    { pitchDeg: (Math.atan(0.5) * 180) / Math.PI },
    { gable: true },
    { pitchDeg: (Math.atan(0.5) * 180) / Math.PI },
    { gable: true },
  ],
  flat: null,
}
const overhung = { ...house, overhang: { eaveM: 0.6, rakeM: 0.4 } }
const wallsOf = ({ surfaces }: Geometry) =>
  surfaces.filter(({ tone }) => tone === 'wall').map((s) => s.corners)
const rounded = (corners: readonly Vec3[]) => corners.map((c) => c.map((n) => Math.round(n * 1e6) / 1e6))
/** Whether a point lies in any of its solids. */
const isDark = ({ solids }: Geometry, [x, y, z]: Vec3) =>
  solids.some(({ faces }) => {
    for (let f = 0; f < faces.length; f += 4) {
      const [nx = 0, ny = 0, nz = 0, c = 0] = faces.subarray(f, f + 4)
      if (nx * x + ny * y + nz * z > c + 1e-9) return false
    }
    return true
  })

test('the roof stays where it is, and the walls stand back under it and go up to it, by hand', () => {
  const [flush, back] = [volumeGeometry(house), volumeGeometry(overhung)]
  expect(back.fault).toBeNull()
  expect(back.faces).toEqual(flush.faces)
  expect(back.topM).toBe(5)
  const walls = wallsOf(back)
  expect(walls).toHaveLength(4)
  // The south wall ends where the roof has risen over 0.6 m.
  expect(rounded(walls[0] ?? [])).toEqual([
    [0.4, 0.6, 0],
    [9.6, 0.6, 0],
    [9.6, 0.6, 3.3],
    [0.4, 0.6, 3.3],
  ])
  // The east wall is the gable with it.
  expect(rounded(walls[1] ?? [])).toEqual([
    [9.6, 0.6, 0],
    [9.6, 7.4, 0],
    [9.6, 7.4, 3.3],
    [9.6, 4, 5],
    [9.6, 0.6, 3.3],
  ])
})

test('light passes under the eaves, and nowhere through the house or its roof', () => {
  const [flush, back] = [volumeGeometry(house), volumeGeometry(overhung)]
  const under: Vec3 = [5, 0.3, 1]
  expect([isDark(flush, under), isDark(back, under)]).toEqual([true, false])
  for (const inside of [
    [5, 1, 1],
    [5, 4, 4.9],
    [0.2, 4, 4.9],
    [5, 0.3, 3.05],
    [5, 4, 3],
  ] as const)
    expect([inside, isDark(back, inside)]).toEqual([inside, true])
})

test('no overhang is none, and one that leaves no walls is said; the walls at the edge stay', () => {
  const nought = volumeGeometry({ ...house, overhang: { eaveM: 0, rakeM: 0 } })
  expect(nought).toEqual(volumeGeometry(house))
  const narrow: Vec2[] = house.outline.map(([x, y]) => [x / 3, y / 3])
  const wide = volumeGeometry({ ...house, outline: narrow, overhang: { eaveM: 1.5, rakeM: 0.2 } })
  expect(wide.fault?.code).toBe('no-walls')
  expect(wallsOf(wide)).toHaveLength(4)
})

test('over seeded houses every wall goes up to the roof and no farther', () => {
  const random = seededRandom(77)
  let built = 0
  for (let round = 0; round < 400; round++) {
    const [w, d, bayW, bayD] = [
      8 + 8 * random(),
      8 + 8 * random(),
      0.4 + 0.3 * random(),
      0.4 + 0.3 * random(),
    ]
    const outline: Vec2[] = [
      [0, 0],
      [w, 0],
      [w, d * bayD],
      [w * bayW, d * bayD],
      [w * bayW, d],
      [0, d],
    ]
    const turn = random() * 6
    const turned = outline.map(([x, y]): Vec2 => [
      x * Math.cos(turn) - y * Math.sin(turn),
      x * Math.sin(turn) + y * Math.cos(turn),
    ])
    const edges = outline.map((_, i): Volume['edges'][number] =>
      random() < 0.3 && i !== 2 && i !== 3 ? { gable: true } : { pitchDeg: 10 + 45 * random() },
    )
    const geometry = volumeGeometry({
      ...house,
      outline: turned,
      edges,
      overhang: { eaveM: random(), rakeM: 0.6 * random() },
    })
    if (geometry.fault) continue
    built++
    for (const wall of wallsOf(geometry)) {
      expect(Math.abs(newell(wall)[2])).toBeLessThan(1e-6)
      for (const [x, y, z] of wall) {
        if (z === 0) continue
        const heights = geometry.faces.map((face) => planeHeightM(face, [x, y]))
        const nearest = Math.min(...heights.map((height) => Math.abs(height - z)))
        expect(nearest).toBeLessThan(1e-6)
        expect(z).toBeLessThan(geometry.topM + 1e-6)
        expect(z).toBeGreaterThan(3 - 1e-6)
      }
    }
  }
  expect(built).toBeGreaterThan(300)
})
