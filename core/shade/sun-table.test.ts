import { columnsUnder, type CrownBody } from '../geometry/body'
import { type Vec3 } from '../geometry/vector'
import { seededRandom } from '../model/random'
import { sunHours, type SunHours } from '../sun/sun-hours'
import { castOn, type CastShade, type NamedCast } from './cast'
import { type Caster, type Horizon, type Receiver, type ReceiverShade } from './engine'
import { farHorizon } from './far-horizon'
import { exactShade } from './receiver-shade'
import { patches } from './sky-patches'
import { sunTable, type SunTable } from './sun-table'
import { beamByNode, yearByPoint } from './year-light'

const groups = { strips: 3, halves: 2 } as const
const tilt = 0.5

const box = ([x, y]: readonly [number, number], half: number, bottomM: number, topM: number): Caster =>
  columnsUnder(
    [
      [x - half, y - half, topM],
      [x + half, y - half, topM],
      [x + half, y + half, topM],
      [x - half, y + half, topM],
    ],
    bottomM,
  )

/** Modules on a roof that faces the noon sun, among things on the roof, trees whose leaves fall, and neighbours. */
function someYard(latitudeDeg: number, seed: number) {
  const next = seededRandom(seed)
  const number = (low: number, high: number) => low + (high - low) * next()
  const facing = latitudeDeg < 0 ? 1 : -1
  const at = (x: number, y: number): Vec3 => [
    -facing * x,
    -facing * y * Math.cos(tilt),
    4 + y * Math.sin(tilt),
  ]
  const receivers = Array.from({ length: 8 }, (_, i): Receiver => {
    const [x, y] = [(i % 4) * 2.3 - 4.6, Math.floor(i / 4) * 3.5 - 3]
    return [at(x, y), at(x + 1.134, y), at(x + 1.134, y + 1.73), at(x, y + 1.73)]
  })
  const round = (low: number, high: number): [number, number] => {
    const [turn, away] = [number(0, 2 * Math.PI), number(low, high)]
    return [away * Math.cos(turn), away * Math.sin(turn)]
  }
  const inLeaf = (month: number) => (latitudeDeg >= 0 ? month : (month + 6) % 12) % 11 > 3
  const casters: Caster[] = [
    ...Array.from({ length: 6 }, () => {
      const [x, y] = [number(-5, 5), number(-4, 4)]
      const roof = 4 - facing * y * Math.tan(tilt)
      return box([x, y], number(0.1, 0.4), roof - 0.3, roof + number(0.3, 1.4))
    }),
    ...Array.from({ length: 5 }, (): Caster => {
      const [[x, y], heightM, crownRadiusM] = [round(8, 16), number(5, 13), number(1, 3)]
      const crown: CrownBody = {
        kind: 'crown',
        center: [x, y, heightM * 0.6],
        crownRadiusM,
        halfHeightM: heightM * 0.4,
        transmissivity: Array.from({ length: 12 }, (_, month) => (inLeaf(month) ? 0.2 : 0.6)),
        radiusM: Math.max(crownRadiusM, heightM * 0.4),
      }
      return [crown, ...box([x, y], 0.15, 0, heightM * 0.3)]
    }),
    ...Array.from({ length: 3 }, () => box(round(16, 20), 4, 0, number(6, 9))),
  ]
  const normal: Vec3 = [0, facing * Math.sin(tilt), Math.cos(tilt)]
  return { receivers, casters, normal }
}

const castsOn = (
  { receivers, casters }: ReturnType<typeof someYard>,
  directions: Float64Array,
): NamedCast[][] => {
  const all = casters.map((caster) => castOn(receivers, groups, caster, directions, patches.direction))
  return receivers.map((_, r) =>
    all.flatMap((casts, c) => {
      const cast: CastShade | null | undefined = casts[r]
      return cast ? [{ caster: String(c), cast }] : []
    }),
  )
}

