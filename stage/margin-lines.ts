import { hatchOf } from '@/core/geometry/hatch'
import { type Vec2 } from '@/core/geometry/vector'
import { planeParts } from '@/core/layout/kept-free'
import { fromFrame } from '@/core/layout/plane-frame'
import { type DrawMargins } from './margins'

/** How far off the roof they are drawn, and how far apart, m. */
const liftM = 0.03
const apartM = 0.2

/** Hatching over what a plane keeps free of modules, and lines around what it leaves to them. */
export const marginLines: DrawMargins = (margins) => {
  const { frame, free, usable } = planeParts(margins)
  const at = (p: Vec2) => fromFrame(frame, p, liftM)
  return {
    hatching: hatchOf(free, apartM).map(([a, b]) => [at(a), at(b)]),
    borders: usable.flatMap((ring) =>
      ring.map((a, i) => [at(a), at(ring[(i + 1) % ring.length] ?? a)] as const),
    ),
  }
}
