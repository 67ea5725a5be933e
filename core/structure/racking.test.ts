import { mountings } from '@/town/mountings'
import { distance2, dot3, sub3, type Vec3 } from '../geometry/vector'
import { frameOf, fromFrame, toFrame } from '../layout/plane-frame'
import { seededRandom } from '../model/random'
import { planeThrough } from '../roof/plane'
import { ballastOf } from './ballast'
import { spanUnder, type Ballasted, type Railed } from './mounting'
import { footOutline, railOutline } from './outlines'
import { pressuresOn } from './pressures'
import { rackingOf, type Flush } from './racking'
import { zonesOf } from './zones'

const railed = mountings.find((one): one is Railed => one.id === 'orrendale-38-shingle')
const trays = mountings.find((one): one is Ballasted => one.id === 'pendrell-tray')
if (!railed || !trays) throw new Error('the catalogue has them')

/** A slope of 30 degrees to the south, 10 m along the eave and 6 m up. */
const rise = 6 * Math.sin(Math.PI / 6)
const reach = 6 * Math.cos(Math.PI / 6)
const slope = planeThrough(
  0,
  [
    [0, 0, 3],
    [10, 0, 3],
    [10, reach, 3 + rise],
    [0, reach, 3 + rise],
  ],
  ['eave', 'rake', 'ridge', 'rake'],
)
/** The other side of the ridge. */
const behind = planeThrough(
  2,
  [
    [10, 2 * reach, 3],
    [0, 2 * reach, 3],
    [0, reach, 3 + rise],
    [10, reach, 3 + rise],
  ],
  ['eave', 'rake', 'ridge', 'rake'],
)
const frame = frameOf(slope)
const rowOf = (count: number, u: number, v: number) =>
  Array.from({ length: count }, (_, i) => ({
    id: `m${i}`,
    corners: (
      [
        [0, 0],
        [1.1, 0],
        [1.1, 1.7],
        [0, 1.7],
      ] as const
    ).map(([x, y]): Vec3 => fromFrame(frame, [u + i * 1.12 + x, v + y], 0.1)),
  }))
const flush = (fields: Partial<Flush> = {}): Flush => ({
  arrayId: 'array',
  plane: slope,
  faces: [slope, behind],
  widthM: 12,
  heightM: 6,
  modules: rowOf(4, 3, 2),
  moduleKg: 21.5,
  moduleM2: 1.87,
  windKpa: 1.2,
  mounting: railed,
  snowLoadKpa: 1,
  rafterSpacingM: 0.6,
  every: null,
  ...fields,
})

test('design pressures by hand, at 30 degrees in the middle of a roof', () => {
  // 1.5 x 1.2 x 0.8 - 0.9 x 0.12 x cos 30; snow 0.8 across the slope 0.6: 1.35 x 0.12 x cos 30 + 1.5 (0.6 + 0.6 x 0.48).
  const { upKpa, downKpa } = pressuresOn('middle', 30, 1.2, 1, 0.12)
  expect(upKpa).toBeCloseTo(1.44 - 0.0935, 4)
  expect(downKpa).toBeCloseTo(0.1403 + 1.5 * (0.6 + 0.288), 4)
  expect(pressuresOn('middle', 30, 0, 0, 0.12).upKpa).toBe(0)
})

test('the span table: the first below it, straight inside it, nothing beyond it', () => {
  expect(spanUnder(railed.rail, 0.1)).toBe(2.15)
  expect(spanUnder(railed.rail, 0.75)).toBeCloseTo((2.15 + 1.68) / 2, 12)
  expect(spanUnder(railed.rail, 4)).toBe(0.8)
  expect(spanUnder(railed.rail, 4.01)).toBe(0)
})

test('zones: corners at two outer edges, edges along them, the ridge, and the rest', () => {
  const zoneAt = zonesOf({
    corners: slope.corners.map((corner) => toFrame(frame, corner)),
    edges: ['outer', 'outer', 'upper', 'outer'],
    widthM: 12,
    heightM: 6,
  })
  // e is 12 m: edges are 1.2 m wide, corners reach 3 m.
  expect(zoneAt([0.5, 0.5])).toBe('corner')
  expect(zoneAt([2.9, 0.3])).toBe('corner')
  expect(zoneAt([5, 0.3])).toBe('edge')
  expect(zoneAt([0.5, 4])).toBe('edge')
  expect(zoneAt([5, 5.5])).toBe('ridge')
  expect(zoneAt([5, 3])).toBe('middle')
})

test('one slope alone has no ridge: its upper edge is an outer one', () => {
  const up = flush({ modules: rowOf(4, 3, 4.2) })
  expect(rackingOf(up).pressures.map(({ zone }) => zone)).not.toContain('edge')
  expect(rackingOf({ ...up, faces: [slope] }).pressures.map(({ zone }) => zone)).toContain('edge')
})

