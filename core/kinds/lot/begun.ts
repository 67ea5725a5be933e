import { distance2, rotate2, sub2, type Vec2 } from '../../geometry/vector'
import { inWorld } from '../place'

/** Free around what stands there, and the half of a lot's side where nothing does yet, m. */
const [aroundM, halfM] = [6, 12]

/**
 * The lot that one drawn by hand begins with: a rectangle along the longest side of what stands there, to be dragged to
 * where the lines are. Counter-clockwise.
 * @param rings outlines from above of what stands there; none for one around the middle of the site
 */
export function lotAroundOutlines(rings: readonly (readonly Vec2[])[]): Vec2[] {
  const turn = turnOf(rings)
  const turned = rings.flat().map((p) => rotate2(p, -turn))
  const points: readonly Vec2[] =
    turned.length > 0
      ? turned
      : [
          [aroundM - halfM, aroundM - halfM],
          [halfM - aroundM, halfM - aroundM],
        ]
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
  const [west, east] = [Math.min(...xs) - aroundM, Math.max(...xs) + aroundM]
  const [south, north] = [Math.min(...ys) - aroundM, Math.max(...ys) + aroundM]
  const corners: Vec2[] = [
    [west, south],
    [east, south],
    [east, north],
    [west, north],
  ]
  return corners.map((p) => inWorld(rotate2(p, turn)))
}

/** The direction of the longest side, within a quarter turn; radians. */
function turnOf(rings: readonly (readonly Vec2[])[]): number {
  const sides = rings.flatMap((ring) =>
    ring.map((a, i) => {
      const b = ring[(i + 1) % ring.length] ?? a
      return { along: sub2(b, a), lengthM: distance2(a, b) }
    }),
  )
  const longest = sides.reduce((a, b) => (b.lengthM > a.lengthM ? b : a), { along: [1, 0], lengthM: 0 })
  const quarter = Math.PI / 2
  const angle = Math.atan2(longest.along[1], longest.along[0])
  return angle - Math.round(angle / quarter) * quarter
}
