import { type Vec2 } from './vector'

/** A side that crosses a slab from its left to its right: heights there. */
interface Across {
  readonly left: number
  readonly right: number
}

const middleOf = ({ left, right }: Across) => (left + right) / 2

/** Sides that go through a slab between two corners' places, from the lowest up: none of them cross in it. */
const sidesThrough = (rings: readonly (readonly Vec2[])[], from: number, to: number): Across[] =>
  rings
    .flatMap((ring) =>
      ring.flatMap((a, i): Across[] => {
        const b = ring[(i + 1) % ring.length] ?? a
        const [l, r] = a[0] <= b[0] ? [a, b] : [b, a]
        if (l[0] > from || r[0] < to || l[0] === r[0]) return []
        const at = (x: number) => l[1] + ((x - l[0]) / (r[0] - l[0])) * (r[1] - l[1])
        return [{ left: at(from), right: at(to) }]
      }),
    )
    .sort((a, b) => middleOf(a) - middleOf(b))

/**
 * The part of an area in an upright strip that lies around a height: bounded below and above by the area's sides that are
 * next to it.
 * @param rings borders of the area and of holes in it; a point is inside where it lies in an odd number of them
 * @param through the height it contains, or is nearest to
 * @returns a ring, counter-clockwise; empty where the strip is beside the area
 */
export function stripOf(
  rings: readonly (readonly Vec2[])[],
  [from, to]: readonly [number, number],
  through: number,
): Vec2[] {
  const places = [
    from,
    ...[...new Set(rings.flat().map(([x]) => x))].filter((x) => x > from && x < to).sort((a, b) => a - b),
    to,
  ]
  const [below, above]: [Vec2[], Vec2[]] = [[], []]
  for (let k = 0; k + 1 < places.length; k++) {
    const [left, right] = [places[k] ?? from, places[k + 1] ?? to]
    const sides = sidesThrough(rings, left, right)
    let nearest: { readonly away: number; readonly low: Across; readonly high: Across } | null = null
    for (let i = 0; i + 1 < sides.length; i += 2) {
      const [low, high] = [sides[i], sides[i + 1]]
      if (!low || !high) continue
      const away = Math.max(0, middleOf(low) - through, through - middleOf(high))
      if (!nearest || away < nearest.away) nearest = { away, low, high }
    }
    if (!nearest) continue
    below.push([left, nearest.low.left], [right, nearest.low.right])
    above.push([left, nearest.high.left], [right, nearest.high.right])
  }
  return withoutRepeats([...below, ...above.reverse()])
}

const withoutRepeats = (ring: readonly Vec2[]): Vec2[] =>
  ring.filter((p, i) => {
    const next = ring[(i + 1) % ring.length] ?? p
    return Math.hypot(next[0] - p[0], next[1] - p[1]) > 1e-9
  })
