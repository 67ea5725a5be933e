import { columnsUnder, crownMeets, type CrownBody } from '../geometry/body'
import { type Vec3 } from '../geometry/vector'
import { sunHours } from '../sun/sun-hours'
import { type Caster, type Receiver, type ReceiverShade, type Taken } from './engine'
import { shadeOf } from './scene'

const site = { latitudeDeg: 41.6, longitudeDeg: -71.4, elevationM: 0 }
const sun = sunHours(site, -5, 60)
const groups = { strips: 3, halves: 2 } as const
const flat = (x: number, y: number, size = 1): Receiver => [
  [x, y, 0.1],
  [x + size, y, 0.1],
  [x + size, y + size, 0.1],
  [x, y + size, 0.1],
]
const box = (x0: number, y0: number, x1: number, y1: number, top: number): Caster =>
  columnsUnder(
    [
      [x0, y0, top],
      [x1, y0, top],
      [x1, y1, top],
      [x0, y1, top],
    ],
    0,
  )

/** What is taken in an entry. */
const takenAt = (taken: Taken | undefined, entry: number) => taken?.share[taken.at.indexOf(entry)] ?? 0

/** Lit share in an entry, and what a caster takes. */
const at = ({ shaded, litMean, takenBy }: ReceiverShade, entry: number, caster = 0) => {
  const row = shaded.indexOf(entry)
  return row < 0 ? { lit: 1, blocked: 0 } : { lit: litMean[row], blocked: takenAt(takenBy[caster], entry) }
}

test('an open site has no shade and sees the whole sky', () => {
  const open = shadeOf(flat(0, 0), groups, [], sun)
  expect(open.domeSeen).toBeCloseTo(1, 12)
  expect(open.horizonSeen).toBeCloseTo(1, 12)
  // But for the sun that only grazes the horizon.
  expect([...open.shaded].filter((entry) => (sun.direction[entry * 3 + 2] ?? 0) > 0.01)).toEqual([])
  expect(open.takenBy).toEqual([])
})

test('a long wall to the south of height h at distance d hides the dome share (1 - cos) / 2 of its angle', () => {
  // A horizontal element before an endless wall of elevation angle w sees 1 - (1 - cos w) / 2 of the dome.
  const wall = box(-400, -2.5, 400, -2, 2.1)
  const shade = shadeOf(flat(-0.005, -0.005, 0.01), groups, [wall], sun)
  const angle = Math.atan2(2, 2)
  expect(shade.domeSeen).toBeCloseTo(1 - (1 - Math.cos(angle)) / 2, 2)
})

test('a wall shades in the hours when the sun stands behind and under its edge, and is charged for it', () => {
  const wall = box(-400, -2.5, 400, -2, 2.1)
  const shade = shadeOf(flat(-0.005, -0.005, 0.01), groups, [wall], sun)
  let seen = 0
  sun.interval.forEach((_, i) => {
    const [x, y, z] = [0, 1, 2].map((k) => sun.direction[i * 3 + k] ?? 0) as [number, number, number]
    if (z < 0.01) return
    const rise = y < 0 ? (z / -y) * 2 : Infinity
    if (Math.abs(rise - 2) < 0.05 || Math.abs(x / y) > 100) return
    const hidden = rise < 2
    expect(at(shade, i)).toEqual(hidden ? { lit: 0, blocked: 1 } : { lit: 1, blocked: 0 })
    if (hidden) seen++
  })
  expect(seen).toBeGreaterThan(500)
})

test('a crown lets its share through, by month, and charges add up with a second blocker', () => {
  const crown: CrownBody = {
    kind: 'crown',
    center: [0.5, -3, 2],
    crownRadiusM: 2,
    halfHeightM: 2,
    radiusM: 2,
    transmissivity: [0.6, 0.6, 0.6, 0.6, 0.2, 0.2, 0.2, 0.2, 0.2, 0.2, 0.6, 0.6],
  }
  const both = shadeOf(flat(0, 0), groups, [[crown], box(-1, -2, 2, -1.5, 1)], sun)
  const alone = shadeOf(flat(0, 0), groups, [[crown]], sun)
  let seen = 0
  both.shaded.forEach((entry, row) => {
    if ((sun.direction[entry * 3 + 2] ?? 0) < 0.01) return
    const blocked = both.takenBy.reduce((sum, taken) => sum + takenAt(taken, entry), 0)
    expect(blocked).toBeCloseTo(1 - (both.litMean[row] ?? 0), 5)
    seen++
  })
  expect(seen).toBeGreaterThan(200)
  expect(both.takenBy.map(({ caster }) => caster)).toEqual(['0', '1'])
  // Where the crown alone stands before all of it, what passes is the month's share.
  const least = (months: readonly number[]) =>
    Math.min(
      ...[...alone.litMean].filter(
        (_, row) =>
          months.includes(sun.month[alone.shaded[row] ?? 0] ?? -1) &&
          (sun.direction[(alone.shaded[row] ?? 0) * 3 + 2] ?? 0) > 0.01,
      ),
    )
  expect(least([0, 1, 10, 11])).toBeCloseTo(0.6, 6)
  expect(least([8, 9])).toBeCloseTo(0.2, 6)
})

test('a crown around the point is met in every direction', () => {
  const crown = { center: [0, 0, 0] as Vec3, crownRadiusM: 1, halfHeightM: 2 } as CrownBody
  expect(crownMeets(crown, 0, 0, 0.5, 0, 0, 1)).toBe(true)
  expect(crownMeets(crown, 3, 0, 0, -1, 0, 0)).toBe(true)
  expect(crownMeets(crown, 3, 0, 0, 1, 0, 0)).toBe(false)
})
