import fc from 'fast-check'
import { signedArea } from '../geometry/polygon'
import { cross2, distance2, dot2, sub2, unit2, type Vec2 } from '../geometry/vector'
import { faultIn } from '../model/fault-in'
import { planOf } from './plane'
import { parapetOver } from './parapet'

const ell: Vec2[] = [
  [0, 0],
  [10, 0],
  [10, 4],
  [5, 4],
  [5, 8],
  [0, 8],
]

test('an L by hand: the inner face is 0.2 m in, at inner corners too', () => {
  const { inner, tops } = parapetOver(ell, 3.5)
  const expected = [
    [0.2, 0.2],
    [9.8, 0.2],
    [9.8, 3.8],
    [4.8, 3.8],
    [4.8, 7.8],
    [0.2, 7.8],
  ]
  inner.forEach((p, i) => p.forEach((v, axis) => expect(v).toBeCloseTo(expected[i]?.[axis] ?? NaN, 12)))
  expect(tops.flat().every(([, , z]) => z === 3.5)).toBe(true)
  // Together its tops are the ring between both lines.
  const ring = tops.reduce((sum, top) => sum + signedArea(planOf(top)), 0)
  expect(ring).toBeCloseTo(signedArea(ell) - signedArea(inner), 12)
})

test('whatever the outline, every inner side runs beside its outer one at 0.2 m, or it is said that no roof is left', () => {
  let refused = 0
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0.15, max: 12, noNaN: true }), { minLength: 3, maxLength: 12 }),
      (radii) => {
        const star = radii.map((r, i): Vec2 => {
          const angle = (2 * Math.PI * i) / radii.length
          return [r * Math.cos(angle), r * Math.sin(angle)]
        })
        const found = faultIn(() => parapetOver(star, 3))
        if (found) {
          expect(found.code).toBe('narrow-parapet')
          refused++
          return
        }
        const { inner } = parapetOver(star, 3)
        star.forEach((a, i) => {
          const k = (i + 1) % star.length
          const way = unit2(sub2(star[k] ?? a, a))
          for (const p of [inner[i], inner[k]]) expect(cross2(way, sub2(p ?? a, a))).toBeCloseTo(0.2, 6)
          expect(dot2(sub2(inner[k] ?? a, inner[i] ?? a), way)).toBeGreaterThan(0)
        })
      },
    ),
    { seed: 11, numRuns: 3000 },
  )
  expect(refused).toBeGreaterThan(100)
  expect(refused).toBeLessThan(2900)
})

test('sides in one line stay in one line; a building of 0.3 m is too narrow', () => {
  const { inner } = parapetOver(
    [
      [0, 0],
      [4, 0],
      [8, 0],
      [8, 5],
      [0, 5],
    ],
    3,
  )
  expect(distance2(inner[1] ?? [0, 0], [4, 0.2])).toBeLessThan(1e-12)
  const narrow = () =>
    parapetOver(
      [
        [0, 0],
        [0.3, 0],
        [0.3, 5],
        [0, 5],
      ],
      3,
    )
  expect(faultIn(narrow)).toMatchObject({ code: 'narrow-parapet', path: 'flat' })
})
