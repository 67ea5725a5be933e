/** How long strings may be, and what the inverter takes them by. */
export interface StringLimits {
  /** Modules in a string. */
  readonly fewest: number
  readonly most: number
  /** Inputs of all inverters, and equal strings in parallel on each. */
  readonly inputs: number
  readonly parallel: number
  /** Inverters that the inputs are of, as many of each; one where nothing is said. */
  readonly inverters?: number
}

/** Equal strings in parallel on one input. */
export interface InputStrings {
  readonly strings: number
  readonly modules: number
}

export interface Arrangement {
  /** What hangs on the inputs that each group has, longest strings first. */
  readonly groups: readonly (readonly InputStrings[])[]
  /** Modules of each group that find no place. */
  readonly left: readonly number[]
}

/** The costs below are digits of one number: strings, then strings beside others, then the sum of squared lengths. */
const beside = 2 ** 20
const aString = 2 ** 33
/** Digits must not run over. */
export const mostStrung = 5000
const longestString = 200

/** What a group of alike modules costs on each number of inputs, by the modules that find a place. */
interface GroupTable {
  readonly modules: number
  /** Cost at `inputs * (modules + 1) + placed`; infinite where there is no way. */
  readonly cost: Float64Array
  /** What the last input carries there: `modules * 64 + strings`. */
  readonly last: Int32Array
  /** The most modules that find a place on each number of inputs. */
  readonly placed: readonly number[]
}

/**
 * The best way to hang groups of modules on inputs: strings of one input are equally long and of one group. Fewest
 * modules without a place, then fewest strings, then fewest side by side on an input, then lengths as even as can be.
 * Exact: a dynamic programme over inputs and modules, and one over groups.
 * @param groups modules of one direction and tilt each; at most `mostStrung` together
 */
export function arrangeStrings(groups: readonly number[], limits: StringLimits): Arrangement {
  const inputs = Math.max(0, Math.min(limits.inputs, mostStrung))
  const tables = groups.map((modules) => tableOf(modules, { ...limits, inputs }))
  const width = inputs + 1
  // For the groups so far and the inputs they have: modules left, cost, and the inputs of the last of them.
  let left = new Float64Array(width).fill(Infinity)
  let cost = new Float64Array(width).fill(Infinity)
  left[0] = cost[0] = 0
  const taken: Int32Array[] = []
  for (const table of tables) {
    const [nextLeft, nextCost] = [
      new Float64Array(width).fill(Infinity),
      new Float64Array(width).fill(Infinity),
    ]
    const took = new Int32Array(width)
    for (let before = 0; before < width; before++) {
      if (left[before] === Infinity) continue
      for (let own = 0; before + own < width && own < table.placed.length; own++) {
        const placed = table.placed[own] as number
        const thisLeft = (left[before] as number) + table.modules - placed
        const thisCost = (cost[before] as number) + (table.cost[own * (table.modules + 1) + placed] as number)
        const at = before + own
        const better =
          thisLeft < (nextLeft[at] as number) ||
          (thisLeft === nextLeft[at] && thisCost < (nextCost[at] as number))
        if (!better) continue
        nextLeft[at] = thisLeft
        nextCost[at] = thisCost
        took[at] = own
      }
    }
    taken.push(took)
    ;[left, cost] = [nextLeft, nextCost]
  }
  let at = 0
  for (let used = 1; used < width; used++)
    if (
      (left[used] as number) < (left[at] as number) ||
      (left[used] === left[at] && (cost[used] as number) < (cost[at] as number))
    )
      at = used
  const found: InputStrings[][] = []
  for (let g = tables.length - 1; g >= 0; g--) {
    const own = taken[g]?.[at] ?? 0
    found.unshift(readBack(tables[g] as GroupTable, own))
    at -= own
  }
  return {
    groups: found,
    left: tables.map(
      ({ modules }, g) =>
        modules - (found[g] ?? []).reduce((sum, { strings, modules: m }) => sum + strings * m, 0),
    ),
  }
}

function tableOf(modules: number, limits: StringLimits): GroupTable {
  const fewest = Math.max(1, limits.fewest)
  const most = Math.min(limits.most, modules, longestString)
  const parallel = Math.min(Math.max(1, limits.parallel), 63)
  const inputs = most < fewest ? 0 : Math.min(limits.inputs, Math.floor(modules / fewest))
  const width = modules + 1
  const cost = new Float64Array((inputs + 1) * width).fill(Infinity)
  const last = new Int32Array((inputs + 1) * width)
  cost[0] = 0
  const placed = [0]
  for (let used = 1; used <= inputs; used++) {
    for (let m = 0; m < width; m++) {
      const before = cost[(used - 1) * width + m] as number
      if (before === Infinity) continue
      for (let length = fewest; length <= most && m + length < width; length++)
        for (let strings = 1; strings <= parallel && m + strings * length < width; strings++) {
          const at = used * width + m + strings * length
          const sum = before + strings * aString + (strings - 1) * beside + strings * length * length
          if (sum >= (cost[at] as number)) continue
          cost[at] = sum
          last[at] = length * 64 + strings
        }
    }
    let full = modules
    while (full > 0 && cost[used * width + full] === Infinity) full--
    if (full === 0) break
    placed.push(full)
  }
  return { modules, cost, last, placed }
}

function readBack(table: GroupTable, inputs: number): InputStrings[] {
  const found: InputStrings[] = []
  let placed = table.placed[inputs] ?? 0
  for (let used = inputs; used > 0; used--) {
    const code = table.last[used * (table.modules + 1) + placed] as number
    const own = { strings: code % 64, modules: Math.floor(code / 64) }
    found.push(own)
    placed -= own.strings * own.modules
  }
  return found.sort((a, b) => b.modules - a.modules || b.strings - a.strings)
}
