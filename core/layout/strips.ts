import { type Vec2 } from '../geometry/vector'
import { runFinder, type Field, type Run } from './free-runs'

export type Orientation = 'portrait' | 'landscape'

/**
 * The strips modules of one orientation can stand in: rows, or with the axes swapped columns. A strip is told by its
 * foot, the coordinate of its lower side across the strip; runs and widths lie along it. Metres.
 */
export interface Strips {
  readonly orientation: Orientation
  /** Of a module along the strip. */
  readonly widthM: number
  /** Of a module across the strip. */
  readonly heightM: number
  /** Between modules along the strip. */
  readonly gapM: number
  /** Between strips. */
  readonly rowGapM: number
  /** What strips may cover, across. */
  readonly low: number
  readonly high: number
  /** The same along. */
  readonly from: number
  readonly to: number
  /** Feet at which a strip comes to rest on a barrier or reaches one with its top. */
  readonly rests: readonly number[]
  /** Strips at every step of a raster and at every rest, ascending: where to look for what they hold. */
  readonly tried: () => readonly { readonly foot: number; readonly runs: readonly Run[] }[]
  /** Where modules may begin along the strip at a foot, before `from` and `to` cut it. */
  readonly runs: (foot: number) => readonly Run[]
  /** A foot in the field's own coordinates, wherever the strips are seen from. */
  readonly onGround: (foot: number) => number
  /** Runs of modules that reach from `low` to `high` across the strip. */
  readonly band: (low: number, high: number) => readonly Run[]
}

/** Shares of a metre that rounding may take. */
export const nearlyM = 1e-6

/** The strips of one orientation on a field, its rows or with `swapped` coordinates its columns. */
export function stripsOn(
  field: Field,
  size: { readonly widthM: number; readonly heightM: number },
  { gapM, rowGapM }: Pick<Strips, 'gapM' | 'rowGapM'>,
  orientation: Orientation,
): Strips {
  const { widthM, heightM } = size
  const find = runFinder(field)
  const across = (field.within ?? field.polygon).map((p) => p[1])
  const known = new Map<number, readonly Run[]>()
  const band = (low: number, high: number) => find(low, high, widthM)
  const runs = (foot: number) => {
    const before = known.get(foot)
    if (before) return before
    const found = band(foot, foot + heightM)
    known.set(foot, found)
    return found
  }
  const [low, high] = [Math.min(...across), Math.max(...across)]
  const rests = field.barriers.flatMap(({ from, to, distanceM }) => {
    const [lower, upper] = [Math.min(from[1], to[1]), Math.max(from[1], to[1])]
    return [
      upper + distanceM,
      lower + distanceM,
      upper,
      lower,
      lower - distanceM - heightM,
      upper - distanceM - heightM,
      lower - heightM,
      upper - heightM,
    ]
  })
  return {
    ...{
      orientation,
      widthM,
      heightM,
      gapM,
      rowGapM,
      low,
      high,
      from: -Infinity,
      to: Infinity,
      rests,
      runs,
      band,
    },
    tried: triedOf({ low, high, heightM, rests, runs }),
    onGround: (foot) => foot,
  }
}

/** Steps at which strips are tried before the feet between are halved out. */
const rasterM = 0.1

function triedOf({
  low,
  high,
  heightM,
  rests,
  runs,
}: Pick<Strips, 'low' | 'high' | 'heightM' | 'rests' | 'runs'>): Strips['tried'] {
  let known: ReturnType<Strips['tried']> | null = null
  return () => {
    if (known) return known
    const last = high - heightM
    const steps = Math.max(0, Math.ceil((last - low) / rasterM))
    const feet = [
      ...Array.from({ length: steps }, (_, k) => low + k * rasterM),
      ...rests.filter((foot) => foot > low && foot < last),
      ...(last >= low - nearlyM ? [last] : []),
    ]
    known = [...new Set(feet)].sort((a, b) => a - b).map((foot) => ({ foot, runs: runs(foot) }))
    return known
  }
}

/** The field with its axes swapped, so that its rows are the columns. */
export function swapped({ polygon, barriers, holes, within }: Field): Field {
  const swap = (p: Vec2): Vec2 => [p[1], p[0]]
  return {
    polygon: polygon.map(swap),
    barriers: barriers.map(({ from, to, distanceM }) => ({ from: swap(from), to: swap(to), distanceM })),
    holes: holes.map((hole) => hole.map(swap)),
    ...(within ? { within: within.map(swap) } : {}),
  }
}

/** The strips seen from the other end: what was on top is the foot. */
export function flipped(strips: Strips): Strips {
  const { heightM } = strips
  const seen = {
    low: -strips.high,
    high: -strips.low,
    heightM,
    rests: strips.rests.map((foot) => -foot - heightM),
    runs: (foot: number) => strips.runs(-foot - heightM),
  }
  return {
    ...strips,
    ...seen,
    tried: triedOf(seen),
    band: (low, high) => strips.band(-high, -low),
    onGround: (foot) => strips.onGround(-foot - heightM),
  }
}

/** The strips between two places along them. */
export const between = (strips: Strips, from: number, to: number): Strips => ({ ...strips, from, to })

/** Modules in a row from `from` on, all within one run. */
export interface Piece {
  readonly from: number
  /** The last place the first module may slide to. */
  readonly slackM: number
  readonly count: number
}

/** A strip filled from its beginning. */
export function filled(runs: readonly Run[], strips: Strips): Piece[] {
  const pieces: Piece[] = []
  fill(runs, strips, (from, to, count) => {
    const slackM = Math.max(0, to - from - (count - 1) * (strips.widthM + strips.gapM))
    pieces.push({ from, slackM, count })
  })
  return pieces
}

/** How many modules a strip holds. */
export function holds(runs: readonly Run[], strips: Strips): number {
  return fill(runs, strips, null)
}

function fill(
  runs: readonly Run[],
  { widthM, gapM, from: first, to: last }: Strips,
  each: ((from: number, to: number, count: number) => void) | null,
): number {
  const pitch = widthM + gapM
  let cursor = first
  let sum = 0
  for (const run of runs) {
    const start = run[0] > cursor ? run[0] : cursor
    const end = run[1] < last - widthM ? run[1] : last - widthM
    if (start > end + nearlyM) continue
    const count = Math.floor((end - start + nearlyM) / pitch) + 1
    each?.(start, end, count)
    sum += count
    cursor = start + count * pitch
  }
  return sum
}
