/**
 * What is said of the same number of entries ahead of each, for a whole series at once: the series is cut into blocks
 * as long as that, so that each stretch is the end of one block and the beginning of the next.
 */

/** The greatest of the entries i + 1 to i + ahead, for each i below `values.length - ahead`. */
export function greatestAhead(values: Float64Array, ahead: number): Float64Array {
  const { length } = values
  const toEnd = new Float64Array(length)
  const fromStart = new Float64Array(length)
  for (let j = length - 1; j >= 0; j--) {
    const own = values[j] as number
    toEnd[j] = (j + 1) % ahead === 0 || j === length - 1 ? own : Math.max(own, toEnd[j + 1] as number)
  }
  for (let j = 0; j < length; j++) {
    const own = values[j] as number
    fromStart[j] = j % ahead === 0 ? own : Math.max(own, fromStart[j - 1] as number)
  }
  const out = new Float64Array(Math.max(0, length - ahead))
  for (let i = 0; i < out.length; i++)
    out[i] = Math.max(toEnd[i + 1] as number, fromStart[i + ahead] as number)
  return out
}

/**
 * Begins with nothing at entry i + ahead, goes back to entry i + 1, adds each entry's change, and keeps between nothing
 * and the most. Steps that add something and keep to bounds, done one after the other, are one such step: x becomes
 * max(low, min(high, x + shift)).
 * @param change one entry each, negative ones take away
 * @returns where that ends, for each i below `change.length - ahead`
 */
export function gatheredAhead(change: Float64Array, ahead: number, most: number): Float64Array {
  const out = new Float64Array(Math.max(0, change.length - ahead))
  // From an entry to the end of its block, the end being done first.
  const shifts = new Float64Array(ahead)
  const lows = new Float64Array(ahead)
  const highs = new Float64Array(ahead)
  for (let start = 0; start <= out.length; start += ahead) {
    let shift = 0
    let low = 0
    let high = most
    for (let k = Math.min(ahead, change.length - start) - 1; k >= 0; k--) {
      const own = change[start + k] as number
      shift += own
      low = held(low + own, 0, most)
      high = held(high + own, 0, most)
      shifts[k] = shift
      lows[k] = low
      highs[k] = high
    }
    if (start > 0 && start <= out.length) out[start - 1] = held(shift, low, high)
    // Stretches that begin within the block end in the next one, which is done before from its own start on.
    shift = 0
    low = 0
    high = most
    let rest = 0
    for (let k = 1; k < ahead && start + k <= out.length; k++) {
      const own = change[start + k + ahead - 1] as number
      high = held(most + shift, low, high)
      low = rest
      shift += own
      rest = held(shift, low, high)
      out[start + k - 1] = held(rest + (shifts[k] as number), lows[k] as number, highs[k] as number)
    }
  }
  return out
}

/** Without a branch: where the bounds are met cannot be foretold. */
const held = (value: number, low: number, high: number): number => Math.min(Math.max(value, low), high)