/** Beam of a clear sky on a plane, share of the sun's own. */
const clearBeam = (sun: SunHours, normal: Vec3) =>
  Float64Array.from(sun.interval, (_, entry) => {
    const [x = 0, y = 0, z = 0] = sun.direction.subarray(entry * 3, entry * 3 + 3)
    const cosine = Math.max(0, normal[0] * x + normal[1] * y + normal[2] * z)
    return cosine * (sun.upShare[entry] ?? 0) * (1 - Math.exp(-3 * z))
  })

/** Share of a clear year's beam that is lost, by the table. */
function lostByTable(
  receiver: Receiver,
  casts: readonly NamedCast[],
  table: SunTable,
  sun: SunHours,
  normal: Vec3,
  horizon?: Horizon,
): number {
  const beam = beamByNode(clearBeam(sun, normal), sun.month, sun.stepMinutes, normal, table)
  const open = { beam, dome: 0, band: 0, ground: 0 }
  const left = yearByPoint(receiver, groups, casts, table, open, horizon)
  return (
    1 -
    left.reduce((sum, light) => sum + light, 0) / left.length / beam.reduce((sum, light) => sum + light, 0)
  )
}

/** Share of a clear year's beam that is lost. */
function lostOf(shade: ReceiverShade, sun: SunHours, normal: Vec3): number {
  const lit = new Float64Array(sun.interval.length).fill(1)
  shade.shaded.forEach((entry, row) => {
    lit[entry] = shade.litMean[row] ?? NaN
  })
  const beam = clearBeam(sun, normal)
  const left = lit.reduce((sum, share, entry) => sum + share * (beam[entry] ?? 0), 0)
  return 1 - left / beam.reduce((sum, light) => sum + light, 0)
}

test.each([0, 35, 52, 65, -35])(
  'at latitude %i the table is within half a point of ten-minute steps for each module, a tenth for all',
  (latitudeDeg) => {
    const site = { latitudeDeg, longitudeDeg: 10, elevationM: 0 }
    const [hours, tens, quarters] = [60, 10, 15].map((step) => sunHours(site, 1, step)) as [
      SunHours,
      SunHours,
      SunHours,
    ]
    const table = sunTable(latitudeDeg, hours, quarters)
    expect(table.direction.length / 3).toBeLessThan(1100)
    for (const seed of [1, 2]) {
      const yard = someYard(latitudeDeg, 1000 * seed + latitudeDeg)
      const exact = castsOn(yard, tens.direction).map((casts, r) =>
        lostOf(exactShade(yard.receivers[r] as Receiver, groups, casts, tens), tens, yard.normal),
      )
      const byTable = castsOn(yard, table.direction).map((casts, r) =>
        lostByTable(yard.receivers[r] as Receiver, casts, table, hours, yard.normal),
      )
      const errors = exact.map((share, r) => 100 * ((byTable[r] ?? NaN) - share))
      expect(Math.max(...errors.map(Math.abs))).toBeLessThan(0.5)
      expect(Math.abs(errors.reduce((sum, error) => sum + error, 0) / errors.length)).toBeLessThan(0.1)
      expect(exact.reduce((sum, share) => sum + share, 0)).toBeGreaterThan(0.2)
    }
  },
  60_000,
)

