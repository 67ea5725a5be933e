import { containsPoint, centroid } from '@/core/geometry/polygon'
import { type Vec2 } from '@/core/geometry/vector'
import { inWorld } from '@/core/kinds/place'
import { planOf } from '@/core/roof/plane'
import { isRoofed, type Site } from '@/core/site/site'

/** Two readings are put down so far apart, m. */
const apartM = 1

/**
 * Where readings are put down that say nothing of their place: along the middle of the largest roof plane, free of those
 * that stand there, to be dragged from there; around the job's site where there is no roof.
 */
export function placesForReadings(site: Site, taken: readonly Vec2[], count: number): Vec2[] {
  const planes = site.objects.filter(isRoofed).flatMap(({ geometry }) => geometry.faces)
  const plane = planes.reduce<(typeof planes)[number] | null>(
    (a, b) => (!a || b.areaM2 > a.areaM2 ? b : a),
    null,
  )
  const outline = plane && planOf(plane.corners)
  const [x, y] = outline ? centroid(outline) : [0, 0]
  const places: Vec2[] = []
  for (let k = 0; places.length < count; k++) {
    const place = inWorld([x + apartM * Math.ceil(k / 2) * (k % 2 === 0 ? 1 : -1), y])
    // Beyond the plane's end they stand on each other's heads rather than beside the house.
    const isOff = outline !== null && !containsPoint(outline, place)
    const isTaken = [...taken, ...places].some(
      (other) => Math.hypot(other[0] - place[0], other[1] - place[1]) < apartM / 2,
    )
    if (isOff) places.push(inWorld([x, y]))
    else if (!isTaken) places.push(place)
  }
  return places
}
