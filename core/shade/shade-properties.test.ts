import fc from 'fast-check'
import { seededRandom } from '../model/random'
import { columnsUnder, crownMeets, type Body, type CrownBody } from '../geometry/body'
import { type Vec3 } from '../geometry/vector'
import { sunHours } from '../sun/sun-hours'
import { castOn } from './cast'
import { type Caster, type Receiver, type ReceiverShade } from './engine'
import { mayShade } from './may-shade'
import { mayMeet, outlookOn } from './outlook'
import { solidBlocks } from './reference'
import { shadeOf } from './scene'
import { patches } from './sky-patches'

const sun = sunHours({ latitudeDeg: 41.6, longitudeDeg: -71.4, elevationM: 0 }, -5, 60)
const groups = { strips: 3, halves: 2 } as const
const receiver: Receiver = [
  [-0.9, -0.6, 0.1],
  [0.9, -0.6, 0.1],
  [0.9, 0.6, 0.1],
  [-0.9, 0.6, 0.1],
]

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

/** Something that stands on the ground. */
function bodiesOf({ kind, x, y, size, top }: Stand, passes = 0.3): Body[] {
  if (kind === 'box')
    return columnsUnder(
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
    center: [x, y, top / 2 + 1],
    crownRadiusM: size,
    halfHeightM: top / 2,
    transmissivity: new Array<number>(12).fill(passes),
    radiusM: Math.max(size, top / 2),
  }
  return [crown]
}

/** A year of shade by casters, with the lit share written out for every entry. */
function litBy(casters: readonly Caster[]): ReceiverShade & { readonly lit: Float64Array } {
  const shade = shadeOf(receiver, groups, casters, sun)
  const all = new Float64Array(sun.interval.length).fill(1)
  shade.shaded.forEach((entry, row) => {
    all[entry] = shade.litMean[row] ?? NaN
  })
  return { ...shade, lit: all }
}
const greatest = (values: Iterable<number>) => {
  let most = -Infinity
  for (const value of values) most = Math.max(most, value)
  return most
}
const isUp = (i: number) => (sun.direction[i * 3 + 2] ?? 0) > 1e-3

test('a caster that is ruled out takes no light from anything in the ball', () => {
  const next = seededRandom(59)
  const number = (low: number, high: number) => low + (high - low) * next()
  let ruledOut = 0
  for (let round = 0; round < 150; round++) {
    const far = round % 2 ? 40 : 400
    const one: Stand = {
      kind: round % 3 ? 'box' : 'crown',
      x: number(-far, far),
      y: number(-far, far),
      size: number(0.3, 4),
      top: number(0.5, 9),
    }
    if (!clear(one)) continue
    const tilt = number(0, 1)
    const normal: Vec3 = [0, -Math.sin(tilt), Math.cos(tilt)]
    const caster = bodiesOf(one)
    if (mayShade(caster, { center: [0, 0, 0.1], radiusM: 1.1, normal }, sun)) continue
    ruledOut++
    const tilted = receiver.map(([x, y, z]): Vec3 => [
      x,
      y * Math.cos(tilt),
      z + y * Math.sin(tilt),
    ]) as unknown as Receiver
    expect(castOn([tilted], groups, caster, sun.direction, patches.direction)).toEqual([null])
  }
  expect(ruledOut).toBeGreaterThan(20)
})

test('one thing more never lets more light through, neither of the beam nor of the sky', () => {
  fc.assert(
    fc.property(fc.array(stand, { minLength: 1, maxLength: 4 }), (stands) => {
      const all = stands.filter(clear).map((one) => bodiesOf(one))
      const fewer = litBy(all.slice(1))
      const more = litBy(all)
      expect(more.domeSeen).toBeLessThanOrEqual(fewer.domeSeen + 1e-12)
      expect(more.horizonSeen).toBeLessThanOrEqual(fewer.horizonSeen + 1e-12)
      const gained = more.lit.map((share, i) => share - (fewer.lit[i] ?? 0))
      expect(greatest(gained)).toBeLessThanOrEqual(1e-6)
    }),
    { seed: 41, numRuns: 12 },
  )
})

test('what is lost of the beam is charged in full, and no group is lighter than its darkest point allows', () => {
  fc.assert(
    fc.property(fc.array(stand, { minLength: 1, maxLength: 3 }), (stands) => {
      const shade = litBy(stands.filter(clear).map((one) => bodiesOf(one)))
      let open = 0
      let over = 0
      shade.shaded.forEach((entry, row) => {
        if (!isUp(entry)) return
        const mean = shade.litMean[row] ?? 0
        const charged = shade.takenBy.reduce((sum, { at, share }) => sum + (share[at.indexOf(entry)] ?? 0), 0)
        open = Math.max(open, Math.abs(charged + mean - 1))
        over = Math.max(
          over,
          Math.min(...shade.litWorst.subarray(row * shade.groups, (row + 1) * shade.groups)) - mean,
        )
      })
      expect(open).toBeLessThan(1e-5)
      expect(over).toBeLessThan(1e-6)
    }),
    { seed: 43, numRuns: 12 },
  )
})

test('a crown that lets everything through is air; one that lets nothing through darkens as a solid does', () => {
  const crown: Stand = { kind: 'crown', x: 0, y: -6, size: 2, top: 6 }
  const air = litBy([bodiesOf(crown, 1)])
  expect(air.domeSeen).toBeCloseTo(1, 12)
  expect(Math.min(...air.lit.filter((_, i) => isUp(i)))).toBe(1)
  const dense = litBy([bodiesOf(crown, 0)])
  const half = litBy([bodiesOf(crown, 0.5)])
  const between = dense.lit.map((share, i) => (isUp(i) ? Math.abs((half.lit[i] ?? 0) - (1 + share) / 2) : 0))
  expect(greatest(between)).toBeLessThan(1e-6)
  expect(Math.min(...dense.lit.filter((_, i) => isUp(i)))).toBe(0)
})

test('bodies of one caster are one thing: a house cut into columns shades as the uncut one', () => {
  const whole = columnsUnder(
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
      [
        [x0, -9, 5],
        [x1, -9, 5],
        [x1, -5, 3],
        [x0, -5, 3],
      ],
      0,
    )
  const [one, cut] = [litBy([whole]), litBy([[...lid(-4, -1), ...lid(-1, 2.5), ...lid(2.5, 4)]])]
  expect(cut.domeSeen).toBeCloseTo(one.domeSeen, 9)
  expect(greatest(one.lit.map((share, i) => Math.abs((cut.lit[i] ?? 0) - share)))).toBeLessThan(1e-9)
  expect(cut.takenBy).toHaveLength(1)
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
    for (const body of bodiesOf(one)) {
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
  const { direction, solidAngle } = patches
  const sum = solidAngle.reduce((s, w) => s + w, 0)
  const weighted = solidAngle.reduce((s, w, k) => s + w * (direction[k * 3 + 2] ?? 0), 0)
  expect(sum).toBeCloseTo(2 * Math.PI, 9)
  expect(Math.abs(weighted / Math.PI - 1)).toBeLessThan(0.002)
  const lengths = solidAngle.map((_, k) => Math.hypot(...direction.slice(k * 3, k * 3 + 3)))
  expect(greatest(lengths.map((length) => Math.abs(length - 1)))).toBeLessThan(1e-12)
})
