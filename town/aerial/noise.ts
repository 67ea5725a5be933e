/** Cheap noise from whole coordinates, 0..1, the same on every machine. */
export function noise(x: number, y: number): number {
  let h = Math.imul(x | 0, 374761393) ^ Math.imul(y | 0, 668265263)
  h = Math.imul(h ^ (h >>> 13), 1274126177)
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296
}

/** Smooth noise over patches of one unit. */
export function patch(x: number, y: number): number {
  const [i, j] = [Math.floor(x), Math.floor(y)]
  const [u, v] = [x - i, y - j]
  const [s, t] = [u * u * (3 - 2 * u), v * v * (3 - 2 * v)]
  const [a, b, c, d] = [noise(i, j), noise(i + 1, j), noise(i, j + 1), noise(i + 1, j + 1)]
  return (a * (1 - s) + b * s) * (1 - t) + (c * (1 - s) + d * s) * t
}

/** Numbers 0..1 in a long row that nobody sees repeat. */
const grains = Float32Array.from({ length: 1 << 14 }, (_, i) => noise(i, 7919))

/** Where a row of grain starts; the next of it are read one after the other with `grain`. */
export const grainRow = (row: number): number => Math.floor(noise(row, 104729) * grains.length)
export const grain = (start: number, column: number): number =>
  grains[(start + column) & (grains.length - 1)] ?? 0
