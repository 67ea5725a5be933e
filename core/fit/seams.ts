import { type Vec2 } from '../geometry/vector'
import { heightOn, type Flat } from './flat'
import { none, type Grown, type Region } from './grow'
import { apart } from './regular'
import { around, type Survey } from './survey'

/** A line of the plan: the points p with p · normal = offset; normal a unit vector. */
export interface Line {
  readonly normal: Vec2
  readonly offsetM: number
}

export const lineThrough = (a: Vec2, b: Vec2): Line => {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1])
  const normal: Vec2 = [-(b[1] - a[1]) / length, (b[0] - a[0]) / length]
  return { normal, offsetM: a[0] * normal[0] + a[1] * normal[1] }
}

export const offLine = ({ normal, offsetM }: Line, p: Vec2): number =>
  p[0] * normal[0] + p[1] * normal[1] - offsetM

/** Where two lines meet; null where they run in nearly one direction. */
export function crossing(p: Line, q: Line): Vec2 | null {
  const area = p.normal[0] * q.normal[1] - p.normal[1] * q.normal[0]
  if (Math.abs(area) < 0.05) return null
  return [
    (p.offsetM * q.normal[1] - q.offsetM * p.normal[1]) / area,
    (q.offsetM * p.normal[0] - p.offsetM * q.normal[0]) / area,
  ]
}

/** Cells of two planes this near to where both are equally high meet there, m. */
const meetsM = 0.6
/** Planes closer than this over each other meet, m, whatever line they meet in. */
const stepM = 0.22
/** A seam or a step shorter than this is none, m. */
const leastSeamM = 0.7
/** A step runs within this beside its cells, m. */
const besideM = 0.22
/** Steps that run this near to a wall run in it, m. */
const inWallM = 0.2

/** Every cell of the house with the plane of the nearest that has one: what stands on a roof is over its plane. */
export function filled(survey: Survey, labels: Int32Array): Int32Array {
  const full = Int32Array.from(labels)
  const queue = [...full.keys()].filter((k) => (full[k] ?? none) >= 0)
  for (const k of queue)
    for (const j of around(survey.grid, k))
      if (survey.inside[j] && full[j] === none) {
        full[j] = full[k] ?? none
        queue.push(j)
      }
  return full
}

/** Middles between cells of two planes, by the planes' numbers. */
function bordersOf(survey: Survey, full: Int32Array): Map<string, { p: number; q: number; at: Vec2[] }> {
  const borders = new Map<string, { p: number; q: number; at: Vec2[] }>()
  const { columns } = survey.grid
  full.forEach((label, k) => {
    for (const j of [k % columns === columns - 1 ? -1 : k + 1, k + columns]) {
      const other = full[j] ?? none
      if (label < 0 || other < 0 || label === other) continue
      const [p, q] = label < other ? [label, other] : [other, label]
      const border = borders.get(`${p} ${q}`) ?? { p, q, at: [] }
      border.at.push([
        ((survey.x[k] ?? 0) + (survey.x[j] ?? 0)) / 2,
        ((survey.y[k] ?? 0) + (survey.y[j] ?? 0)) / 2,
      ])
      borders.set(`${p} ${q}`, border)
    }
  })
  return borders
}

/** The line in which two planes are equally high; null for parallel ones. */
export function meetingLine(one: Flat, other: Flat): Line | null {
  const [a, b, c] = [one.a - other.a, one.b - other.b, one.c - other.c]
  const steep = Math.hypot(a, b)
  return steep < 0.02 ? null : { normal: [a / steep, b / steep], offsetM: -c / steep }
}

/**
 * Lines that part the planes of a roof: where two that stand side by side are equally high, and along steps, straight and
 * in the directions of the walls where they all but run so.
 */
