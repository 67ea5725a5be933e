import { distance2, type Vec2 } from '../geometry/vector'
import { type Site } from './site'

/** A circle of the ground. */
export interface Circle {
  readonly middle: Vec2
  readonly radiusM: number
}

/** The circle that takes in what the job is about; null before anything is drawn. */
export function frameOfSite(site: Site): Circle | null {
  const points = site.objects.flatMap(({ geometry }) => geometry.frame)
  if (points.length === 0) return null
  const xs = points.map((p) => p[0])
  const ys = points.map((p) => p[1])
  const middle: Vec2 = [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2]
  return { middle, radiusM: Math.max(...points.map((p) => distance2(p, middle))) }
}
