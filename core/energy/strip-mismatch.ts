/** Below the best-lit parts; longer strings than this many shaded strips are sorted by the engine's own sort. */
const fewShaded = 64
const shaded = new Float64Array(fewShaded)

/**
 * What unlike parts in series give at their best: with the k best-lit parts working and the others bypassed, the
 * current is that of the k-th; the best k counts. The classic staircase of a bypassed series string, with voltage taken
 * as the same for every part. Most parts are lit alike: only the darker ones are put in order.
 * @param parts light on each part, W/m²; left as it is
 * @returns the even light on all parts that would give as much
 */
export function seriesBest(parts: Float64Array): number {
  const n = parts.length
  if (n === 0) return 0
  let high = 0
  let lit = 0
  for (let i = 0; i < n; i++) {
    const value = parts[i] as number
    if (value > high) {
      high = value
      lit = 1
    } else if (value === high) lit++
  }
  const dark = n - lit
  if (dark > fewShaded) return staircase(parts.slice().sort().reverse(), 0) / n
  let count = 0
  for (let i = 0; i < n; i++) {
    const value = parts[i] as number
    if (value === high) continue
    // Insertion, the brightest first.
    let at = count++
    while (at > 0 && (shaded[at - 1] as number) < value) {
      shaded[at] = shaded[at - 1] as number
      at--
    }
    shaded[at] = value
  }
  return Math.max(high * lit, staircase(shaded.subarray(0, dark), lit)) / n
}

/** The best of k times the k-th, over values from bright to dark that stand behind `before` brighter ones. */
function staircase(values: Float64Array, before: number): number {
  let best = 0
  for (let k = 0; k < values.length; k++) {
    const value = (before + k + 1) * (values[k] as number)
    if (value > best) best = value
  }
  return best
}
