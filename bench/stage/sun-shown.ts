import { type Vec3 } from '@/core/geometry/vector'
import { type Site } from '@/core/kinds/site/site'
import { modelYear } from '@/core/model/model-year'
import { horizonOf } from '@/core/shade/far-horizon'
import { sunAtClock } from '@/core/sun/local-sun'
import { sunDirection } from '@/core/sun/position'

/**
 * The sun over the job at a moment of the clock.
 * @returns besides whether hills stand before it, and the way that its light comes: as of one that is just down if they do
 */
export function sunShown(site: Site, day: number, hour: number) {
  const sun = sunAtClock(site, modelYear, day, hour)
  const [east, north, up] = sunDirection(sun)
  const hidden = up > 0 && (horizonOf(site.farHorizon)?.(east, north, up) ?? false)
  const direction: Vec3 = [east, north, hidden ? 0 : up]
  return { sun, hidden, direction }
}
