import { type Body } from '../geometry/body'
import { dot3, type Vec3 } from '../geometry/vector'
import { type SunHours } from '../sun/sun-hours'
import { type Horizon } from './engine'
import { zoneAt, zones } from './sky-zones'
import { silhouetteOf, type Silhouette } from './silhouette'

/** The sun of a year at one point, hours. */
export interface SunFrom {
  /** While it is up, and before the plane that the point lies on. */
  readonly openHours: number
  /** Of them those that reach the point. */
  readonly leftHours: number
  /** What is lost while the sun stands in each patch of the sky, as `zones` count them. */
  readonly lostByZone: Float64Array
}

/** Steps of azimuth that bodies are seen by, degrees. */
const stepDeg = 0.5

/**
 * How long the sun reaches a point, by the outlines of what stands before it: to half a degree of azimuth.
 * @param normal of the plane that the point lies on; null for one that lies free
 */
export function sunFrom(
  from: Vec3,
  normal: Vec3 | null,
  bodies: readonly Body[],
  sun: SunHours,
  horizon?: Horizon,
): SunFrom {
  const seen = bodies.map((body) => ({ body, silhouette: silhouetteOf(from, body, stepDeg) }))
  const lostByZone = new Float64Array(zones.across * zones.up)
  const sums = { open: 0, left: 0 }
  for (let k = 0; k < sun.interval.length; k++) {
    const way: Vec3 = [
      sun.direction[k * 3] as number,
      sun.direction[k * 3 + 1] as number,
      sun.direction[k * 3 + 2] as number,
    ]
    if (normal && dot3(normal, way) <= 0) continue
    const hours = ((sun.upShare[k] as number) * sun.stepMinutes) / 60
    const [azimuthDeg, elevationDeg] = [sun.azimuthDeg[k] as number, 90 - (sun.zenithDeg[k] as number)]
    let passes = horizon?.(...way) ? 0 : 1
    for (const { body, silhouette } of seen)
      if (passes > 0 && hides(silhouette, azimuthDeg, elevationDeg))
        passes *= body.kind === 'crown' ? (body.transmissivity[sun.month[k] as number] ?? 0) : 0
    sums.open += hours
    sums.left += hours * passes
    const patch = zoneAt(azimuthDeg, elevationDeg)
    lostByZone[patch] = (lostByZone[patch] as number) + hours * (1 - passes)
  }
  return { openHours: sums.open, leftHours: sums.left, lostByZone }
}

function hides({ spans }: Silhouette, azimuthDeg: number, elevationDeg: number): boolean {
  const span = spans[Math.round(azimuthDeg / stepDeg) % spans.length]
  return span ? elevationDeg >= span[0] && elevationDeg <= span[1] : false
}
