import { planeLight } from '../energy/plane-light'
import { faceSunMaps, type FaceSunMap } from '../energy/sun-map'
import { sunTimes, type SunSpan } from '../energy/sun-span'
import { type Keyed } from '../graph/keyed'
import { itemStage, stage, type Stage } from '../graph/stage'
import { horizonOf } from '../shade/far-horizon'
import { horizonBetween } from '../shade/readings'
import { sunTable, type SunTable } from '../shade/sun-table'
import { type StandingObject } from '../site/site'
import { sunHours } from '../sun/sun-hours'
import { castersOf } from './casters'
import { horizonStage } from './horizon'
import { readingPlacesIn, readingsStage, seenByReadings, spotsOf } from './readings'
import { siteStage } from './site'
import { skyStage } from './sky'
import { sunStage } from './sun'
import { fieldsOf, siteIn, type World } from './world'

/** Within an interval the sun is followed in steps of this many minutes. */
const finestMinutes = 15

/** The directions that the year's light on roofs is interpolated between. */
const sunTableStage: Stage<World, SunTable> = stage({
  name: 'sun table',
  version: 1,
  after: { sun: sunStage },
  reads: (world: World) => ({
    place: fieldsOf(siteIn(world), 'latitudeDeg', 'longitudeDeg', 'elevationM'),
    timeZoneHours: world.weather.value.timeZoneHours,
    stepMinutes: world.weather.value.stepMinutes,
  }),
  compute: ({ place, timeZoneHours, stepMinutes }, { sun }) => {
    const fineMinutes = stepMinutes % finestMinutes === 0 ? finestMinutes : stepMinutes
    return sunTable(place.latitudeDeg, sun, sunHours(place, timeZoneHours, fineMinutes))
  },
})

/** The planes of the customer's roofs, object after object. */
export const mappedFaces = (objects: readonly StandingObject[]) =>
  objects.flatMap(({ id, geometry: { faded, faces } }) => (faded ? [] : faces.map((face) => ({ id, face }))))

/** The light on each roof plane, whatever is laid there: one map for each of the spans. */
const mapStage = (
  name: string,
  spans: readonly SunSpan[],
): Stage<World, readonly Keyed<readonly FaceSunMap[]>[]> =>
  itemStage({
    name,
    version: 4,
    after: {
      site: siteStage,
      sky: skyStage,
      sun: sunStage,
      table: sunTableStage,
      horizon: horizonStage,
      readings: readingsStage,
    },
    reads: (world: World) => ({
      albedoByMonth: siteIn(world).albedoByMonth,
      places: readingPlacesIn(world),
    }),
    each: ({ albedoByMonth, places }, { site, sky, sun, table, horizon, readings }) => {
      const spots = spotsOf(places, site.value)
      const isSeen = seenByReadings(site.value)
      const casters = castersOf(site.value)
        .filter(({ id }) => spots.length === 0 || !isSeen(id))
        .map(({ bodies }) => bodies)
      return mappedFaces(site.value.objects).map(({ face: { corners, normal } }) => ({
        corners,
        normal,
        casters,
        albedoByMonth,
        sky,
        sun,
        table,
        horizon,
        spots,
        lines: readings.value,
      }))
    },
    compute: ({ corners, normal, casters, albedoByMonth, sky, sun, table, horizon, spots, lines }) =>
      faceSunMaps(
        { corners, normal },
        casters,
        planeLight(sky, normal, { albedoByMonth }),
        sun,
        table,
        spans,
        (middle) => horizonOf(spots.length > 0 ? horizonBetween(spots, lines, middle) : horizon),
      ),
    bytes: (maps) => maps.reduce((sum, { values }) => sum + 300 + values.byteLength, 0),
  })

export const sunMapStage = mapStage('sun map', ['year'])
/** Hours of sun a day, by time. */
export const sunHoursMapStage = mapStage('sun hours map', sunTimes)
/** January first. */
export const monthMapsStage = mapStage(
  'sun map by month',
  Array.from({ length: 12 }, (_, month) => month),
)
