import { topFaceAt } from '@/core/kinds/below'
import { type Reading } from '@/core/kinds/reading/reading'
import { type Site as Place } from '@/core/kinds/site/site'
import { eyeOver } from '@/core/shade/eye'
import { horizonOf } from '@/core/shade/far-horizon'
import { sunFrom } from '@/core/shade/sun-from'
import { standingById, type Site } from '@/core/site/site'
import { sunHours } from '@/core/sun/sun-hours'
import { type LookFrom } from '../store/session'

/** The point that a reading was taken at, and the roof plane under it. */
export function eyeAt({ id, center: [x, y] }: Reading, built: Site): LookFrom {
  const normal = topFaceAt(built, [x, y])?.normal ?? null
  const heightM = standingById(built, id)?.geometry.topM ?? 0
  return { at: eyeOver([x, y, heightM], normal), normal, reading: id }
}

/** Hours of sun in a year at a reading: past all that is drawn, and over the horizon measured there. */
export interface HoursAt {
  readonly model: number
  readonly measured: number
}

/** @param zoneHours of the weather's clock */
export function hoursAt(
  readings: readonly Reading[],
  built: Site,
  place: Pick<Place, 'latitudeDeg' | 'longitudeDeg' | 'elevationM' | 'farHorizon'>,
  zoneHours: number,
): HoursAt[] {
  if (readings.length === 0) return []
  const sun = sunHours(place, zoneHours, 60)
  const bodies = built.objects.flatMap(({ geometry: { solids, crowns } }) => [...solids, ...crowns])
  return readings.map((reading) => {
    const { at, normal } = eyeAt(reading, built)
    const model = sunFrom(at, normal, bodies, sun, horizonOf(place.farHorizon))
    const measured = sunFrom(at, normal, [], sun, horizonOf(reading.heights))
    return { model: model.leftHours, measured: measured.leftHours }
  })
}
