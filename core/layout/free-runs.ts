import { containsPoint } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'

/** A border that rectangles keep a distance from. */
export interface Barrier {
  readonly from: Vec2
  readonly to: Vec2
  readonly distanceM: number
}

/** What may be covered, in one plane's coordinates. */
export interface Field {
  readonly polygon: readonly Vec2[]
  readonly barriers: readonly Barrier[]
  /** Obstructions; their borders are among the barriers. */
  readonly holes: readonly (readonly Vec2[])[]
  /** A drawn outline that modules stay in; its border is among the barriers. */
  readonly within?: readonly Vec2[]
}

/** Where the left side of a rectangle may stand: from and to in metres, from <= to. */
export type Run = readonly [from: number, to: number]

/**
 * Runs of the left side of a rectangle `widthM` wide over the band v = low..high, ascending. Exact: the rectangle
 * keeps each barrier's distance and lies inside the polygon, inside the drawn outline and outside the holes.
 */
export type RunFinder = (low: number, high: number, widthM: number) => Run[]

/** Whether a point may be covered, whatever the barriers around it ask. */
export const isOpen = ({ polygon, holes, within }: Field, p: Vec2): boolean =>
  containsPoint(polygon, p) &&
  (within === undefined || containsPoint(within, p)) &&
  !holes.some((hole) => containsPoint(hole, p))

/** Touching is allowed to this much, so that a module may lie exactly at its setback. */
const slackM = 1e-7

/** A straight line of points that modules may not cover, by its v: u = foot + lean x (v - low). */
interface Line {
  readonly low: number
  readonly high: number
  /** Ends of a level line; of others the u at `low`, and what it gains up to `high`. */
  readonly foot: number
  readonly gain: number
  readonly lean: number
}

/** A barrier as a band sweeps it: two round ends, and the lines along it at its distance. */
interface Swept {
  readonly ends: readonly Vec2[]
  readonly lines: readonly Line[]
  readonly reach: number
  readonly lowest: number
  readonly highest: number
}

function lineOf(a: Vec2, b: Vec2): Line {
  const [lower, upper] = a[1] <= b[1] ? [a, b] : [b, a]
  const rise = upper[1] - lower[1]
  const gain = upper[0] - lower[0]
  return { low: lower[1], high: upper[1], foot: lower[0], gain, lean: rise < 1e-12 ? NaN : gain / rise }
}

function swept({ from, to, distanceM }: Barrier): Swept {
  const reach = Math.max(0, distanceM - slackM)
  const length = Math.hypot(to[0] - from[0], to[1] - from[1])
  const [nu, nv] = length === 0 ? [0, 0] : [-(to[1] - from[1]) / length, (to[0] - from[0]) / length]
  const beside = (side: number) =>
    lineOf([from[0] + nu * side, from[1] + nv * side], [to[0] + nu * side, to[1] + nv * side])
  return {
    ends: reach > 0 ? [from, to] : [],
    lines: reach > 0 ? [beside(-reach), beside(reach)] : [lineOf(from, to)],
    reach,
    lowest: Math.min(from[1], to[1]) - reach,
    highest: Math.max(from[1], to[1]) + reach,
  }
}

/** Least and greatest u of what a barrier keeps free in a band of v; least > most when that is nothing. */
interface Extent {
  least: number
  most: number
}

function take(extent: Extent, u: number) {
  if (u < extent.least) extent.least = u
  if (u > extent.most) extent.most = u
}

function extentInBand({ ends, lines, reach }: Swept, low: number, high: number, extent: Extent) {
  extent.least = Infinity
  extent.most = -Infinity
  for (const [u, v] of ends) {
    const away = v < low ? low - v : v > high ? v - high : 0
    if (away > reach) continue
    const half = Math.sqrt(reach * reach - away * away)
    take(extent, u - half)
    take(extent, u + half)
  }
  for (const line of lines) {
    const bottom = low > line.low ? low : line.low
    const top = high < line.high ? high : line.high
    if (bottom > top) continue
    if (Number.isNaN(line.lean)) {
      take(extent, line.foot)
      take(extent, line.foot + line.gain)
    } else {
      take(extent, line.foot + line.lean * (bottom - line.low))
      take(extent, line.foot + line.lean * (top - line.low))
    }
  }
}

/** A finder for one field, which keeps what it works out about the barriers. */
export function runFinder(field: Field): RunFinder {
  const barriers = field.barriers.map(swept)
  const us = field.polygon.map((p) => p[0])
  const [start, end] = [Math.min(...us) - 1, Math.max(...us) + 1]
  const extent: Extent = { least: 0, most: 0 }
  // Blocked stretches of the band at hand by where they begin; two columns of one table, filled anew each time.
  const froms = new Float64Array(barriers.length)
  const tos = new Float64Array(barriers.length)
  return (low, high, widthM) => {
    const [bandLow, bandHigh] = [low + slackM, high - slackM]
    let blocked = 0
    for (const barrier of barriers) {
      if (barrier.lowest > bandHigh || barrier.highest < bandLow) continue
      extentInBand(barrier, bandLow, bandHigh, extent)
      if (extent.least > extent.most) continue
      const from = extent.least - widthM + slackM
      let at = blocked++
      for (; at > 0 && (froms[at - 1] ?? 0) > from; at--) {
        froms[at] = froms[at - 1] ?? 0
        tos[at] = tos[at - 1] ?? 0
      }
      froms[at] = from
      tos[at] = extent.most - slackM
    }
    const runs: Run[] = []
    const middle = (low + high) / 2
    let cursor = start
    for (let k = 0; k <= blocked; k++) {
      const from = k < blocked ? (froms[k] ?? 0) : end
      // What holds together in the middle is free from end to end.
      if (from > cursor && isOpen(field, [(cursor + from + widthM) / 2, middle])) runs.push([cursor, from])
      const to = tos[k] ?? end
      if (k < blocked && to > cursor) cursor = to
    }
    return runs
  }
}
