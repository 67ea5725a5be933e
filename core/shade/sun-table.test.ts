import { columnsUnder, type CrownBody } from '../geometry/body'
import { type Vec3 } from '../geometry/vector'
import { seededRandom } from '../model/random'
import { sunHours, type SunHours } from '../sun/sun-hours'
import { castOn, type CastShade, type NamedCast } from './cast'
import { type Caster, type Receiver, type ReceiverShade } from './engine'
import { farHorizon } from './far-horizon'
import { exactShade, tableShade } from './receiver-shade'
import { patches } from './sky-patches'
import { sunTable } from './sun-table'

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

/** Share of a clear year's beam that is lost. */
function lostOf(shade: ReceiverShade, sun: SunHours, normal: Vec3): number {
  const lit = new Float64Array(sun.interval.length).fill(1)
  shade.shaded.forEach((entry, row) => {
    lit[entry] = shade.litMean[row] ?? NaN
  })
  let [lost, all] = [0, 0]
  lit.forEach((share, entry) => {
    const [x = 0, y = 0, z = 0] = sun.direction.subarray(entry * 3, entry * 3 + 3)
    const light =
      Math.max(0, normal[0] * x + normal[1] * y + normal[2] * z) *
      (sun.upShare[entry] ?? 0) *
      (1 - Math.exp(-3 * z))
    all += light
    lost += light * (1 - share)
  })
  return lost / all
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
        lostOf(tableShade(yard.receivers[r] as Receiver, groups, casts, table, hours), hours, yard.normal),
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

test('a far horizon hides the same by the table as exactly, and what each caster takes sums to what is lost', () => {
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
  const hidden = lostOf(tableShade(receiver, groups, casts, table, sun, horizon), sun, yard.normal)
  expect(hidden).toBeCloseTo(lostOf(exactShade(receiver, groups, exact, sun, horizon), sun, yard.normal), 2)
  expect(hidden).toBeGreaterThan(
    0.003 + lostOf(tableShade(receiver, groups, casts, table, sun), sun, yard.normal),
  )

  const shade = tableShade(receiver, groups, casts, table, sun)
  expect(shade.shaded.length).toBeGreaterThan(300)
  expect(shade.takenBy.length).toBeGreaterThan(3)
  // Node by node and month by month, put together as the table's entries are.
  const taken = new Float64Array(12 * (table.direction.length / 3))
  const nodes = table.direction.length / 3
  for (const { at, months, share } of shade.takenBy)
    at.forEach((n, i) => {
      for (let month = 0; month < 12; month++)
        if (((months[i] ?? 0) >> month) & 1)
          taken[month * nodes + n] = (taken[month * nodes + n] ?? 0) + (share[i] ?? 0)
    })
  const cosine = (n: number) =>
    yard.normal.reduce((sum, value, axis) => sum + value * (table.direction[3 * n + axis] ?? 0), 0)
  let worst = 0
  shade.shaded.forEach((entry, row) => {
    let [lost, light] = [0, 0]
    for (let i = table.starts[entry] ?? 0; i < (table.starts[entry + 1] ?? 0); i++) {
      const n = table.node[i] ?? 0
      if (cosine(n) < 1e-3) continue
      const weight = (table.part[i] ?? 0) * cosine(n)
      light += weight
      lost += weight * (taken[(sun.month[entry] ?? 0) * nodes + n] ?? 0)
    }
    worst = Math.max(worst, Math.abs(lost / light - (1 - (shade.litMean[row] ?? NaN))))
  })
  expect(worst).toBeLessThan(1e-5)
})
