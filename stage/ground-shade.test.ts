import { emptyGeometry } from '@/core/kinds/standing'
import { volumeGeometry } from '@/core/kinds/volume/geometry'
import { type Vec2 } from '@/core/geometry/vector'
import { type Site } from '@/core/site/site'
import { groundSky } from './ground-shade'

const corner: Vec2 = [-32, -32]
const points = 96

/** A long wall: a house 60 m by 4 m, 6 m high, along the x axis, its south side at y = 0. */
const wall = (heightM: number): Site => ({
  objects: [
    {
      id: 'wall',
      kind: 'volume',
      key: 'wall',
      whole: emptyGeometry,
      geometry: volumeGeometry({
        role: 'house',
        flat: null,
        outline: [
          [-30, 0],
          [30, 0],
          [30, 4],
          [-30, 4],
        ],
        eaveHeightM: heightM,
        edges: [{ pitchDeg: 1 }, { pitchDeg: 1 }, { pitchDeg: 1 }, { pitchDeg: 1 }],
      }),
    },
  ],
  arrays: [],
  faces: [],
  orphaned: [],
  faults: [],
})
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

test('nearer and higher walls hide more, and under the house it is as dark as beside it', () => {
  const [low, high] = [groundSky(wall(3), corner), groundSky(wall(9), corner)]
  expect(at(high, [0, -2])).toBeLessThan(at(low, [0, -2]))
  expect(at(low, [0, -1])).toBeLessThan(at(low, [0, -4]))
  expect(at(low, [0, 0.3])).toBeLessThanOrEqual(at(low, [0, -0.4]))
})
