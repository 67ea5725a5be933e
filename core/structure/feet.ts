/** Where the feet of a rail stand, and how far it reaches between and beyond them. */
export interface Feet {
  /** Along the rail, ascending, m. */
  readonly atM: readonly number[]
  /** Greatest distance between two neighbours; 0 with fewer than two. */
  readonly spanM: number
  /** The farther of the two ends beyond the last foot. */
  readonly overhangM: number
}

const closeM = 1e-6

/**
 * As few feet as hold a rail: each as far along as the last one and the span allow. Where the places lie too far apart
 * every one that is needed is taken all the same, and the figures tell by how much it is too far.
 * @param places where a foot can stand, ascending, m
 * @param spanM the widest span allowed
 * @param overhangM how far an end may reach beyond its last foot
 */
export function feetUnder(
  places: readonly number[],
  fromM: number,
  toM: number,
  spanM: number,
  overhangM: number,
): Feet {
  const usable = places.filter((at) => at >= fromM - closeM && at <= toM + closeM)
  const chosen: number[] = []
  let next = Math.max(
    0,
    usable.findLastIndex((at) => at - fromM <= overhangM + closeM),
  )
  while (next < usable.length) {
    const at = usable[next] ?? toM
    chosen.push(at)
    if (toM - at <= overhangM + closeM && chosen.length > 1) break
    next++
    while ((usable[next + 1] ?? Infinity) - at <= spanM + closeM) next++
  }
  // A rail stands on two feet: a single one far along may have left another behind.
  const behind = chosen.length === 1 ? usable.findLast((at) => at < (chosen[0] ?? 0) - closeM) : undefined
  if (behind !== undefined) chosen.unshift(behind)
  const [first, last] = [chosen[0], chosen.at(-1)]
  return {
    atM: chosen,
    spanM: chosen.reduce((most, at, i) => (i === 0 ? most : Math.max(most, at - (chosen[i - 1] ?? at))), 0),
    overhangM: first === undefined || last === undefined ? toM - fromM : Math.max(first - fromM, toM - last),
  }
}

/**
 * Rails of a stock length to order for runs of any: whole ones end to end, and what is left over of each cut from as few
 * more as the longest first finds room in.
 */
export function stockFor(runsM: readonly number[], stockM: number): number {
  let whole = 0
  const rests: number[] = []
  for (const runM of runsM) {
    const n = Math.floor(runM / stockM + closeM)
    whole += n
    if (runM - n * stockM > closeM) rests.push(runM - n * stockM)
  }
  const left: number[] = []
  for (const rest of rests.toSorted((a, b) => b - a)) {
    const into = left.findIndex((m) => m >= rest - closeM)
    if (into < 0) left.push(stockM - rest)
    else left[into] = (left[into] ?? 0) - rest
  }
  return whole + left.length
}
