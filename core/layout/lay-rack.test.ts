import fc from 'fast-check'
import { defaultRack, rackSchema, type Rack } from '../kinds/rack/rack'
import { cross3, sub3, unit3, type Vec3 } from '../geometry/vector'
import { layRack } from './lay-rack'

const module = { widthM: 1, lengthM: 2 }
const rack: Rack = { ...defaultRack, id: 'rack-1', name: 'Rack', center: [0, 0], azimuthDeg: 180, gapM: 0 }
const distance = (a: Vec3, b: Vec3) => Math.hypot(...sub3(a, b))
const normalOf = ([a, b, , d]: readonly [Vec3, Vec3, Vec3, Vec3]) => unit3(cross3(sub3(b, a), sub3(d, a)))

test('two rows of five facing south at 30 degrees, by hand', () => {
  const { slots, normal, rows, groundCover } = layRack(
    { ...rack, tiltDeg: 30, rowPitchM: 4, clearanceM: 0.5 },
    module,
  )
  expect(slots).toHaveLength(10)
  expect(rows).toHaveLength(2)
  expect(normal[0]).toBeCloseTo(0, 12)
  expect(normal[1]).toBeCloseTo(-0.5, 12)
  expect(normal[2]).toBeCloseTo(Math.sqrt(3) / 2, 12)
  expect(groundCover).toBeCloseTo(0.5, 12)
  const heights = slots[0]?.corners.map((c) => c[2]) ?? []
  expect(Math.min(...heights)).toBeCloseTo(0.5, 12)
  expect(Math.max(...heights)).toBeCloseTo(0.5 + 2 * Math.sin(Math.PI / 6), 12)
  // The lower edge is to the south, rows are the pitch apart.
  const lowest = (row: number) => slots.find(({ key }) => key.startsWith(`${row}:`))?.corners[0] ?? [0, 0, 0]
  expect(Math.abs(lowest(1)[1] - lowest(0)[1])).toBeCloseTo(4, 12)
})

test('whatever it is set to: as many modules as rows times columns, of their size, facing as they should', () => {
  fc.assert(
    fc.property(
      fc.record({
        rows: fc.integer({ min: 1, max: 6 }),
        columns: fc.integer({ min: 1, max: 9 }),
        orientation: fc.constantFrom('portrait' as const, 'landscape' as const),
        tracking: fc.constantFrom('fixed' as const, 'one-axis' as const, 'two-axis' as const),
        tiltDeg: fc.integer({ min: 0, max: 80 }),
        azimuthDeg: fc.integer({ min: 0, max: 359 }),
        clearanceM: fc.double({ min: 0, max: 3, noNaN: true }),
      }),
      (changed) => {
        const given = { ...rack, ...changed }
        const { slots, normal } = layRack(given, module)
        expect(rackSchema.safeParse(given).success).toBe(true)
        return (
          slots.length === given.rows * given.columns &&
          new Set(slots.map((slot) => slot.key)).size === slots.length &&
          slots.every(({ corners }) => {
            const [a, b, c] = corners
            const facing = normalOf(corners)
            return (
              Math.abs(distance(a, b) - 1) < 1e-9 &&
              Math.abs(distance(b, c) - 2) < 1e-9 &&
              Math.hypot(...sub3(facing, normal)) < 1e-9 &&
              corners.every((corner) => corner[2] >= given.clearanceM - 1e-9)
            )
          })
        )
      },
    ),
    { seed: 4, numRuns: 200 },
  )
})

test('bad racks are refused', () => {
  for (const wrong of [
    { rows: 0 },
    { columns: 1.5 },
    { tiltDeg: 91 },
    { rowPitchM: 0 },
    { center: [900, 0] },
  ])
    expect(rackSchema.safeParse({ ...rack, ...wrong }).success).toBe(false)
})
