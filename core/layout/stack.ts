import { holds, nearlyM, type Strips } from './strips'

/** Strips on top of one another: this one, and those below it. */
export interface Stacked {
  /** Where the next strip may stand. */
  readonly top: number
  /** Modules of this strip and all below. */
  readonly count: number
  readonly foot: number
  readonly strips: Strips
  readonly below: Stacked | null
}

/** How finely feet are told where nothing else asks for it. */
const exactM = 1e-6

interface Foot {
  readonly foot: number
  readonly strips: Strips
}

/**
 * Feet at which a strip holds more than right below: pushed down, a strip comes to rest there if not on another.
 * Found on a raster and at the barriers' own heights, then halved down to a micrometre.
 */
function risingFeet(strips: Strips, toM: number): Foot[] {
  const feet: Foot[] = []
  let before = { foot: strips.low, count: 0 }
  for (const { foot, runs } of strips.tried()) {
    const here = { foot, count: holds(runs, strips) }
    while (here.count > before.count) {
      let [below, above] = [before.foot, here.foot]
      let held = here.count
      // The lowest foot between that holds more than before.
      while (above - below > toM) {
        const middle = (below + above) / 2
        const holding = holds(strips.runs(middle), strips)
        if (holding > before.count) {
          above = middle
          held = holding
        } else below = middle
      }
      feet.push({ foot: above, strips })
      before = { foot: above, count: held }
    }
    before = here
  }
  return feet
}

/**
 * The most modules in strips on top of one another, of any of the given kinds, up to every height: labels of
 * ascending top and count, each better than all before. Exact for the feet found: a dynamic programme over the
 * places where a strip can rest, on the one below or where it holds more.
 */
export function stack(kinds: readonly Strips[], toM = exactM): Stacked[] {
  const feet = kinds.flatMap((strips) => risingFeet(strips, toM)).sort((a, b) => a.foot - b.foot)
  const best: Stacked[] = []
  const waiting: Stacked[] = []
  const wait = (label: Stacked) => {
    let [from, to] = [0, waiting.length]
    while (from < to) {
      const middle = (from + to) >> 1
      // The lowest last, so that it is taken off cheaply.
      if ((waiting[middle]?.top ?? 0) > label.top) from = middle + 1
      else to = middle
    }
    waiting.splice(from, 0, label)
  }
  const place = (strips: Strips, foot: number, below: Stacked | null) => {
    const count = holds(strips.runs(foot), strips)
    if (count === 0) return
    const label = {
      top: foot + strips.heightM + strips.rowGapM,
      count: count + (below?.count ?? 0),
      foot,
      strips,
      below,
    }
    wait(label)
  }
  const settle = (label: Stacked) => {
    if (label.count <= (best.at(-1)?.count ?? 0)) return
    best.push(label)
    for (const strips of kinds) place(strips, label.top, label)
  }
  const settleUpTo = (foot: number) => {
    for (let next = waiting.at(-1); next && next.top <= foot; next = waiting.at(-1)) {
      waiting.pop()
      settle(next)
    }
  }
  for (const { foot, strips } of feet) {
    settleUpTo(foot + nearlyM / 10)
    place(strips, foot, best.at(-1) ?? null)
  }
  settleUpTo(Infinity)
  return best
}

/** The best of a stack up to a height; null when nothing fits. */
export function upTo<T extends { readonly top: number }>(labels: readonly T[], top: number): T | null {
  let [from, to] = [0, labels.length]
  while (from < to) {
    const middle = (from + to) >> 1
    if ((labels[middle]?.top ?? 0) <= top + nearlyM) from = middle + 1
    else to = middle
  }
  return labels[from - 1] ?? null
}
