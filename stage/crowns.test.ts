import { Group, type Material, type Mesh } from 'three'
import { type Vec3 } from '@/core/geometry/vector'
import { broadleafTransmissivity } from '@/core/kinds/tree/tree'
import { seededRandom } from '@/core/model/random'
import { crownShape, dressCrowns, isBare, isBetween } from './crowns'
import { Light } from './light'
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

const body = {
  kind: 'crown',
  center,
  crownRadiusM: 3,
  halfHeightM: 4,
  transmissivity: broadleafTransmissivity(41.6),
  radiusM: 4,
} as const
const [january, july] = [0, 6]

function standing() {
  const maquette = new Group()
  const crown = crownShape(body, null, lightPalette, new Paints(new Light()), lightPalette.ink)
  maquette.add(crown)
  const [ball, bare] = crown.children as [Mesh<never, Material>, Group]
  return { maquette, ball, bare }
}

test('a crown before the house becomes its outline, and a ball again when one walks round', () => {
  const { maquette, ball } = standing()
  const whole = ball.material
  dressCrowns(maquette, [[0, 10, 6]], () => [0, -30, 6], july)
  expect(ball.material).not.toBe(whole)
  expect(ball.material.transparent).toBe(true)
  expect(ball.castShadow).toBe(true)
  dressCrowns(maquette, [[0, 10, 6]], () => [40, 10, 6], july)
  expect(ball.material).toBe(whole)
})

test('a tree that sheds its leaves stands bare in winter, and says when its shadow changes', () => {
  const { maquette, ball, bare } = standing()
  const dress = (month: number) => dressCrowns(maquette, [], () => [0, 0, 30], month)
  dress(july)
  expect([ball.visible, bare.visible]).toEqual([true, false])
  expect(dress(january)).toBe(true)
  expect([ball.visible, bare.visible]).toEqual([false, true])
  expect(dress(january)).toBe(false)
  expect(dress(july)).toBe(true)
})

test('bare are the months that let much light through, if others let less: half a year at either side of the equator', () => {
  const bareMonths = (transmissivity: readonly number[]) =>
    Array.from({ length: 12 }, (_, month) => month).filter((month) => isBare({ transmissivity }, month))
  expect(bareMonths(broadleafTransmissivity(41.6))).toEqual([0, 1, 2, 3, 10, 11])
  expect(bareMonths(broadleafTransmissivity(-34.7))).toEqual([4, 5, 6, 7, 8, 9])
  expect(bareMonths(Array<number>(12).fill(0.2))).toEqual([])
  expect(bareMonths(Array<number>(12).fill(0.7))).toEqual([])
})
