import { oneCut, twoBlocks } from './cuts'
import { type Field } from './free-runs'
import {
  asColumns,
  asRows,
  better,
  mostOf,
  nothing,
  ofGrid,
  ofStack,
  type Cell,
  type Part,
  type Way,
} from './parts'
import { stack } from './stack'
import { stripsOn, swapped, type Orientation } from './strips'

/** How modules are set out, the tidiest first. */
export const patterns = ['aligned', 'blocks', 'shifted', 'mixed', 'fullest'] as const
export type Pattern = (typeof patterns)[number]

export interface PatternRequest {
  readonly field: Field
  readonly module: { readonly widthM: number; readonly lengthM: number }
  readonly gapM: number
  /** Between rows, where that is more than between modules. */
  readonly rowGapM?: number
  /** How deep modules of a size up their tilt are on the plane, m; left out where they lie on it. */
  readonly depthOf?: (slopeM: number) => number
  readonly orientation: Orientation | 'best'
}

/**
 * Every pattern of one field, worked out when asked for and kept: each holds at least what every tidier one holds.
 */
export class Layouts {
  private readonly rows: Way
  private readonly columns: Way
  private readonly known = new Map<Pattern, Part>()

  constructor({
    field,
    module,
    gapM,
    rowGapM = gapM,
    depthOf = (slopeM) => slopeM,
    orientation,
  }: PatternRequest) {
    const { widthM, lengthM } = module
    const kindsOn = (ground: Field, across: boolean) =>
      (orientation === 'best' ? (['portrait', 'landscape'] as const) : [orientation]).map((lie) => {
        const [wide, high] = lie === 'portrait' ? [widthM, lengthM] : [lengthM, widthM]
        const deep = depthOf(high)
        return across
          ? stripsOn(ground, { widthM: deep, heightM: wide }, { gapM: rowGapM, rowGapM: gapM }, lie)
          : stripsOn(ground, { widthM: wide, heightM: deep }, { gapM, rowGapM }, lie)
      })
    this.rows = asRows(kindsOn(field, false))
    this.columns = asColumns(kindsOn(swapped(field), true))
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
        return [rows, columns].map((way) => ofStack(way.forth().at(-1) ?? null, way)).reduce(better)
      case 'fullest': {
        const best = oneCut(rows, columns, atLeast)
        return better(best, oneCut(columns, rows, Math.max(atLeast, best.count)))
      }
    }
  }
}

/** What is found fast and holds much comes first, so that the dear searches have much to beat and end soon. */
const searchOrder: readonly Pattern[] = ['shifted', 'mixed', 'fullest', 'aligned', 'blocks']
