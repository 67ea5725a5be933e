import { defaultArray, type PanelArray } from '@/core/kinds/array/array'
import { seededRandom } from '@/core/model/random'
import { type Vec3 } from '@/core/geometry/vector'
import { type Volume } from '@/core/kinds/volume/volume'
import { bench, gabledHouse } from '../testing'
import { mirrorSelected } from './mirror'

type Axis = 'east-west' | 'north-south'

/** Middles of modules in plan, sorted, as they are and as they come to lie when turned over about a point. */
const middles = (corners: readonly Vec3[]) =>
  ([0, 1] as const).map((k) => corners.reduce((sum, corner) => sum + corner[k] / 4, 0))
/** Documents hold places to the millimetre. */
const farthest = (points: readonly (readonly number[])[], from: readonly (readonly number[])[]) =>
  Math.max(
    0,
    ...points.map(([x = 0, y = 0]) =>
      Math.min(...from.map(([ox = 0, oy = 0]) => Math.hypot(x - ox, y - oy))),
    ),
  )

function mirroredAs(house: Volume, array: PanelArray, axis: Axis) {
  const b = bench({ [house.id]: house })
  b.documents.edit('Lay', 'option-a', (before) => ({ ...before, [array.id]: array }))
  const placed = () => b.site().arrays[0]?.panels.map(({ corners }) => middles(corners)) ?? []
  const before = placed()
  b.session.setState({ selection: { kind: 'object', id: house.id } })
  expect(mirrorSelected(b.context, axis)).toBe(true)
  const xs = house.outline.map(([x]) => x)
  const ys = house.outline.map(([, y]) => y)
  const about = [Math.min(...xs) + Math.max(...xs), Math.min(...ys) + Math.max(...ys)] as const
  const images = before.map(([x = 0, y = 0]) =>
    axis === 'east-west' ? [about[0] - x, y] : [x, about[1] - y],
  )
  return { before, images, after: placed(), b }
}

const onHouse = (fields: Partial<PanelArray>): PanelArray => ({
  ...defaultArray,
  id: 'array',
  volumeId: 'house',
  edgeIndex: 0,
  ...fields,
})

test.each(['east-west', 'north-south'] as const)(
  'rows, fields and what is taken out of them come to lie where their images do, %s',
  (axis) => {
    const random = seededRandom(axis === 'east-west' ? 5 : 6)
    const between = (low: number, high: number) => low + random() * (high - low)
    for (let k = 0; k < 25; k++) {
      const rows: PanelArray['part'] = {
        is: 'rows',
        at: [between(0.5, 2), between(0.5, 1)],
        counts: [4, 2 + Math.floor(random() * 3)],
        align: (['left', 'center', 'right'] as const)[Math.floor(random() * 3)] ?? 'left',
      }
      const array = onHouse({
        part: rows,
        removed: random() < 0.5 ? ['0:0'] : ['1:1'],
        ...(k % 3 === 0 ? { turnDeg: between(-8, 8) } : {}),
      })
      const { before, images, after } = mirroredAs(gabledHouse(25 + random() * 10), array, axis)
      expect(before.length).toBeGreaterThan(2)
      expect(after).toHaveLength(images.length)
      expect(farthest(images, after)).toBeLessThan(0.003)
    }
  },
)

test.each(['east-west', 'north-south'] as const)(
  'a field with an empty place is its own image, %s',
  (axis) => {
    const corners = [
      [1, 0.4],
      [7.5, 0.4],
      [7.5, 4],
      [1, 4],
    ] as const
    const array = onHouse({ part: { is: 'field', corners }, removed: ['0:0', '1:2'] })
    const { before, images, after } = mirroredAs(gabledHouse(30), array, axis)
    expect(before.length).toBeGreaterThan(5)
    expect(after).toHaveLength(images.length)
  },
)

test('distances of single edges stay with their edges', () => {
  const array = onHouse({ edgesM: { 'rake:0': 2.5 } })
  const { images, after, b } = mirroredAs(gabledHouse(30), array, 'east-west')
  expect(after).toHaveLength(images.length)
  const [laid] = b.site().arrays
  const xs = laid?.panels.flatMap(({ corners }) => corners.map(([x]) => x)) ?? []
  const { images: plain } = mirroredAs(gabledHouse(30), onHouse({}), 'east-west')
  expect(after.length).toBeLessThan(plain.length)
  // Before it was kept off one side, now it is off the other.
  const side = Math.min(...xs) + Math.max(...xs)
  b.documents.undo()
  const was = b.site().arrays[0]?.panels.flatMap(({ corners }) => corners.map(([x]) => x)) ?? []
  expect(Math.sign(Math.min(...was) + Math.max(...was))).toBe(-Math.sign(side))
})

test('rows on a flat roof, turned and in pairs, are their own images though its first corner is another', () => {
  const flat: Volume = { ...gabledHouse(20), flat: { parapetM: 0 } }
  for (const axis of ['east-west', 'north-south'] as const) {
    const array = onHouse({
      part: { is: 'rows', at: [2.5, 1.5], counts: [3, 3], align: 'left' },
      turnDeg: 12,
      removed: ['1:0'],
      tilt: { tiltDeg: 10, rowGapM: 0.4, ridgeGapM: null },
    })
    const { before, images, after, b } = mirroredAs(flat, array, axis)
    expect(before).toHaveLength(5)
    expect(after).toHaveLength(images.length)
    expect(farthest(images, after)).toBeLessThan(0.003)
    const azimuth = b.site().arrays[0]?.plane.azimuthDeg ?? 0
    b.documents.undo()
    const was = b.site().arrays[0]?.plane.azimuthDeg ?? 0
    const image = axis === 'east-west' ? 360 - was : 180 - was
    expect(Math.cos(((azimuth - image) * Math.PI) / 180)).toBeCloseTo(1, 9)
  }
})
