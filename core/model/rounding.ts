/**
 * Parts of a sum in whole numbers that add up to a whole number: each is rounded down or up, up where most is missing
 * (the method of the largest remainder). Where the parts do not make up the sum by themselves, what is left over goes
 * to the greatest part.
 * @param whole a whole number
 */
export function sharedOut(whole: number, parts: readonly number[]): number[] {
  const out = parts.map(Math.floor)
  let missing = whole - out.reduce((sum, part) => sum + part, 0)
  const byRemainder = parts
    .map((part, k) => ({ k, remainder: part - Math.floor(part) }))
    .sort((a, b) => b.remainder - a.remainder || a.k - b.k)
  for (const { k } of byRemainder) {
    if (missing <= 0) break
    out[k] = (out[k] as number) + 1
    missing--
  }
  if (missing !== 0 && out.length > 0) {
    const greatest = parts.reduce(
      (best, part, k) => (Math.abs(part) > Math.abs(parts[best] ?? 0) ? k : best),
      0,
    )
    out[greatest] = (out[greatest] as number) + missing
  }
  // Nought has no sign.
  return out.map((part) => part || 0)
}
