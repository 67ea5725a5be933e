import { type Vec2, type Vec3 } from '../geometry/vector'
import { seededRandom } from '../model/random'
import { planeThrough } from '../roof/plane'
import { hasPathway, placesForPathway, widestPathwayM } from './pathway'

/** A plane 10 m wide that rises 4 m over a run of 6 m, facing south. */
const rise = 4 / 6
const up = ([x, y]: Vec2): Vec3 => [x, y, y * rise]
const plane = planeThrough(
  0,
  [up([0, 0]), up([10, 0]), up([10, 6]), up([0, 6])],
  ['eave', 'rake', 'ridge', 'rake'],
)
const box = (x: number, y: number, w: number, h: number): Vec2[] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
]
const module = (x: number, y: number, w = 1, h = 1.5): Vec3[] => box(x, y, w, h).map(up)

test('a bare plane can be crossed, one with modules from rake to rake cannot', () => {
  expect(hasPathway({ plane, obstructions: [], modules: [] }, 0.9)).toBe(true)
  expect(hasPathway({ plane, obstructions: [], modules: [module(0.3, 2, 9.4)] }, 0.9)).toBe(false)
})

test('a strip beside the modules, or between them, is one where it is as wide as asked', () => {
  const modules = [module(0.3, 2, 4), module(5.25, 0.5, 4.5)]
  const crossed = { plane, obstructions: [], modules }
  expect(hasPathway(crossed, 0.95)).toBe(true)
  expect(hasPathway(crossed, 0.96)).toBe(false)
  expect(widestPathwayM(crossed, 3)).toBeCloseTo(0.95, 6)
})

test('modules one above the other in a strip block it, wherever they lie', () => {
  const modules = [module(0, 0.2, 5), module(4.5, 4, 5.4)]
  expect(hasPathway({ plane, obstructions: [], modules }, 0.9)).toBe(false)
})

test('what stands in the way takes it as modules do, but is not held against a plane that it leaves no way', () => {
  const chimney = box(8.2, 2, 1, 1)
  expect(hasPathway({ plane, obstructions: [chimney], modules: [module(0.5, 1, 7.5)] }, 0.9)).toBe(false)
  expect(hasPathway({ plane, obstructions: [chimney], modules: [module(0.5, 1, 7.5)] }, 0.8)).toBe(true)
  // The way up to the wall over the whole width is all there is.
  expect(hasPathway({ plane, obstructions: [box(-1, 2, 12, 1)], modules: [] }, 0.9)).toBe(true)
})

test('on a hip the longest way is under its ridge; a small plane asks for none', () => {
  const hip = planeThrough(
    0,
    [up([0, 0]), up([10, 0]), up([6, 6]), up([4, 6])],
    ['eave', 'hip', 'ridge', 'hip'],
  )
  expect(hasPathway({ plane: hip, obstructions: [], modules: [] }, 0.9)).toBe(true)
  expect(hasPathway({ plane: hip, obstructions: [], modules: [module(4.2, 3, 1.6)] }, 0.9)).toBe(false)
  // Beside the ridge one comes to a hip half-way up.
  expect(hasPathway({ plane: hip, obstructions: [], modules: [module(3, 1, 4)] }, 0.9)).toBe(false)
  const small = planeThrough(
    0,
    [up([0, 0]), up([2, 0]), up([2, 0.5]), up([0, 0.5])],
    ['eave', 'rake', 'ridge', 'rake'],
  )
  expect(hasPathway({ plane: small, obstructions: [], modules: [] }, 0.9)).toBeNull()
})

test('as a scan in steps of a centimetre finds it, over random modules', () => {
  const random = seededRandom(41)
  let free = 0
  for (let round = 0; round < 300; round++) {
    const modules = Array.from({ length: 3 + Math.floor(random() * 6) }, () =>
      module(random() * 9, random() * 4.4, 1.2 + random() * 2.4, 0.4 + random()),
    )
    const width = Math.round((0.4 + random() * 1.2) * 100) / 100
    const spans = modules.map((m) => [m[0]?.[0] ?? 0, m[1]?.[0] ?? 0] as const)
    const found = (w: number) => {
      for (let x = 0; x + w <= 10 + 1e-9; x += 0.01)
        if (spans.every(([from, to]) => to <= x + 1e-9 || from >= x + w - 1e-9)) return true
      return false
    }
    // The scan may miss what is less than its step wider.
    const [certain, possible] = [found(width), found(width - 0.02)]
    const is = hasPathway(
      {
        plane,
        obstructions: [],
        modules: modules.map((m) => m.map(([x, y, z]): Vec3 => [Math.min(x, 10), y, z])),
      },
      width,
    )
    if (certain) expect(is).toBe(true)
    if (!possible) expect(is).toBe(false)
    if (certain) free++
  }
  expect(free).toBeGreaterThan(30)
  expect(free).toBeLessThan(270)
})

test('places for a pathway come from the left to the right, each with the modules that lie on it', () => {
  // Three beside each other with 2 m between the last two, and one over the first.
  const modules = [module(1, 1), module(2, 1), module(5, 1), module(1, 3)]
  const places = placesForPathway({ plane, obstructions: [], modules }, 0.9)
  const along = places.map(({ alongM }) => alongM)
  expect(along).toEqual([...along].sort((a, b) => a - b))
  expect(along[0]).toBeCloseTo(0.45, 6)
  expect(along.at(-1)).toBeCloseTo(9.55, 6)
  for (const { middle, alongM, modules: count } of places) {
    expect(middle[0]).toBeCloseTo(alongM, 6)
    expect(middle[1]).toBeGreaterThan(0)
    expect(middle[1]).toBeLessThan(6)
    const on = modules.filter((m) => {
      const [left, right] = [m[0]?.[0] ?? 0, m[1]?.[0] ?? 0]
      return left < alongM + 0.45 - 1e-6 && right > alongM - 0.45 + 1e-6
    })
    expect(count).toBe(on.length)
  }
  expect(places.some(({ modules: count }) => count === 0)).toBe(true)
  expect(Math.max(...places.map(({ modules: count }) => count))).toBeGreaterThan(1)
  const small = planeThrough(
    0,
    [up([0, 0]), up([2, 0]), up([2, 0.5]), up([0, 0.5])],
    ['eave', 'rake', 'ridge', 'rake'],
  )
  expect(placesForPathway({ plane: small, obstructions: [], modules: [] }, 0.9)).toEqual([])
})
