/**
 * What unlike parts in series give at their best: with the k best-lit parts working and the others bypassed, the
 * current is that of the k-th; the best k counts. The classic staircase of a bypassed series string, with voltage taken
 * as the same for every part.
 * @param parts light on each part, W/m²; sorted in place, least first
 * @returns the even light on all parts that would give as much
 */
export function seriesBest(parts: Float64Array): number {
  parts.sort()
  let best = 0
  const n = parts.length
  for (let k = 1; k <= n; k++) {
    const value = k * (parts[n - k] as number)
    if (value > best) best = value
  }
  return n === 0 ? 0 : best / n
}
