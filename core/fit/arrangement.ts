import { type Vec2 } from '../geometry/vector'
import { offLine, type Line } from './seams'

/** A convex piece of the plan, counter-clockwise, by the numbers of its corners. */
export interface Piece {
  readonly corners: readonly number[]
}

/** The plan cut by lines. Pieces side by side share the numbers of both ends of their common side. */
export interface Arrangement {
  readonly points: readonly Vec2[]
  readonly pieces: readonly Piece[]
}

/** Corners this near to a line lie on it, m. */
const onLineM = 1e-6
/** Lines this near to each other all over the box are one, m. */
const sameLineM = 0.02

/** Lines without those that all but repeat another within a box. */
export function distinctLines(lines: readonly Line[], low: Vec2, high: Vec2): Line[] {
  const corners: Vec2[] = [low, [high[0], low[1]], high, [low[0], high[1]]]
  const kept: Line[] = []
  for (const line of lines) {
    const repeats = kept.some((known) => {
      const way = known.normal[0] * line.normal[0] + known.normal[1] * line.normal[1]
      const sign = Math.sign(way)
      return (
        Math.abs(way) > 0.99 &&
        corners.every((p) => Math.abs(offLine(known, p) - sign * offLine(line, p)) < sameLineM)
      )
    })
    if (!repeats) kept.push(line)
  }
  return kept
}

/** A box cut by lines, one after the other. */
export function arrangementOf(lines: readonly Line[], low: Vec2, high: Vec2): Arrangement {
  const points: Vec2[] = [low, [high[0], low[1]], high, [low[0], high[1]]]
  let pieces: Piece[] = [{ corners: [0, 1, 2, 3] }]
  for (const line of lines) {
    const sides = points.map((p) => {
      const off = offLine(line, p)
      return Math.abs(off) <= onLineM ? 0 : Math.sign(off)
    })
    const cuts = new Map<string, number>()
    const cutOf = (i: number, j: number): number => {
      // The same two ends give the same point, from whichever side the cut is met.
      const [p, q] = i < j ? [i, j] : [j, i]
      const key = `${p} ${q}`
      const known = cuts.get(key)
      if (known !== undefined) return known
      const [a, b] = [points[p] ?? low, points[q] ?? low]
      const [da, db] = [offLine(line, a), offLine(line, b)]
      const t = da / (da - db)
      const number = points.push([a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])]) - 1
      cuts.set(key, number)
      return number
    }
    pieces = pieces.flatMap(({ corners }) => cut(corners, (k) => sides[k] ?? 0, cutOf))
  }
  return { points, pieces }
}

function cut(
  corners: readonly number[],
  sideOf: (k: number) => number,
  cutOf: (i: number, j: number) => number,
): Piece[] {
  const sides = corners.map(sideOf)
  if (!sides.some((side) => side > 0) || !sides.some((side) => side < 0)) return [{ corners }]
  const [left, right]: [number[], number[]] = [[], []]
  corners.forEach((k, i) => {
    const next = corners[(i + 1) % corners.length] ?? k
    const [here, there] = [sides[i] ?? 0, sideOf(next)]
    if (here >= 0) left.push(k)
    if (here <= 0) right.push(k)
    if (here * there < 0) {
      const at = cutOf(k, next)
      left.push(at)
      right.push(at)
    }
  })
  return [left, right].filter((ring) => ring.length > 2).map((ring) => ({ corners: ring }))
}
