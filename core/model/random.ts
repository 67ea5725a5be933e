/**
 * A seeded source of numbers 0..1 (mulberry32, a 32-bit mixing generator in the public domain). Same seed, same
 * numbers, on every machine.
 */
export function seededRandom(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/** A 32-bit seed from a text (FNV-1a). */
export function seedOf(text: string): number {
  let hash = 0x811c9dc5
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193)
  return hash >>> 0
}

/** Numbers of the standard normal distribution from even ones 0..1 (Box and Muller 1958). */
export const gaussian = (random: () => number) => () =>
  // Never the logarithm of nought.
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
