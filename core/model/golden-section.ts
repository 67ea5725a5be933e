const golden = (Math.sqrt(5) - 1) / 2

/**
 * Where a value of one hump is greatest, by the golden section (Kiefer 1953): each step asks once and leaves 62 % of the
 * span.
 * @param isNarrow whether the span that is left is narrow enough
 * @returns its middle
 */
export function goldenSection(
  valueAt: (at: number) => number,
  from: number,
  to: number,
  isNarrow: (low: number, high: number, step: number) => boolean,
): number {
  let [low, high] = [from, to]
  let [a, b] = [high - golden * (high - low), low + golden * (high - low)]
  let [atA, atB] = [valueAt(a), valueAt(b)]
  for (let step = 0; !isNarrow(low, high, step); step++)
    if (atA >= atB) {
      ;[high, b, atB] = [b, a, atA]
      a = high - golden * (high - low)
      atA = valueAt(a)
    } else {
      ;[low, a, atA] = [a, b, atB]
      b = low + golden * (high - low)
      atB = valueAt(b)
    }
  return (low + high) / 2
}
