import { gridsUpTo } from './aligned'
import { joined, nothing, ofGrid, ofStack, type Part, type Way } from './parts'
import { stack, upTo, type Stacked } from './stack'
import { between as inside, flipped, type Strips } from './strips'

/** Modules counted anew for all cuts of one way together: on a large plane a cut gains next to nothing. */
const mostCounted = 8000

/** How finely strips across a cut are told; nothing is lost but what is tight to a millimetre. */
const roughM = 1e-3

/** Where a field may be cut across its strips: on top of what stands from below, and under what hangs from above. */
interface Cut {
  /** The end of the lower part; the upper one begins a gap further. */
  readonly at: number
  readonly lower: Stacked | null
  readonly upper: Stacked | null
}

function cutsOf({ kinds, forth, back }: Way): Cut[] {
  const gapM = gapOf(kinds)
  const at = [...forth().map(({ top }) => top - gapM), ...back().map(({ top }) => -top)].sort((a, b) => a - b)
  return at.map((x) => ({ at: x, lower: upTo(forth(), x + gapM), upper: upTo(back(), -x) }))
}

const gapOf = (kinds: readonly Strips[]): number => kinds[0]?.rowGapM ?? 0

/** Two strict grids with a cut between them; nothing when none holds more than `atLeast`. */
export function twoBlocks(way: Way, atLeast: number): Part {
  const { kinds, forth, back } = way
  const gapM = gapOf(kinds)
  // What free strips hold beyond a cut bounds what a grid can.
  const beyond = (labels: readonly Stacked[], top: number) => upTo(labels, gapM - top)?.count ?? 0
  if (!forth().some(({ top, count }) => count + beyond(back(), top) > atLeast)) return nothing
  const lowers = gridsUpTo(kinds, (top) => atLeast - beyond(back(), top))
  const uppers = gridsUpTo(kinds.map(flipped), (top) => atLeast - (upTo(lowers, gapM - top)?.count ?? 0))
  let most = atLeast
  let best = nothing
  for (const lower of lowers) {
    const upper = upTo(uppers, gapM - lower.top)
    if (!upper || lower.count + upper.count <= most) continue
    most = lower.count + upper.count
    best = joined(way, ofGrid(lower, way), ofGrid(upper, way))
  }
  return best
}

/** Strips one way on one side of a cut and the other way on the other, or the other way on both. */
export function oneCut(way: Way, other: Way, atLeast: number): Part {
  const gapM = gapOf(way.kinds)
  const cuts = cutsOf(way)
  // Runs along the strips are the same for every cut: what a cut costs is counting them anew.
  const crossing = (from: number, to: number) =>
    stack(
      other.kinds.map((kind) => inside(kind, from, to)),
      roughM,
    ).at(-1) ?? null
  const whole = other.forth().at(-1)?.count ?? 0
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
      crossingAbove = ofStack(crossing(cut.at + gapM, Infinity), other)
      there = crossingAbove.count
      offer(lower, crossingAbove)
    }
    if (below + Math.max(upper.count, there) > most) {
      const crossingBelow = ofStack(crossing(-Infinity, cut.at), other)
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
