import { Group, type Material, type Mesh } from 'three'
import { type Vec3 } from '@/core/geometry/vector'
import { seededRandom } from '@/core/model/random'
import { crownMesh, fadeCrowns, isBetween } from './crowns'
import { Paints } from './paints'
import { lightPalette } from './palette'

const center: Vec3 = [0, 0, 6]
const radii: Vec3 = [3, 3, 4]

test('through the middle is between, beside it is not, and what stands before the crown is seen', () => {
  expect(isBetween([0, -30, 6], [0, 10, 6], center, radii)).toBe(true)
  expect(isBetween([0, -30, 6], [8, 10, 6], center, radii)).toBe(false)
  expect(isBetween([0, -30, 6], [0, -5, 6], center, radii)).toBe(false)
  expect(isBetween([0, -30, 30], [0, 10, 25], center, radii)).toBe(false)
})

test('the same as many points along the way, over seeded eyes', () => {
  const random = seededRandom(3)
  const place = (): Vec3 => [(random() - 0.5) * 60, (random() - 0.5) * 60, random() * 20]
  for (let round = 0; round < 2000; round++) {
    const [eye, point] = [place(), place()]
    let least = Infinity
    for (let k = 0; k <= 400; k++) {
      const at = (axis: 0 | 1 | 2) =>
        (eye[axis] + ((point[axis] - eye[axis]) * k) / 400 - center[axis]) / (radii[axis] * 1.06)
      least = Math.min(least, at(0) ** 2 + at(1) ** 2 + at(2) ** 2)
    }
    if (Math.abs(least - 1) > 0.05)
      expect({ eye, point, between: isBetween(eye, point, center, radii) }).toEqual({
        eye,
        point,
        between: least < 1,
      })
  }
})

test('a crown before the house becomes its outline, and a ball again when one walks round', () => {
  const crown = {
    kind: 'crown',
    center,
    crownRadiusM: 3,
    halfHeightM: 4,
    transmissivity: [],
    radiusM: 4,
  } as const
  const mesh = crownMesh(crown, lightPalette, new Paints(), lightPalette.ink)
  const maquette = new Group()
  maquette.add(mesh)
  const paint = (): Material => (mesh as Mesh<never, Material>).material
  const whole = paint()
  fadeCrowns(maquette, [[0, 10, 6]], () => [0, -30, 6])
  expect(paint()).not.toBe(whole)
  expect(paint().transparent).toBe(true)
  expect(mesh.castShadow).toBe(true)
  fadeCrowns(maquette, [[0, 10, 6]], () => [40, 10, 6])
  expect(paint()).toBe(whole)
})
