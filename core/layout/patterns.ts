import { bestGrid, gridsUpTo, type Grid } from './aligned'
import { type Field } from './free-runs'
import { placesOfGrid, placesOfStack, type Place } from './places'
import { stack, upTo, type Stacked } from './stack'
import { flipped, stripsOn, swapped, within, type Orientation, type Strips } from './strips'

/** How modules are set out, the tidiest first. */
export const patterns = ['aligned', 'blocks', 'shifted', 'mixed', 'fullest'] as const
export type Pattern = (typeof patterns)[number]

/** A module's lower left corner on the plane, its size as it lies, and its place counted in rows and columns. */
export interface Cell {
  readonly u: number
  readonly v: number
  readonly widthM: number
  readonly heightM: number
  readonly orientation: Orientation
  readonly row: number
  readonly column: number
}

export interface PatternRequest {
  readonly field: Field
  readonly module: { readonly widthM: number; readonly lengthM: number }
  readonly gapM: number
  readonly orientation: Orientation | 'best'
}

/** Part of a layout: how many it holds, and where. */
interface Part {
  readonly count: number
  readonly cells: () => Cell[]
}

const nothing: Part = { count: 0, cells: () => [] }

/** Strips of every orientation wanted, one way across the field, and how their places are told on the plane. */
interface Way {
  readonly kinds: readonly Strips[]
  readonly onPlane: (place: Place) => Cell
}

/**
 * Every pattern of one field, worked out when asked for and kept: each holds at least what every tidier one holds.
 */
export class Layouts {
  private readonly rows: Way
  private readonly columns: Way
  private readonly known = new Map<Pattern, Part>()

  constructor({ field, module, gapM, orientation }: PatternRequest) {
    const { widthM, lengthM } = module
    const kindsOn = (ground: Field, across: boolean) =>
      (orientation === 'best' ? (['portrait', 'landscape'] as const) : [orientation]).map((lie) => {
        const upright = (lie === 'portrait') !== across
        const size = upright ? { widthM, heightM: lengthM } : { widthM: lengthM, heightM: widthM }
        return stripsOn(ground, size, gapM, lie)
      })
    this.rows = { kinds: kindsOn(field, false), onPlane: rowCell }
    this.columns = { kinds: kindsOn(swapped(field), true), onPlane: columnCell }
  }

  /** Modules that a pattern holds. */
  count(pattern: Pattern): number {
    return this.part(pattern).count
  }

  cells(pattern: Pattern): Cell[] {
    return this.part(pattern).cells()
  }

  private part(pattern: Pattern): Part {
    const before = this.known.get(pattern)
    if (before) return before
    const found = this.search(pattern)
    this.known.set(pattern, found)
    return found
  }

  private search(pattern: Pattern): Part {
    const rankOf = (other: Pattern) => patterns.indexOf(other)
    let best = nothing
    let rank = rankOf(pattern)
    for (const method of searchOrder) {
      const own = rankOf(method)
      if (own > rankOf(pattern)) continue
      // A tidier way is taken even if it holds no more.
      const found = this.own(method, own < rank ? best.count - 1 : best.count)
      if (found.count < best.count || (found.count === best.count && own >= rank)) continue
      best = found
      rank = own
    }
    return best
  }

  /** The best of one way alone; it may come back with nothing when it holds no more than `atLeast`. */
  private own(pattern: Pattern, atLeast: number): Part {
    const { rows, columns } = this
    switch (pattern) {
      case 'aligned':
        return ofGrid(mostOf(rows.kinds, atLeast), rows)
      case 'blocks': {
        const best = twoBlocks(rows, atLeast)
        return better(best, twoBlocks(columns, Math.max(atLeast, best.count)))
      }
      case 'shifted':
        return rows.kinds.map((kind) => ofStack(stack([kind]).at(-1) ?? null, rows)).reduce(better)
      case 'mixed':
        return [rows, columns].map((way) => ofStack(stack(way.kinds).at(-1) ?? null, way)).reduce(better)
      case 'fullest': {
        const best = oneCut(rows, columns, atLeast)
        return better(best, oneCut(columns, rows, Math.max(atLeast, best.count)))
      }
    }
  }
}

/** What is found fast and holds much comes first, so that the dear searches have much to beat and end soon. */
const searchOrder: readonly Pattern[] = ['shifted', 'mixed', 'fullest', 'aligned', 'blocks']

/** Modules counted anew for all cuts of one way together: on a large plane a cut gains next to nothing. */
const mostCounted = 8000

/** How finely strips across a cut are told; nothing is lost but what is tight to a millimetre. */
const roughM = 1e-3

const better = (one: Part, other: Part): Part => (other.count > one.count ? other : one)

const rowCell = ({ along, foot, strip, place, strips: { widthM, heightM, orientation } }: Place): Cell => ({
  ...{ u: along, v: foot, widthM, heightM, orientation },
  ...{ row: strip, column: place },
})

const columnCell = ({ along, foot, strip, place, strips }: Place): Cell => ({
  ...{ u: foot, v: along, widthM: strips.heightM, heightM: strips.widthM },
  ...{ orientation: strips.orientation, row: place, column: strip },
})

