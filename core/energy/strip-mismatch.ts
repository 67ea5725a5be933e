/**
 * Puts light in order in place, the brightest first, and how many parts have it along with it; by insertion, for
 * strings are short.
 */
export function brightestFirst(light: Float64Array, parts: Float64Array, count: number): void {
  for (let i = 1; i < count; i++) {
    const value = light[i] as number
    const number = parts[i] as number
    let at = i
    for (; at > 0 && (light[at - 1] as number) < value; at--) {
      light[at] = light[at - 1] as number
      parts[at] = parts[at - 1] as number
    }
    light[at] = value
    parts[at] = number
  }
}

/**
 * What unlike parts in series give at their best: with the k best-lit parts working and the others bypassed, the
 * current is that of the k-th; the best k counts. The classic staircase of a bypassed series string, with voltage taken
 * as the same for every part. Parts that are lit alike stand once, with their number.
 * @param light on the parts, W/m²; the first `count` entries, put in order in place, the brightest first
 * @param parts how many parts have that light, moved along
 * @returns the even light on all parts that would give as much
 */
export function seriesBest(light: Float64Array, parts: Float64Array, count = light.length): number {
  brightestFirst(light, parts, count)
  let best = 0
  let working = 0
  for (let i = 0; i < count; i++) {
    working += parts[i] as number
    const value = working * (light[i] as number)
    if (value > best) best = value
  }
  return working > 0 ? best / working : 0
}
