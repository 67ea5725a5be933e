import { distance2, type Vec2 } from '../geometry/vector'
import { type Site } from './site'

/** A circle of the ground. */
export interface Circle {
  readonly middle: Vec2
  readonly radiusM: number
}

const noneBesides: ReadonlySet<string> = new Set()

/**
 * The circle that takes in what the job is about; null before anything is drawn.
 * @param besides ids of objects that are to be seen too, such as what shades the modules
 */
export function frameOfSite(site: Site, besides = noneBesides): Circle | null {
  const own = site.objects.flatMap(({ geometry }) => geometry.frame)
  if (own.length === 0) return null
  const others = site.objects
    .filter(({ id }) => besides.has(id))
    .flatMap(({ geometry }) => geometry.plan.flatMap((shape) => shape.points))
  const points = [...own, ...others]
  const xs = points.map((p) => p[0])
  const ys = points.map((p) => p[1])
  const middle: Vec2 = [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2]
  return { middle, radiusM: Math.max(...points.map((p) => distance2(p, middle))) }
}