test('the parts of every entry sum to one, and the nodes around it are where the sun is', () => {
  for (const latitudeDeg of [-90, -35, 0, 41.6, 69, 90]) {
    const site = { latitudeDeg, longitudeDeg: -20, elevationM: 100 }
    const sun = sunHours(site, -1, 60)
    const { starts, node, part, direction } = sunTable(latitudeDeg, sun, sunHours(site, -1, 15))
    let [leastSum, mostSum, least] = [Infinity, -Infinity, 1]
    for (let entry = 0; entry < sun.interval.length; entry++) {
      let sum = 0
      const mean = [0, 0, 0]
      for (let i = starts[entry] ?? 0; i < (starts[entry + 1] ?? 0); i++) {
        sum += part[i] ?? NaN
        for (const axis of [0, 1, 2])
          mean[axis] = (mean[axis] ?? 0) + (part[i] ?? 0) * (direction[3 * (node[i] ?? 0) + axis] ?? 0)
      }
      leastSum = Math.min(leastSum, sum)
      mostSum = Math.max(mostSum, sum)
      const way = sun.direction.subarray(entry * 3, entry * 3 + 3)
      const together = mean.reduce((s, value, axis) => s + value * (way[axis] ?? 0), 0) / Math.hypot(...mean)
      least = Math.min(least, together)
    }
    expect([leastSum, mostSum]).toEqual([expect.closeTo(1, 9), expect.closeTo(1, 9)])
    // Within two degrees.
    expect(least).toBeGreaterThan(Math.cos((2 * Math.PI) / 180))
  }
})

test('a far horizon hides the same by the table as exactly', () => {
  const site = { latitudeDeg: 47, longitudeDeg: 8, elevationM: 400 }
  const [sun, fine] = [sunHours(site, 1, 60), sunHours(site, 1, 15)]
  const table = sunTable(47, sun, fine)
  const yard = someYard(47, 7)
  const horizon = farHorizon([
    [90, 4],
    [180, 14],
    [270, 2],
  ])
  const receiver = yard.receivers[0] as Receiver
  const [casts = []] = castsOn(yard, table.direction)
  const [exact = []] = castsOn(yard, sun.direction)
  const hidden = lostByTable(receiver, casts, table, sun, yard.normal, horizon)
  expect(hidden).toBeCloseTo(lostOf(exactShade(receiver, groups, exact, sun, horizon), sun, yard.normal), 2)
  expect(hidden).toBeGreaterThan(0.003 + lostByTable(receiver, casts, table, sun, yard.normal))
})

test('light at each point: the sky of a module is what its shadows leave, the ground stays, points sum to the whole', () => {
  const site = { latitudeDeg: 41.6, longitudeDeg: -71.4, elevationM: 0 }
  const sun = sunHours(site, -5, 60)
  const table = sunTable(41.6, sun, sunHours(site, -5, 15))
  const yard = someYard(41.6, 3)
  const none = new Float64Array(12 * (table.direction.length / 3))
  const byTable = castsOn(yard, table.direction)
  castsOn(yard, sun.direction).forEach((exact, r) => {
    const receiver = yard.receivers[r] as Receiver
    const { domeSeen, horizonSeen } = exactShade(receiver, groups, exact, sun)
    const open = { beam: none, dome: 500, band: 40, ground: 7 }
    const light = yearByPoint(receiver, groups, byTable[r] ?? [], table, open)
    expect(light).toHaveLength(60)
    const mean = light.reduce((sum, point) => sum + point, 0) / 60
    expect(mean).toBeCloseTo(500 * domeSeen + 40 * horizonSeen + 7, 6)
  })
  // A post before the left edge of a module darkens its left more than its right.
  const level: Receiver = [
    [0, 0, 0],
    [1.2, 0, 0],
    [1.2, 2, 0],
    [0, 2, 0],
  ]
  const post = box([-0.3, 1], 0.1, 0, 3)
  const cast = castOn([level], groups, post, table.direction, patches.direction)[0] as CastShade
  const light = yearByPoint(level, groups, [{ caster: 'post', cast }], table, {
    beam: beamByNode(clearBeam(sun, [0, 0, 1]), sun.month, 60, [0, 0, 1], table),
    dome: 1,
    band: 0,
    ground: 0,
  })
  const column = (at: number) => light.filter((_, i) => i % 6 === at).reduce((sum, value) => sum + value, 0)
  for (const at of [0, 1, 2, 3, 4]) expect(column(at)).toBeLessThan(column(at + 1))
})
