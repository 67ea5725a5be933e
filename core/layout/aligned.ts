import { type Run } from './free-runs'
import { upTo } from './stack'
import { holds, nearlyM, type Strips } from './strips'

/** A strict grid: strips one pitch apart, modules of all of them in line. */
export interface Grid {
  readonly strips: Strips
  readonly count: number
  /** How many strips. */
  readonly rows: number
  /** Foot of the first strip. */
  readonly start: number
  /** A place where modules begin along the strips; all others are whole pitches away. */
  readonly phase: number
}

/** Starts are halved down to this step; the grid is never worse than one tried at every such step. */
const finestM = 0.01

/** The first intervals: as many of the finest steps, halved and halved, as leave half a module's height. */
const intervalM = (heightM: number) =>
  finestM * 2 ** Math.max(0, Math.min(4, Math.floor(Math.log2(heightM / 2 / finestM))))

const modulo = (x: number, by: number) => ((x % by) + by) % by

/** Starts with some strip at rest, the lowest first. */
function restingStarts({ low, high, heightM, rowGapM, rests }: Strips): number[] {
  const starts = rests
    .filter((rest) => rest > low - nearlyM && rest < high)
    .map((rest) => low + modulo(rest - low, heightM + rowGapM))
  return [...new Set([low, ...starts])].sort((a, b) => a - b)
}

/**
 * Tries starts at rest, then those of intervals that are halved down to the finest step. `mayHold` says whether any
 * start of an interval can be of use, from the thinner band that whatever stands anywhere in it covers as well.
 */
function overStarts(
  strips: Strips,
  consider: (start: number) => void,
  mayHold: (start: number, length: number) => boolean,
): void {
  const { low, heightM, rowGapM } = strips
  const search = (start: number, length: number) => {
    if (!mayHold(start, length)) return
    consider(start)
    if (length <= finestM * 1.01) return
    search(start, length / 2)
    search(start + length / 2, length / 2)
  }
  for (const start of restingStarts(strips)) consider(start)
  const length = intervalM(heightM)
  for (let start = low; start < low + heightM + rowGapM; start += length) search(start, length)
}

/** The phase that most modules of the runs share, and how many that are. */
export function bestPhase(runs: readonly Run[], pitch: number): { count: number; phase: number } {
  // At every phase a run holds its whole pitches, and one more where the phase falls into the rest.
  let whole = 0
  const rests: { start: number; length: number }[] = []
  for (const [from, to] of runs) {
    const pitches = Math.floor((to - from + nearlyM) / pitch)
    whole += pitches
    rests.push({ start: modulo(from, pitch), length: to - from - pitches * pitch + nearlyM })
  }
  let most = 0
  let phase = 0
  for (const { start } of rests) {
    let more = 0
    for (const rest of rests) {
      const past = modulo(start - rest.start, pitch)
      if (past <= rest.length || past >= pitch - nearlyM) more++
    }
    if (more > most) {
      most = more
      phase = start
    }
  }
  return { count: whole + most, phase }
}

/**
 * The strict grid that holds most; null when none holds more than `atLeast`. Starts are searched by halving: what
 * lower and thinner strips would hold bounds all starts of an interval, so that most intervals are passed over.
 */
export function bestGrid(strips: Strips, atLeast = 0): Grid | null {
  const { high, heightM, widthM, gapM, rowGapM } = strips
  const [pitch, across] = [widthM + gapM, heightM + rowGapM]
  let best: Grid | null = null
  let most = atLeast
  const rows = (start: number, runsAt: (foot: number) => readonly Run[]) => {
    const found: (readonly Run[])[] = []
    for (let foot = start; foot + heightM <= high + nearlyM; foot += across) found.push(runsAt(foot))
    return found
  }
  const mostOf = (found: readonly (readonly Run[])[], enough: number) => {
    let free = 0
    for (const runs of found) free += holds(runs, strips)
    return free < enough ? null : bestPhase(found.flat(), pitch)
  }
  const consider = (first: number) => {
    const all = rows(first, strips.runs)
    const empty = all.findIndex((runs) => runs.length > 0)
    const start = first + Math.max(0, empty) * across
    // Of two that hold as many, the one nearer to the eave is taken.
    const enough = best && start < best.start - nearlyM ? most : most + 1
    const found = mostOf(all, enough)
    if (!found || found.count < enough) return
    most = found.count
    best = { strips, start, rows: all.length - Math.max(0, empty), ...found }
  }
  overStarts(
    strips,
    consider,
    (start, length) =>
      (mostOf(
        rows(start, (foot) => strips.band(foot + length, foot + heightM)),
        most + 1,
      )?.count ?? 0) > most,
  )
  return best
}

/** Strict grids up to a height. */
export interface GridUpTo extends Grid {
  /** Where something above may stand. */
  readonly top: number
}

/**
 * The strict grid that holds most up to every height: ascending top and count, each better than all before. Tried at
 * every step and rest, each start with one strip more at a time. `enough` says what a grid has to exceed to be of use
 * where something else may stand from `top` on.
 */
export function gridsUpTo(kinds: readonly Strips[], enough: (top: number) => number): GridUpTo[] {
  const best: GridUpTo[] = []
  for (const strips of kinds) {
    const { high, heightM, widthM, gapM, rowGapM } = strips
    const [pitch, across] = [widthM + gapM, heightM + rowGapM]
    const useful = (count: number, top: number) =>
      count > enough(top) && count > (upTo(best, top)?.count ?? 0)
    /** Tells of each number of strips from the start on what they hold, as far as that may be of use. */
    const grow = (
      start: number,
      runsAt: (foot: number) => readonly Run[],
      each: (rows: number, top: number, runs: readonly Run[]) => boolean,
    ): boolean => {
      const runs: Run[] = []
      let free = 0
      for (let rows = 1, foot = start; foot + heightM <= high + nearlyM; rows++, foot += across) {
        const more = runsAt(foot)
        free += holds(more, strips)
        runs.push(...more)
        if (more.length > 0 && useful(free, foot + across) && each(rows, foot + across, runs)) return true
      }
      return false
    }
    const consider = (start: number) =>
      grow(start, strips.runs, (rows, top, runs) => {
        const found = bestPhase(runs, pitch)
        if (useful(found.count, top)) keep(best, { strips, start, rows, top, ...found })
        return false
      })
    overStarts(strips, consider, (start, length) =>
      grow(
        start,
        (foot) => strips.band(foot + length, foot + heightM),
        (_rows, top, runs) => useful(bestPhase(runs, pitch).count, top),
      ),
    )
  }
  return best
}

/** Puts a label among those of ascending top and count where it is better than all below it. */
function keep(best: GridUpTo[], label: GridUpTo) {
  if (label.count <= (upTo(best, label.top)?.count ?? 0)) return
  const at = best.findIndex(({ top }) => top >= label.top - nearlyM)
  const from = at < 0 ? best.length : at
  let worse = 0
  while ((best[from + worse]?.count ?? Infinity) <= label.count) worse++
  best.splice(from, worse, label)
}
