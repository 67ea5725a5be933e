import { type Vec2 } from '../geometry/vector'
import { type Site, type StandingObject } from './site'

/** The customer's own buildings, as against those around. */
export const isOwnBuilding = ({ geometry }: Pick<StandingObject, 'geometry'>): boolean =>
  geometry.faces.length > 0 && !geometry.faded

/** Outlines from above of what of the job's own keeps from the lot lines: houses, carports, modules on racks. */
export const ownOutlines = (site: Site): (readonly Vec2[])[] => [
  ...site.objects.filter(isOwnBuilding).flatMap(({ geometry }) => geometry.plan.map(({ points }) => points)),
  // What lies on a roof is within its outline.
  ...site.arrays
    .filter(({ margins }) => margins === null)
    .flatMap(({ panels }) => panels.map(({ corners }) => corners.map(([x, y]): Vec2 => [x, y]))),
]