test('two rails under a row of four, clamps between and at the ends, feet on rafters', () => {
  const { rails, clamps, stock, weightKg, deadKpa } = rackingOf(flush())
  expect(rails).toHaveLength(2)
  expect(rails[0]?.lengthM).toBeCloseTo(4 * 1.1 + 3 * 0.02 + 0.06, 9)
  expect(clamps.filter(({ is }) => is === 'end')).toHaveLength(4)
  expect(clamps.filter(({ is }) => is === 'middle')).toHaveLength(6)
  // 4.52 m of a stock of 4.27 m, twice: two whole and both rests from a third.
  expect(stock).toBe(3)
  expect(rails.flatMap(({ splices }) => splices)).toHaveLength(2)
  const feet = rails.flatMap((rail) => rail.feet)
  for (const { at } of feet) {
    const [u] = toFrame(frame, at)
    expect(Math.abs(u / 0.6 - Math.round(u / 0.6))).toBeLessThan(1e-9)
    expect(Math.abs(dot3(sub3(at, slope.corners[0] ?? at), slope.normal))).toBeLessThan(1e-9)
  }
  expect(weightKg).toBeCloseTo(4 * 21.5 + 2 * 4.52 * 0.79 + feet.length * 0.52, 9)
  expect(deadKpa).toBeCloseTo((weightKg * 0.00981) / (4 * 1.87), 12)
})

test('in one zone the feet together bear what acts on the modules', () => {
  const racking = rackingOf(flush({ modules: rowOf(3, 3.4, 2) }))
  const [zone] = racking.pressures
  expect(racking.pressures).toHaveLength(1)
  const feet = racking.rails.flatMap((rail) => rail.feet)
  // The gaps between modules are counted as if they were module.
  const area = 1.7 * (3 * 1.1 + 2 * 0.02)
  expect(feet.reduce((sum, { upKn }) => sum + upKn, 0)).toBeCloseTo(area * (zone?.upKpa ?? 0), 9)
  expect(feet.reduce((sum, { downKn }) => sum + downKn, 0)).toBeCloseTo(area * (zone?.downKpa ?? 0), 9)
})

test('a foot on every second rafter is just that, whatever it bears', () => {
  const { rails } = rackingOf(flush({ every: 2, windKpa: 0.2 }))
  for (const { spanM, feet } of rails) {
    expect(spanM).toBeCloseTo(1.2, 9)
    expect(feet.length).toBeGreaterThanOrEqual(4)
  }
  const light = rackingOf(flush({ windKpa: 0.2 })).rails.flatMap(({ feet }) => feet)
  const heavy = rackingOf(flush({ windKpa: 1.4 })).rails.flatMap(({ feet }) => feet)
  expect(light.length).toBeLessThan(heavy.length)
})

test('a rail goes on to the rafter beyond the modules where none is near enough under it', () => {
  // One module between rafters 1 m apart: its rail is 1.16 m.
  const [rail] = rackingOf(flush({ modules: rowOf(1, 3.45, 2), rafterSpacingM: 1 })).rails
  expect(rail?.feet).toHaveLength(2)
  expect(rail?.lengthM).toBeGreaterThan(1.16)
  expect(rail?.overhangM).toBeLessThanOrEqual(rail?.overhangLimitM ?? 0)
  // What stands beyond the modules bears no more than is there.
  const { rails, pressures } = rackingOf(flush({ modules: rowOf(1, 3.45, 2), rafterSpacingM: 1 }))
  const born = rails.flatMap(({ feet }) => feet).reduce((sum, { upKn }) => sum + upKn, 0)
  expect(born).toBeCloseTo(1.1 * 1.7 * (pressures[0]?.upKpa ?? 0), 9)
})

test('five hundred seeded rows on rafters far apart: what stands beyond the modules bears nothing twice', () => {
  const random = seededRandom(2028)
  let onward = 0
  for (let k = 0; k < 500; k++) {
    const count = 1 + Math.floor(random() * 3)
    const { rails, pressures } = rackingOf(
      flush({
        modules: rowOf(count, 2.2 + random() * 2, 1.6 + random() * 1.2),
        rafterSpacingM: 0.8 + random() * 0.7,
        windKpa: 1 + random() * 1.5,
      }),
    )
    const widthM = count * 1.1 + (count - 1) * 0.02
    onward += rails.filter(({ lengthM }) => lengthM > widthM + 0.07).length
    const feet = rails.flatMap((rail) => rail.feet)
    const [zone] = pressures
    if (pressures.length !== 1 || !zone) continue
    expect(feet.reduce((sum, { upKn }) => sum + upKn, 0)).toBeCloseTo(1.7 * widthM * zone.upKpa, 6)
  }
  expect(onward).toBeGreaterThan(100)
})

