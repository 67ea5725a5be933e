import { mostStrips } from '../model/module-sheet'
import { columnsUnder, sheetOf, slabUnder, type Body, type CrownBody } from '../geometry/body'
import { newell, scale3, unit3, type Vec3 } from '../geometry/vector'
import { seededRandom } from '../model/random'
import { castOn } from './cast'
import { type Caster, type CellGroups, type Receiver } from './engine'
import { PointsLit } from './points-lit'
import { plainLight } from './reference'
import { sampleGrid } from './sample-grid'
import { grazing } from './sky-patches'

/** Scenes at random, held against rays from the same points to the same directions. */

const next = seededRandom(20_261_126)
const number = (low: number, high: number) => low + (high - low) * next()
const none = new Float64Array(0)

/** Modules side by side on a slanted plane, some of them missing, some turned by a quarter. */
function someField(): Receiver[] {
  const [tilt, turn] = [number(0, 1.4), number(0, 2 * Math.PI)]
  const across: Vec3 = [Math.cos(turn), Math.sin(turn), 0]
  const along: Vec3 = [-Math.sin(turn) * Math.cos(tilt), Math.cos(turn) * Math.cos(tilt), Math.sin(tilt)]
  const at = (x: number, y: number): Vec3 => [
    x * across[0] + y * along[0],
    x * across[1] + y * along[1],
    2 + x * across[2] + y * along[2],
  ]
  const isMixed = next() < 0.3
  return Array.from({ length: 6 }, (_, i): Receiver => {
    const [x, y] = [(i % 3) * 1.15, Math.floor(i / 3) * 1.75]
    if (isMixed && i % 2 === 1) return [at(x + 1.1, y), at(x + 1.1, y + 1.7), at(x, y + 1.7), at(x, y)]
    return [at(x, y), at(x + 1.1, y), at(x + 1.1, y + 1.7), at(x, y + 1.7)]
  }).filter(() => next() < 0.9)
}

const point = (): Vec3 => [number(-7, 7), number(-7, 7), number(0, 6)]

/** Columns, boards, triangles and crowns, in front of the plane, behind it and across it. */
function someBody(): Body[] {
  const [x, y] = point()
  const size = number(0.2, 2)
  const corners = 3 + Math.floor(number(0, 5))
  const [low, lean, leanY] = [number(0, 4), number(-0.6, 0.6), number(-0.6, 0.6)]
  const lid = (bottomM: number) =>
    Array.from({ length: corners }, (_, i): Vec3 => {
      const turn = (2 * Math.PI * (i + 0.3)) / corners
      const [dx, dy] = [size * Math.cos(turn), size * Math.sin(turn)]
      return [x + dx, y + dy, bottomM + number(3, 3.001) + lean * dx + leanY * dy]
    })
  const kind = next()
  if (kind < 0.3) {
    const flat = lid(low).map((v, _, all): Vec3 => [v[0], v[1], (all[0]?.[2] ?? 0) + lean * (v[0] - x)])
    return columnsUnder(flat, low)
  }
  if (kind < 0.45) {
    const board = slabUnder(
      lid(low).map((v): Vec3 => [v[0], v[1], low + lean * (v[0] - x)]),
      0.05,
    )
    return board ? [board] : []
  }
  if (kind < 0.6) {
    const sheet = sheetOf([point(), point(), point()])
    return sheet ? [sheet] : []
  }
  const [crownRadiusM, halfHeightM] = [number(0.3, 3), number(0.3, 3)]
  const months = Array.from({ length: 12 }, () => Math.round(number(0, 4)) / 4)
  const crown: CrownBody = {
    kind: 'crown',
    center: point(),
    crownRadiusM,
    halfHeightM,
    transmissivity: months,
    radiusM: Math.max(crownRadiusM, halfHeightM),
  }
  return [crown]
}

const someDirection = (): Vec3 => unit3([number(-1, 1), number(-1, 1), number(0.01, 1)])

/** Directions as the kernel takes them. */
const flat = (directions: readonly Vec3[]) => Float64Array.from(directions.flat())

const variants: readonly CellGroups[] = [
  { strips: 3, halves: 2 },
  { strips: 3, halves: 1 },
  { strips: 1, halves: 1 },
  { strips: 2, halves: 2 },
  { strips: 4, halves: 2 },
  { strips: 6, halves: 1 },
]

