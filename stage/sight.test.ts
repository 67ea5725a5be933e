import { seededRandom } from '@/core/model/random'
import { add3, scale3, type Vec3 } from '@/core/geometry/vector'
import { Sight } from './sight'

/** As much of a canvas as the hand on it asks for. */
const canvas = () =>
  Object.assign(new EventTarget(), {
    style: {},
    ownerDocument: new EventTarget(),
    getRootNode: () => new EventTarget(),
  }) as unknown as HTMLCanvasElement

function made(): { sight: Sight; heard: string[] } {
  const heard: string[] = []
  const sight = new Sight(canvas(), {
    moved: () => heard.push('moved'),
    changed: () => heard.push('changed'),
  })
  sight.resize(900, 600)
  return { sight, heard }
}

test('the ray under the pixel of a point goes through that point, in perspective and in plan', () => {
  const random = seededRandom(12)
  const { sight } = made()
  for (let round = 0; round < 400; round++) {
    if (round === 200) sight.setPlan(true)
    const at = [random() * 40 - 20, random() * 40 - 20] as const
    sight.lookAt([at[0], at[1]], 5 + random() * 40, random() * 5, random() < 0.5)
    if (round < 200) sight.lookFrom(random() * 360, 10 + random() * 70)
    // As the next picture has it: matrices are made anew when it is drawn.
    sight.camera.updateMatrixWorld()
    const point: Vec3 = [at[0] + random() * 6 - 3, at[1] + random() * 6 - 3, random() * 3]
    const pixel = sight.project(point)
    if (!pixel) throw new Error('the point is before the eye')
    const { origin, direction } = sight.rayAt(pixel)
    const way = [point[0] - origin[0], point[1] - origin[1], point[2] - origin[2]] as const
    const along = way[0] * direction[0] + way[1] * direction[1] + way[2] * direction[2]
    const there = add3(origin, scale3(direction, along))
    expect(Math.hypot(...there.map((v, i) => v - (point[i] ?? 0)))).toBeLessThan(1e-6)
  }
})

test('turned it goes round what it looks at, as far away as before, and neither under the ground nor over the top', () => {
  const { sight } = made()
  sight.lookAt([3, 4], 20, 3)
  sight.lookFrom(180, 30)
  const seen = () => {
    const [x = 0, y = 0, z = 0, tx = 0, ty = 0, tz = 0] = sight.eye()
    const [dx, dy, dz] = [x - tx, y - ty, z - tz]
    return {
      target: [tx, ty, tz],
      far: Math.hypot(dx, dy, dz),
      azimuthDeg: ((Math.atan2(dx, dy) * 180) / Math.PI + 360) % 360,
      elevationDeg: (Math.atan2(dz, Math.hypot(dx, dy)) * 180) / Math.PI,
    }
  }
  const before = seen()
  sight.turn(15, 10)
  expect(seen()).toEqual({
    target: before.target,
    far: expect.closeTo(before.far, 9) as number,
    azimuthDeg: expect.closeTo(195, 6) as number,
    elevationDeg: expect.closeTo(40, 6) as number,
  })
  for (let k = 0; k < 20; k++) sight.turn(0, 10)
  expect(seen().elevationDeg).toBeCloseTo(85, 6)
  expect(seen().azimuthDeg).toBeCloseTo(195, 6)
  for (let k = 0; k < 30; k++) sight.turn(0, -10)
  expect(seen().elevationDeg).toBeCloseTo(5, 6)
})

test('north is up in plan, and where the eye says in perspective; a pixel’s metres follow the size', () => {
  const { sight, heard } = made()
  sight.lookAt([3, 4], 20, 3)
  // Seen from the south north is ahead, from the east it is to the right.
  sight.lookFrom(180, 30)
  expect(sight.northDeg()).toBeCloseTo(0, 9)
  sight.lookFrom(90, 30)
  expect(sight.northDeg()).toBeCloseTo(90, 9)
  heard.length = 0
  sight.setPlan(true)
  expect(heard).toContain('changed')
  expect(heard.at(-1)).toBe('moved')
  expect(sight.northDeg()).toBe(0)
  sight.lookAt([3, 4], 20, 3)
  // 1.15 of the radius to either side, 600 pixels high.
  expect(sight.metresPerPixel()).toBeCloseTo((2 * 20 * 1.15) / 600, 12)
  expect(sight.project([3, 4, 0])?.map((v) => Math.round(v))).toEqual([450, 300])
  sight.resize(900, 1200)
  expect(sight.metresPerPixel()).toBeCloseTo((2 * 20 * 1.15) / 1200, 12)
  expect(sight.widthPx()).toBe(900)
})

test('where one has looked from is looked from again; a plan’s eye is none of a perspective’s', () => {
  const { sight } = made()
  sight.lookAt([3, 4], 20, 3)
  sight.lookFrom(40, 50)
  const before = sight.eye()
  sight.lookFrom(250, 20)
  expect(sight.eye()).not.toEqual(before)
  sight.lookThrough(before)
  sight.eye().forEach((value, i) => expect(value).toBeCloseTo(before[i] ?? NaN, 9))
  sight.setPlan(true)
  const flat = sight.eye()
  sight.lookThrough(before)
  expect(sight.eye()).toEqual(flat)
  expect(flat.at(-1)).toBeGreaterThan(0)
})

test('the same size again is told apart, and what would hide a point is looked for above it in plan', () => {
  const { sight } = made()
  expect(sight.resize(900, 600)).toBe(false)
  expect(sight.resize(901, 600)).toBe(true)
  const [x, y, z] = sight.eye() as [number, number, number]
  expect(sight.eyeFor([1, 2, 3])).toEqual([x, y, z])
  sight.setPlan(true)
  expect(sight.eyeFor([1, 2, 3]).slice(0, 2)).toEqual([1, 2])
})
