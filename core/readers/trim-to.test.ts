import { type Vec3 } from '../geometry/vector'
import { fewestWith, keptOf, lightShare, type TrimPanel } from './trim-to'

const panel = (column: number, sunKwhM2: number, sunAccess: number): TrimPanel => {
  const corner = (du: number, dv: number): Vec3 => [column + du, dv, 0]
  return {
    id: `a/0:${column}`,
    arrayId: 'a',
    slot: `0:${column}`,
    corners: [corner(0, 0), corner(0.98, 0), corner(0.98, 1.9), corner(0, 1.9)],
    sunKwhM2,
    sunAccess,
    // In the west a kilowatt-hour is worth more.
    worth: sunKwhM2 * (column === 3 ? 0.4 : 0.2),
  }
}
// On the north side there is less light and no shade.
const panels = [panel(0, 1400, 0.9), panel(1, 1500, 0.96), panel(2, 1000, 0.99), panel(3, 1100, 0.99)]
const ids = (kept: ReadonlySet<string>) => [...kept].sort()

test('least sun access and least light are two orders; of two in the same shade the darker goes first', () => {
  expect(ids(keptOf(panels, 2, { by: 'sun', unbroken: false }))).toEqual(['a/0:0', 'a/0:1'])
  expect(ids(keptOf(panels, 2, { by: 'access', unbroken: false }))).toEqual(['a/0:2', 'a/0:3'])
  expect(ids(keptOf(panels, 1, { by: 'access', unbroken: false }))).toEqual(['a/0:3'])
  expect(ids(keptOf(panels, 2, { by: 'money', unbroken: false }))).toEqual(['a/0:1', 'a/0:3'])
  expect(ids(keptOf(panels, 3, { by: 'sun', unbroken: true }))).toEqual(['a/0:0', 'a/0:1', 'a/0:2'])
})

test('the fewest for a share of the light: 2,900 of 5,000 are 58 %', () => {
  const rule = { by: 'sun', unbroken: false } as const
  expect(lightShare(panels, keptOf(panels, 2, rule))).toBeCloseTo(0.58, 12)
  expect(fewestWith(panels, 0.58, rule)).toBe(2)
  expect(fewestWith(panels, 0.581, rule)).toBe(3)
  expect(fewestWith(panels, 0, rule)).toBe(1)
  expect(fewestWith(panels, 1.2, rule)).toBe(4)
  expect(lightShare([], new Set())).toBe(0)
})
