import fc from 'fast-check'
import { type Vec3 } from '../geometry/vector'
import { columnsUnder, crownMeets, solidBlocks, type Body, type CrownBody } from './body'
import { rayEngine } from './ray-engine'
import { sunHours } from '../sun/sun-hours'

const site = { latitudeDeg: 41.6, longitudeDeg: -71.4, elevationM: 0 }
const sun = sunHours(site, -5, 60)
const groups = { strips: 3, halves: 2 } as const
const flat = (x: number, y: number, size = 1) => ({
  id: 'm',
  corners: [
    [x, y, 0.1],
    [x + size, y, 0.1],
    [x + size, y + size, 0.1],
    [x, y + size, 0.1],
  ] as [Vec3, Vec3, Vec3, Vec3],
})
const box = (owner: string, x0: number, y0: number, x1: number, y1: number, top: number): Body[] =>
  columnsUnder(
    owner,
    [
      [x0, y0, top],
      [x1, y0, top],
      [x1, y1, top],
      [x0, y1, top],
    ],
    0,
  )

test('an open site has no shade and sees the whole sky', () => {
  const open = rayEngine.shade(flat(0, 0), groups, [0, 0, 1], [], sun)
  expect(open.domeSeen).toBeCloseTo(1, 12)
  expect(Math.min(...open.litMean.filter((_, i) => (sun.zenithDeg[i] ?? 0) < 89))).toBe(1)
  expect(open.blockedBy.size).toBe(0)
})

test('a long wall to the south of height h at distance d hides the dome share (1 - cos) / 2 of its angle', () => {
  // A horizontal element before an endless wall of elevation angle w sees 1 - (1 - cos w) / 2 of the dome.
  const wall = box('wall', -400, -2.5, 400, -2, 2.1)
  const shade = rayEngine.shade(flat(-0.005, -0.005, 0.01), groups, [0, 0, 1], wall, sun)
  const angle = Math.atan2(2, 2)
  expect(shade.domeSeen).toBeCloseTo(1 - (1 - Math.cos(angle)) / 2, 2)
})

test('a wall shades in the hours when the sun stands behind and under its edge, and is charged for it', () => {
  const wall = box('wall', -400, -2.5, 400, -2, 2.1)
  const shade = rayEngine.shade(flat(-0.005, -0.005, 0.01), groups, [0, 0, 1], wall, sun)
  sun.interval.forEach((_, i) => {
    const [x, y, z] = [0, 1, 2].map((k) => sun.direction[i * 3 + k] ?? 0) as [number, number, number]
    if (z < 0.01) return
    const rise = y < 0 ? (z / -y) * 2 : Infinity
    if (Math.abs(rise - 2) < 0.05 || Math.abs(x / y) > 100) return
    expect(shade.litMean[i]).toBe(rise < 2 ? 0 : 1)
    expect(shade.blockedBy.get('wall')?.[i] ?? 0).toBe(rise < 2 ? 1 : 0)
  })
})

test('a crown lets its share through, by month, and charges add up with a second blocker', () => {
  const crown: CrownBody = {
    kind: 'crown',
    owner: 'oak',
    center: [0.5, -3, 2],
    crownRadiusM: 2,
    halfHeightM: 2,
    radiusM: 2,
    transmissivity: [0.6, 0.6, 0.6, 0.6, 0.2, 0.2, 0.2, 0.2, 0.2, 0.2, 0.6, 0.6],
  }
  const both = rayEngine.shade(
    flat(0, 0),
    groups,
    [0, 0, 1],
    [crown, ...box('shed', -1, -2, 2, -1.5, 1)],
    sun,
  )
  let seen = 0
  for (let i = 0; i < sun.interval.length; i++) {
    const blocked = [...both.blockedBy.values()].reduce((s, series) => s + (series[i] ?? 0), 0)
    if ((both.litMean[i] ?? 0) > 0 || blocked > 0) expect(blocked).toBeCloseTo(1 - (both.litMean[i] ?? 0), 5)
    if (blocked > 0) seen++
  }
  expect(seen).toBeGreaterThan(200)
  expect([...both.blockedBy.keys()].sort()).toEqual(['oak', 'shed'])
})

test('rays against a box agree with sampling along the ray', () => {
  const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })
  const [body] = box('b', 1, 1, 2, 3, 2)
  fc.assert(
    fc.property(
      number(-4, 4),
      number(-4, 4),
      number(0.01, 3),
      number(0, 6.28),
      number(0.05, 1.5),
      (x, y, z, a, e) => {
        if (!body || body.kind !== 'solid') throw new Error('a box is solid')
        const d: Vec3 = [Math.cos(e) * Math.sin(a), Math.cos(e) * Math.cos(a), Math.sin(e)]
        let hit = 0
        for (let t = 0.005; t < 12; t += 0.01) {
          const p = [x + t * d[0], y + t * d[1], z + t * d[2]] as const
          if (p[0] > 1 && p[0] < 2 && p[1] > 1 && p[1] < 3 && p[2] > 0 && p[2] < 2) hit++
        }
        // Rays that only graze a corner may fall between the samples.
        if (hit > 2) expect(solidBlocks(body, x, y, z, ...d)).toBe(true)
        if (hit === 0) {
          const far = Math.max(1 - x, x - 2, 1 - y, y - 3, z - 2)
          if (!solidBlocks(body, x, y, z, ...d)) return
          expect(far).toBeLessThan(6)
        }
      },
    ),
    { seed: 5, numRuns: 300 },
  )
})

test('a crown around the point is met in every direction', () => {
  const crown = { center: [0, 0, 0] as Vec3, crownRadiusM: 1, halfHeightM: 2 } as CrownBody
  expect(crownMeets(crown, 0, 0, 0.5, 0, 0, 1)).toBe(true)
  expect(crownMeets(crown, 3, 0, 0, -1, 0, 0)).toBe(true)
  expect(crownMeets(crown, 3, 0, 0, 1, 0, 0)).toBe(false)
})