const ofGrid = (grid: Grid | null, { onPlane }: Way): Part =>
  grid ? { count: grid.count, cells: () => placesOfGrid(grid).map(onPlane) } : nothing

const ofStack = (top: Stacked | null, { onPlane }: Way): Part =>
  top ? { count: top.count, cells: () => placesOfStack(top).map(onPlane) } : nothing

function mostOf(kinds: readonly Strips[], atLeast: number): Grid | null {
  return kinds.reduce<Grid | null>((best, kind) => bestGrid(kind, best?.count ?? atLeast) ?? best, null)
}

/** Where a field may be cut across its strips: on top of what stands from below, and under what hangs from above. */
interface Cut {
  /** The end of the lower part; the upper one begins a gap further. */
  readonly at: number
  readonly lower: Stacked | null
  readonly upper: Stacked | null
}

function cutsOf(kinds: readonly Strips[], gapM: number): Cut[] {
  const forth = stack(kinds)
  const back = stack(kinds.map(flipped))
  const at = [...forth.map(({ top }) => top - gapM), ...back.map(({ top }) => -top)].sort((a, b) => a - b)
  return at.map((x) => ({ at: x, lower: upTo(forth, x + gapM), upper: upTo(back, -x) }))
}

/** Two strict grids with a cut between them; nothing when none holds more than `atLeast`. */
function twoBlocks(way: Way, atLeast: number): Part {
  const gapM = way.kinds[0]?.gapM ?? 0
  const turned = way.kinds.map(flipped)
  // What free strips hold beyond a cut bounds what a grid can.
  const rest = (labels: readonly Stacked[]) => (top: number) =>
    atLeast - (upTo(labels, gapM - top)?.count ?? 0)
  const forth = gridsUpTo(way.kinds, rest(stack(turned)))
  const back = gridsUpTo(turned, rest(stack(way.kinds)))
  let most = atLeast
  let best = nothing
  for (const lower of forth) {
    const upper = upTo(back, gapM - lower.top)
    if (!upper || lower.count + upper.count <= most) continue
    most = lower.count + upper.count
    best = joined(way, ofGrid(lower, way), ofGrid(upper, way))
  }
  return best
}

/** Strips one way on one side of a cut and the other way on the other, or the other way on both. */
function oneCut(way: Way, other: Way, atLeast: number): Part {
  const gapM = way.kinds[0]?.gapM ?? 0
  const cuts = cutsOf(way.kinds, gapM)
  // Runs along the strips are the same for every cut: what a cut costs is counting them anew.
  const crossing = (window: { readonly from?: number; readonly to?: number }) =>
    stack(
      other.kinds.map((kind) => within(kind, window)),
      roughM,
    ).at(-1) ?? null
  const whole = stack(other.kinds).at(-1)?.count ?? 0
  let most = atLeast
  let best = nothing
  let counted = 0
  const offer = (lower: Part, upper: Part) => {
    if (lower.count + upper.count <= most) return
    most = lower.count + upper.count
    best = joined(way, lower, upper)
  }
  /**
   * Cuts between two, the first and the last left out. What lies across below a cut grows with it and what lies
   * above shrinks: `below` is no less than what the last cut has, `above` no less than what the first has.
   */
  const between = (first: number, last: number, below: number, above: number) => {
    const middle = (first + last) >> 1
    const cut = cuts[middle]
    if (last - first < 2 || !cut || counted > mostCounted) return
    const [lower, upper] = [ofStack(cut.lower, way), ofStack(cut.upper, way)]
    const mostBelow = Math.max(below, cuts[last]?.lower?.count ?? 0)
    const mostAbove = Math.max(above, cuts[first]?.upper?.count ?? 0)
    if (mostBelow + mostAbove <= most) return
    counted += whole
    let [here, there] = [below, above]
    let crossingAbove = nothing
    if (Math.max(lower.count, below) + above > most) {
      crossingAbove = ofStack(crossing({ from: cut.at + gapM }), other)
      there = crossingAbove.count
      offer(lower, crossingAbove)
    }
    if (below + Math.max(upper.count, there) > most) {
      const crossingBelow = ofStack(crossing({ to: cut.at }), other)
      here = crossingBelow.count
      offer(crossingBelow, upper)
      offer(crossingBelow, crossingAbove)
    }
    between(first, middle, here, above)
    between(middle, last, below, there)
  }
  between(-1, cuts.length, whole, whole)
  return best
}

/** Two parts as one, the upper's places counted on from the lower's. */
function joined(way: Way, lower: Part, upper: Part): Part {
  return {
    count: lower.count + upper.count,
    cells: () => {
      const [first, second] = [lower.cells(), upper.cells()]
      const { strip } = { strip: way.onPlane === rowCell ? ('row' as const) : ('column' as const) }
      const past = Math.max(-1, ...first.map((cell) => cell[strip])) + 1
      return [...first, ...second.map((cell) => ({ ...cell, [strip]: cell[strip] + past }))]
    },
  }
}