export function partingLines(
  survey: Survey,
  { regions }: Pick<Grown, 'regions'>,
  full: Int32Array,
  walls: readonly Line[],
  directions: readonly number[],
): Line[] {
  const lines: Line[] = []
  const least = leastSeamM / survey.sideM
  const steps: Vec2[] = []
  for (const { p, q, at } of bordersOf(survey, full).values()) {
    const [one, other] = [regions[p], regions[q]]
    if (!one || !other) continue
    const line = meetingLine(one.flat, other.flat)
    const meets = (point: Vec2) => line !== null && Math.abs(offLine(line, point)) < meetsM
    const meeting = at.filter(meets)
    if (line && meeting.length >= Math.min(least, 3)) lines.push(line)
    steps.push(...at.filter((point) => !meets(point) && stepAt(one, other, point) > stepM))
  }
  return [...lines, ...stepLines(steps, least, walls, directions)]
}

const stepAt = (one: Region, other: Region, [x, y]: Vec2) =>
  Math.abs(heightOn(one.flat, x, y) - heightOn(other.flat, x, y))

/** Straight lines through the middles between cells of two heights, the one with the most first. */
function stepLines(
  points: readonly Vec2[],
  least: number,
  walls: readonly Line[],
  directions: readonly number[],
): Line[] {
  const found: Line[] = []
  const square = directions.flatMap((direction) => [direction, (direction + Math.PI / 2) % Math.PI])
  const ways = square.filter((way, i) => square.findIndex((other) => apart(way, other) < 0.02) === i)
  let open = [...points]
  while (open.length >= least && found.length < 60) {
    const best = bestAlong(open, ways)
    if (!best || best.members.length < least) break
    const off = best.members.map((p) => p[0] * best.normal[0] + p[1] * best.normal[1])
    const line = { normal: best.normal, offsetM: off.reduce((a, b) => a + b, 0) / off.length }
    const wall = walls.find(
      (known) =>
        Math.abs(known.normal[0] * line.normal[1] - known.normal[1] * line.normal[0]) < 0.03 &&
        Math.abs(best.members.reduce((sum, p) => sum + offLine(known, p), 0)) < inWallM * best.members.length,
    )
    found.push(wall ?? line)
    const taken = new Set(best.members)
    open = open.filter((p) => !taken.has(p))
  }
  return found
}

/** Points of one step follow each other with no larger gap, m. */
const gapM = 0.6

/**
 * The line of the given directions with the longest row of points beside it, in a window as wide as the steps of the
 * cells; all points of the window are its. What only crosses it, here and there, makes no row.
 */
function bestAlong(points: readonly Vec2[], ways: readonly number[]): Row | null {
  let best: (Row & { readonly long: number }) | null = null
  for (const way of ways) {
    const normal: Vec2 = [-Math.sin(way), Math.cos(way)]
    const sorted = points
      .map((p) => ({ p, off: p[0] * normal[0] + p[1] * normal[1] }))
      .sort((a, b) => a.off - b.off)
    let from = 0
    for (const [to, { off }] of sorted.entries()) {
      while (off - (sorted[from]?.off ?? off) > 2 * besideM) from++
      const most: number = best?.long ?? 0
      if (to - from + 1 <= most) continue
      const members = sorted.slice(from, to + 1).map(({ p }) => p)
      const row = longestRow(members, normal)
      if (row.length > most) best = { normal, members: row, long: row.length }
    }
  }
  return best
}

interface Row {
  readonly normal: Vec2
  readonly members: readonly Vec2[]
}

/** The most points that follow each other along a line. */
function longestRow(points: readonly Vec2[], normal: Vec2): Vec2[] {
  const along = ([x, y]: Vec2) => x * normal[1] - y * normal[0]
  const sorted = [...points].sort((p, q) => along(p) - along(q))
  let [start, best, length] = [0, 0, 0]
  sorted.forEach((p, i) => {
    const before = sorted[i - 1]
    if (before && along(p) - along(before) > gapM) start = i
    if (i - start + 1 > length) [best, length] = [start, i - start + 1]
  })
  return sorted.slice(best, best + length)
}
