import fc from 'fast-check'
import { seededRandom } from '../model/random'
import { type Vec3 } from '../geometry/vector'
import { sunHours } from '../sun/sun-hours'
import { columnsUnder, crownMeets, solidBlocks, type Body, type CrownBody } from './body'
import { type ReceiverShade } from './engine'
import { mayMeet, outlookOn } from './outlook'
import { rayEngine } from './ray-engine'
import { skyPatches } from './sky-patches'

const sun = sunHours({ latitudeDeg: 41.6, longitudeDeg: -71.4, elevationM: 0 }, -5, 60)
const groups = { strips: 3, halves: 2 } as const
const up: Vec3 = [0, 0, 1]
const receiver = {
  id: 'm',
  corners: [
    [-0.9, -0.6, 0.1],
    [0.9, -0.6, 0.1],
    [0.9, 0.6, 0.1],
    [-0.9, 0.6, 0.1],
  ] as [Vec3, Vec3, Vec3, Vec3],
}

interface Stand {
  readonly kind: 'box' | 'crown'
  readonly x: number
  readonly y: number
  readonly size: number
  readonly top: number
}

const stand: fc.Arbitrary<Stand> = fc.record({
  kind: fc.constantFrom('box' as const, 'crown' as const),
  x: fc.integer({ min: -9, max: 9 }),
  y: fc.integer({ min: -9, max: 9 }),
  size: fc.double({ min: 0.3, max: 3, noNaN: true }),
  top: fc.double({ min: 0.5, max: 9, noNaN: true }),
})

const clear = ({ x, y }: Stand) => Math.hypot(x, y) > 5

/** Something that stands on the ground, as bodies of one owner. */
function bodiesOf({ kind, x, y, size, top }: Stand, owner: string, passes = 0.3): Body[] {
  if (kind === 'box')
    return columnsUnder(
      owner,
      [
        [x - size, y - size, top],
        [x + size, y - size, top],
        [x + size, y + size, top],
        [x - size, y + size, top],
      ],
      0,
    )
  const crown: CrownBody = {
    kind: 'crown',
    owner,
    center: [x, y, top / 2 + 1],
    crownRadiusM: size,
    halfHeightM: top / 2,
    transmissivity: new Array<number>(12).fill(passes),
    radiusM: Math.max(size, top / 2),
  }
  return [crown]
}

const shadeOf = (bodies: readonly Body[]): ReceiverShade => rayEngine.shade(receiver, groups, up, bodies, sun)
const greatest = (values: Iterable<number>) => {
  let most = -Infinity
  for (const value of values) most = Math.max(most, value)
  return most
}
const lit = (i: number) => (sun.direction[i * 3 + 2] ?? 0) > 1e-3

test('one thing more never lets more light through, neither of the beam nor of the sky', () => {
  fc.assert(
    fc.property(fc.array(stand, { minLength: 1, maxLength: 4 }), (stands) => {
      const all = stands.filter(clear).map((one, k) => bodiesOf(one, `b${k}`))
      const fewer = shadeOf(all.slice(1).flat())
      const more = shadeOf(all.flat())
      expect(more.domeSeen).toBeLessThanOrEqual(fewer.domeSeen + 1e-12)
      expect(more.horizonSeen).toBeLessThanOrEqual(fewer.horizonSeen + 1e-12)
      const gained = more.litMean.map((share, i) => share - (fewer.litMean[i] ?? 0))
      expect(greatest(gained)).toBeLessThanOrEqual(1e-6)
    }),
    { seed: 41, numRuns: 12 },
  )
})

test('what is lost of the beam is charged in full, and no group is lighter than its darkest point allows', () => {
  fc.assert(
    fc.property(fc.array(stand, { minLength: 1, maxLength: 3 }), (stands) => {
      const shade = shadeOf(stands.filter(clear).flatMap((one, k) => bodiesOf(one, `b${k}`)))
      let open = 0
      let over = 0
      for (let i = 0; i < sun.interval.length; i++) {
        if (!lit(i)) continue
        const mean = shade.litMean[i] ?? 0
        let charged = 0
        for (const series of shade.blockedBy.values()) charged += series[i] ?? 0
        open = Math.max(open, Math.abs(charged + mean - 1))
        over = Math.max(
          over,
          Math.min(...shade.litWorst.subarray(i * shade.groups, (i + 1) * shade.groups)) - mean,
        )
      }
      expect(open).toBeLessThan(1e-5)
      expect(over).toBeLessThan(1e-6)
    }),
    { seed: 43, numRuns: 12 },
  )
})

