import { seededRandom } from '../model/random'
import { length3, sub3, type Vec2, type Vec3 } from '../geometry/vector'
import { asRows } from './as-rows'
import { layOnPlane } from './lay'
import { layRows } from './lay-rows'
import { patterns } from './patterns'
import { frameOf, turnedFrame } from './plane-frame'

const module = { widthM: 1.1, lengthM: 1.8 }
const plane = (polygon: Vec2[]) => ({
  corners: polygon.map(([u, v]): Vec3 => [u, v * 0.8, v * 0.6]),
  normal: [0, -0.6, 0.8] as Vec3,
})
/** The middle of a module; rows may be off by the millimetre that documents are written in. */
const middle = ([a, , c]: readonly Vec3[]): Vec3 =>
  [0, 1, 2].map((axis) => ((a?.[axis] ?? 0) + (c?.[axis] ?? 0)) / 2) as unknown as Vec3

test('rows found in what a search has laid hold the very same modules, over 120 seeded roofs, patterns and turns', () => {
  const random = seededRandom(8)
  let several = 0
  for (let n = 0; n < 120; n++) {
    const [w, h, lean] = [5 + 8 * random(), 4 + 4 * random(), 2 * random()]
    const on = plane([
      [0, 0],
      [w, 0],
      [w - lean, h],
      [lean * random(), h],
    ])
    const request = {
      plane: on,
      setbacksM: [0.3, 0.2, 0.4, 0.2],
      obstructions: [
        {
          base: [
            [2, 1],
            [2.6, 1],
            [2.6, 1.5],
            [2, 1.5],
          ] as Vec2[],
          clearanceM: 0.1,
        },
      ],
      module,
      gapM: 0.02,
      liftM: 0.1,
      turnDeg: n % 3 === 0 ? 25 : 0,
    }
    const pattern = patterns[n % patterns.length] ?? 'aligned'
    const laid = layOnPlane({ ...request, pattern, orientation: n % 2 === 0 ? 'best' : 'landscape' })
    const own = frameOf(on)
    const found = asRows(laid, own, turnedFrame(own, request.turnDeg), request)
    if (found.length > 1) several++
    if (pattern === 'aligned') expect(found.length).toBeLessThanOrEqual(1)
    const again = found.flatMap(({ at, counts, orientation, removed }) => {
      const gone = new Set(removed)
      const { slots, unfit } = layRows({ ...request, at, counts, orientation, align: 'left' })
      expect(unfit.every(({ key }) => gone.has(key))).toBe(true)
      return slots.filter(({ key }) => !gone.has(key))
    })
    expect(again).toHaveLength(laid.length)
    for (const slot of laid) {
      const near = again.filter(
        ({ corners, orientation }) =>
          orientation === slot.orientation && length3(sub3(middle(corners), middle(slot.corners))) < 2e-3,
      )
      expect(near).toHaveLength(1)
    }
    expect([...new Set(found.flatMap(({ places }) => [...places.keys()]))]).toHaveLength(laid.length)
  }
  expect(several).toBeGreaterThan(10)
}, 60_000)

test('nothing is no rows', () => {
  const own = frameOf(plane([]))
  expect(asRows([], own, own, { module, gapM: 0 })).toEqual([])
})
