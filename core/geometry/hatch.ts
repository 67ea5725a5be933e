import { type Vec2 } from './vector'

/**
 * Parallel lines over an area at 45° to its axes, as a draughtsman hatches.
 * @param rings borders of the area; a point is inside where it lies in an odd number of them
 * @param apartM distance of the lines, m
 * @returns the two ends of each piece
 */
export function hatchOf(rings: readonly (readonly Vec2[])[], apartM: number): [Vec2, Vec2][] {
  // Along the lines x + y stays the same; s counts across them and t along them.
  const turned = rings.map((ring) =>
    ring.map(([x, y]): Vec2 => [(x + y) * Math.SQRT1_2, (y - x) * Math.SQRT1_2]),
  )
  const all = turned.flat().map(([s]) => s)
  if (all.length === 0) return []
  const [least, most] = [Math.min(...all), Math.max(...all)]
  const back = (s: number, t: number): Vec2 => [(s - t) * Math.SQRT1_2, (s + t) * Math.SQRT1_2]
  const pieces: [Vec2, Vec2][] = []
  for (let k = Math.ceil(least / apartM); k * apartM <= most; k++) {
    const s = k * apartM
    const crossings = turned.flatMap((ring) => crossingsOf(ring, s)).sort((a, b) => a - b)
    for (let i = 0; i + 1 < crossings.length; i += 2) {
      const [from, to] = [crossings[i] ?? 0, crossings[i + 1] ?? 0]
      if (to - from > 1e-6) pieces.push([back(s, from), back(s, to)])
    }
  }
  return pieces
}

/** Where a ring crosses the line at s; a side counts with its lower end and without its upper one. */
const crossingsOf = (ring: readonly Vec2[], s: number): number[] =>
  ring.flatMap((a, i) => {
    const b = ring[(i + 1) % ring.length] ?? a
    return a[0] <= s === b[0] <= s ? [] : [a[1] + ((s - a[0]) / (b[0] - a[0])) * (b[1] - a[1])]
  })