test('a crown that lets everything through is air; one that lets nothing through darkens as a solid does', () => {
  const crown: Stand = { kind: 'crown', x: 0, y: -6, size: 2, top: 6 }
  const air = shadeOf(bodiesOf(crown, 'oak', 1))
  expect(air.domeSeen).toBeCloseTo(1, 12)
  expect(Math.min(...air.litMean.filter((_, i) => lit(i)))).toBe(1)
  const dense = shadeOf(bodiesOf(crown, 'oak', 0))
  const half = shadeOf(bodiesOf(crown, 'oak', 0.5))
  const between = dense.litMean.map((share, i) =>
    lit(i) ? Math.abs((half.litMean[i] ?? 0) - (1 + share) / 2) : 0,
  )
  expect(greatest(between)).toBeLessThan(1e-6)
  expect(Math.min(...dense.litMean.filter((_, i) => lit(i)))).toBe(0)
})

test('bodies of one owner are one thing: a house cut into columns shades as the uncut one', () => {
  const whole = columnsUnder(
    'house',
    [
      [-4, -9, 5],
      [4, -9, 5],
      [4, -5, 3],
      [-4, -5, 3],
    ],
    0,
  )
  const lid = (x0: number, x1: number) =>
    columnsUnder(
      'house',
      [
        [x0, -9, 5],
        [x1, -9, 5],
        [x1, -5, 3],
        [x0, -5, 3],
      ],
      0,
    )
  const [one, cut] = [shadeOf(whole), shadeOf([...lid(-4, -1), ...lid(-1, 2.5), ...lid(2.5, 4)])]
  expect(cut.domeSeen).toBeCloseTo(one.domeSeen, 9)
  expect(greatest(one.litMean.map((share, i) => Math.abs((cut.litMean[i] ?? 0) - share)))).toBeLessThan(1e-9)
  expect([...cut.blockedBy.keys()]).toEqual(['house'])
})

test('the quick window never hides a ray that meets the body', () => {
  const next = seededRandom(47)
  const between = (low: number, high: number) => low + (high - low) * next()
  let met = 0
  let missed = 0
  for (let round = 0; round < 400; round++) {
    const one: Stand = {
      kind: round % 2 ? 'box' : 'crown',
      x: between(-9, 9),
      y: between(-9, 9),
      size: between(0.3, 3),
      top: between(0.5, 9),
    }
    const radius = 1.1
    for (const body of bodiesOf(one, 'b')) {
      const outlook = outlookOn(body, [0, 0, 0.1], radius)
      for (let k = 0; k < 60; k++) {
        const [azimuth, height] = [between(0, 2 * Math.PI), between(0, Math.PI / 2)]
        const way: Vec3 = [
          Math.cos(height) * Math.cos(azimuth),
          Math.cos(height) * Math.sin(azimuth),
          Math.sin(height),
        ]
        const from: Vec3 = [between(-0.7, 0.7), between(-0.7, 0.7), 0.1 + between(-0.3, 0.3)]
        const meets =
          body.kind === 'crown' ? crownMeets(body, ...from, ...way) : solidBlocks(body, ...from, ...way)
        if (!meets) continue
        met++
        if (!mayMeet(outlook, ...way)) missed++
      }
    }
  }
  expect(met).toBeGreaterThan(1000)
  expect(missed).toBe(0)
})

test('the patches of the sky are a hemisphere: 2 pi of solid angle, pi of it weighted by the cosine', () => {
  const { direction, solidAngle } = skyPatches(18)
  const sum = solidAngle.reduce((s, w) => s + w, 0)
  const weighted = solidAngle.reduce((s, w, k) => s + w * (direction[k * 3 + 2] ?? 0), 0)
  expect(sum).toBeCloseTo(2 * Math.PI, 9)
  expect(Math.abs(weighted / Math.PI - 1)).toBeLessThan(0.002)
  const lengths = solidAngle.map((_, k) => Math.hypot(...direction.slice(k * 3, k * 3 + 3)))
  expect(greatest(lengths.map((length) => Math.abs(length - 1)))).toBeLessThan(1e-12)
})