test('five hundred seeded arrays, turned or not: nothing bears more than it holds where rafters are close', () => {
  const random = seededRandom(2027)
  let feetSeen = 0
  for (let k = 0; k < 500; k++) {
    const turn = (random() - 0.5) * 1.2
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
    const count = 2 + Math.floor(random() * 3)
    const modules = Array.from({ length: count }, (_, i) => ({
      id: `m${i}`,
      corners: (
        [
          [0, 0],
          [1.1, 0],
          [1.1, 1.7],
          [0, 1.7],
        ] as const
      ).map(([x, y]): Vec3 => {
        const [a, b] = [x + i * 1.12 - 2, y - 0.85]
        return fromFrame(frame, [5 + a * cos - b * sin, 3 + a * sin + b * cos], 0.1)
      }),
    }))
    const racking = rackingOf(
      flush({
        modules,
        rafterSpacingM: 0.3 + random() * 0.15,
        windKpa: 0.3 + random(),
        snowLoadKpa: random() * 2,
      }),
    )
    const { foot } = railed
    for (const rail of racking.rails) {
      expect(rail.feet.length).toBeGreaterThan(1)
      expect(rail.spanM).toBeLessThanOrEqual(rail.spanLimitM + 1e-6)
      expect(rail.overhangM).toBeLessThanOrEqual(rail.overhangLimitM + 1e-6)
      for (const { upKn, downKn } of rail.feet) {
        feetSeen++
        expect(upKn).toBeLessThanOrEqual(foot.upKn + 1e-6)
        expect(downKn).toBeLessThanOrEqual(foot.downKn + 1e-6)
      }
    }
  }
  expect(feetSeen).toBeGreaterThan(3000)
})

test('outlines are as wide as the rail, and the plate of a foot is square on it', () => {
  const racking = rackingOf(flush())
  const [rail] = racking.rails
  const [foot] = rail?.feet ?? []
  if (!rail || !foot) throw new Error('there is a rail on feet')
  const inPlane = (corners: readonly Vec3[]) => corners.map((corner) => toFrame(frame, corner))
  const [a, b, , d] = inPlane(railOutline(rail, racking))
  if (!a || !b || !d) throw new Error('it has four corners')
  expect(distance2(a, b)).toBeCloseTo(rail.lengthM, 9)
  expect(distance2(a, d)).toBeCloseTo(0.038, 9)
  const plate = inPlane(footOutline(foot, rail, racking))
  plate.forEach((p, i) => expect(distance2(p, plate[(i + 1) % 4] ?? p)).toBeCloseTo(0.1, 9))
})

test('ballast by hand: lift and push over friction, less the own weight, in whole blocks', () => {
  const flat = planeThrough(
    0,
    [
      [0, 0, 6],
      [30, 0, 6],
      [30, 30, 6],
      [0, 30, 6],
    ],
    ['eave', 'eave', 'eave', 'eave'],
  )
  const at = (x: number, y: number): Vec3[] => [
    [x, y, 6.2],
    [x + 1.1, y, 6.2],
    [x + 1.1, y + 1.7, 6.4],
    [x, y + 1.7, 6.4],
  ]
  const request = {
    arrayId: 'array',
    plane: flat,
    faces: [flat],
    widthM: 30,
    heightM: 6,
    modules: [
      { id: 'middle', corners: at(14, 14) },
      { id: 'corner', corners: at(0.3, 0.3) },
    ],
    moduleKg: 21.5,
    moduleM2: 1.87,
    windKpa: 1,
    mounting: trays,
    parapetM: 0,
  }
  const { trays: found, blocks, weightKg } = ballastOf(request)
  // 1.5 x 1.87 x (0.13 + 0.06 / 0.5) / 0.9 = 0.779 kN or 79.4 kg, of which 25.3 are there.
  expect(found[0]).toMatchObject({ panelId: 'middle', zone: 'middle', blocks: 5 })
  expect(found[0]?.neededKg).toBeCloseTo(79.43 - 25.3, 1)
  // 1.5 x 1.87 x (0.34 + 0.24) / 0.9 = 1.808 kN or 184.3 kg.
  expect(found[1]).toMatchObject({ zone: 'corner', blocks: 13 })
  expect(blocks).toBe(18)
  expect(weightKg).toBeCloseTo(2 * 25.3 + 18 * 12.5, 9)
  const behindParapet = ballastOf({ ...request, parapetM: 0.6 })
  expect(behindParapet.trays[1]?.blocks).toBeLessThan(13)
  expect(behindParapet.trays[0]?.blocks).toBe(5)
  expect(ballastOf({ ...request, modules: [] }).deadKpa).toBe(0)
})