test('shadows of random things on random modules are those of rays: means, worst groups and shares', () => {
  let compared = 0
  let [excused, unlike] = [0, 0]
  for (let round = 0; round < 1500; round++) {
    const receivers = someField()
    const groups = variants[round % variants.length] as CellGroups
    const casters: Caster[] = Array.from({ length: 1 + Math.floor(number(0, 4)) }, () =>
      next() < 0.3 ? [...someBody(), ...someBody()] : someBody(),
    )
    const directions = Array.from({ length: 8 }, someDirection)
    const month = Math.floor(number(0, 12))
    const casts = casters.map((caster) => castOn(receivers, groups, caster, flat(directions), none))
    const grid = sampleGrid(groups)
    receivers.forEach((receiver, r) => {
      const own = casts.flatMap((cast, c) => {
        const on = cast[r]
        return on ? [{ c, layers: on.layers, marks: on.sun }] : []
      })
      const lit = new PointsLit(grid, own, directions.length)
      directions.forEach((way, k) => {
        const normal = unit3(newell(receiver))
        const plain = plainLight(
          receiver,
          groups,
          normal,
          casters,
          way,
          (crown) => crown.transmissivity[month] ?? 1,
        )
        const isBlocked = lit.seek(k, month)
        if (!plain || normal[0] * way[0] + normal[1] * way[1] + normal[2] * way[2] < grazing) {
          expect(isBlocked).toBe(false)
          return
        }
        compared++
        const taken = casters.map((_, c) => lit.taken[own.findIndex((one) => one.c === c)] ?? 0)
        const differs =
          Math.abs((isBlocked ? lit.mean : 1) - plain.litMean) > 1e-9 ||
          plain.litWorst.some(
            (share, g) => Math.abs((isBlocked ? (lit.worst[g] as number) : 1) - share) > 1e-9,
          ) ||
          (isBlocked ? taken : []).some((share, c) => Math.abs(share - (plain.blockedBy[c] ?? 0)) > 1e-9)
        if (!differs) return
        if (nearEdge(receiver, groups, normal, casters, way)) excused++
        else unlike++
      })
    })
  }
  expect(compared).toBeGreaterThan(30_000)
  expect(unlike).toBe(0)
  expect(excused).toBeLessThan(compared / 2000)
})

/** Whether the rays' own answer changes when the modules move by less than a millimetre. */
function nearEdge(
  receiver: Receiver,
  groups: CellGroups,
  normal: Vec3,
  casters: readonly Caster[],
  way: Vec3,
): boolean {
  const [a, b, , d] = receiver
  const side = (to: Vec3) => unit3([to[0] - a[0], to[1] - a[1], to[2] - a[2]])
  return [side(b), side(d), normal].some((way3) =>
    [-1e-4, 1e-4, -5e-4, 5e-4].some((by) => {
      const step = scale3(way3, by)
      const moved = receiver.map(([x, y, z]): Vec3 => [x + step[0], y + step[1], z + step[2]])
      const beside = plainLight(moved as unknown as Receiver, groups, normal, casters, way, () => 0)
      const here = plainLight(receiver, groups, normal, casters, way, () => 0)
      return beside?.litMean !== here?.litMean
    }),
  )
}

test('shadows on many modules at once are those on each alone', () => {
  for (let round = 0; round < 100; round++) {
    const receivers = someField()
    const caster = someBody()
    const directions = flat(Array.from({ length: 20 }, someDirection))
    const groups = variants[round % variants.length] as CellGroups
    const together = castOn(receivers, groups, caster, directions, directions)
    receivers.forEach((receiver, r) => {
      expect(castOn([receiver], groups, caster, directions, directions)[0]).toEqual(together[r])
    })
  }
})

test('every point of a module is in one group, and groups share them evenly', () => {
  for (const groups of variants) {
    const { groupMasks, words, points, groups: count } = sampleGrid(groups)
    expect(points).toBeGreaterThanOrEqual(60)
    let all = 0
    for (let g = 0; g < count; g++) {
      const bits = [...groupMasks.subarray(g * words, (g + 1) * words)].map(
        (word) => word.toString(2).split('1').length - 1,
      )
      expect(bits.reduce((a, b) => a + b, 0)).toBe(points / count)
      all += points / count
    }
    expect(all).toBe(points)
  }
  // As many as a data sheet may have, and no more.
  expect(sampleGrid({ strips: mostStrips, halves: 2 }).groups).toBe(2 * mostStrips)
  expect(() => sampleGrid({ strips: mostStrips + 1, halves: 1 })).toThrow(RangeError)
})
