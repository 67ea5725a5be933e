import { dot3, length3, scale3, sub3, type Vec3 } from '../geometry/vector'

/** A module that may be dropped. */
export interface Trimmed {
  readonly id: string
  readonly arrayId: string
  /** "row:column" */
  readonly slot: string
  readonly corners: readonly Vec3[]
  /** What it is worth to keep; only sums and comparisons count. */
  readonly worth: number
}

/** Modules nearer than this to each other, side by side in a row, are one piece of it. */
const besideM = 0.25

const placeOf = (slot: string) => slot.split(':').map(Number) as [row: number, column: number]

function isBeside(a: readonly Vec3[], b: readonly Vec3[]): boolean {
  const [from, to] = [a[0], b[0]]
  if (!from || !to) return false
  const way = sub3(to, from)
  const length = length3(way)
  if (length === 0) return false
  const along = a.map((corner) => dot3(corner, scale3(way, 1 / length)))
  return length - (Math.max(...along) - Math.min(...along)) < besideM
}

/** Rows as they stand side by side, parted where something is between, each from left to right. */
export function piecesOf<T extends Omit<Trimmed, 'worth'>>(modules: readonly T[]): T[][] {
  const rows = new Map<string, T[]>()
  for (const module of modules) {
    const key = `${module.arrayId} ${placeOf(module.slot)[0]}`
    rows.set(key, [...(rows.get(key) ?? []), module])
  }
  return [...rows.values()].flatMap((row) => {
    const pieces: T[][] = []
    for (const module of row.sort((a, b) => placeOf(a.slot)[1] - placeOf(b.slot)[1])) {
      const last = pieces.at(-1)?.at(-1)
      if (last && isBeside(last.corners, module.corners)) pieces.at(-1)?.push(module)
      else pieces.push([module])
    }
    return pieces
  })
}

/**
 * The ids of the `count` modules worth most. With `unbroken` rows what is kept of each piece of a row stands side by
 * side: the best window of every length of every piece, and over the pieces a knapsack of whole numbers, so that no
 * other such choice is worth more. All are kept where there are no more than `count`.
 */
export function mostWorth(
  modules: readonly Trimmed[],
  count: number,
  { unbroken }: { readonly unbroken: boolean },
): ReadonlySet<string> {
  const most = Math.max(0, Math.min(modules.length, Math.trunc(count)))
  if (!unbroken) {
    const ranked = [...modules].sort((a, b) => b.worth - a.worth || (a.id < b.id ? -1 : 1))
    return new Set(ranked.slice(0, most).map(({ id }) => id))
  }
  const pieces = piecesOf(modules).map((piece) => ({ piece, windows: bestWindows(piece) }))
  // What the pieces so far are worth at most by how many of them are kept, and how many the last one has of these.
  let worth = [0]
  const taken: number[][] = []
  for (const { windows } of pieces) {
    const next: number[] = []
    const choice: number[] = []
    for (let kept = 0; kept <= Math.min(most, worth.length - 1 + windows.length - 1); kept++) {
      let [best, own] = [-Infinity, 0]
      for (let k = Math.max(0, kept - worth.length + 1); k < windows.length && k <= kept; k++) {
        const sum = (worth[kept - k] ?? -Infinity) + (windows[k]?.worth ?? 0)
        if (sum > best) [best, own] = [sum, k]
      }
      next.push(best)
      choice.push(own)
    }
    worth = next
    taken.push(choice)
  }
  const ids = new Set<string>()
  let left = most
  for (const [at, { piece, windows }] of [...pieces.entries()].reverse()) {
    const length = taken[at]?.[left] ?? 0
    const from = windows[length]?.from ?? 0
    for (const { id } of piece.slice(from, from + length)) ids.add(id)
    left -= length
  }
  return ids
}

/** Of every length 0..n the window of a piece that is worth most. */
function bestWindows(piece: readonly Trimmed[]): { readonly from: number; readonly worth: number }[] {
  const upTo = [0]
  for (const { worth } of piece) upTo.push((upTo.at(-1) ?? 0) + worth)
  return upTo.map((_, length) => {
    let best = { from: 0, worth: -Infinity }
    for (let from = 0; from + length < upTo.length; from++) {
      const worth = (upTo[from + length] ?? 0) - (upTo[from] ?? 0)
      if (worth > best.worth) best = { from, worth }
    }
    return best
  })
}
