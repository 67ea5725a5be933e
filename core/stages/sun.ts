import { stage, type Stage } from '../graph/stage'
import { sunHours, type SunHours } from '../sun/sun-hours'
import { fieldsOf, siteIn, type World } from './world'

/** Where the sun stands through the year. */
export const sunStage: Stage<World, SunHours> = stage({
  name: 'sun',
  version: 1,
  after: {},
  reads: (world: World) => ({
    place: fieldsOf(siteIn(world), 'latitudeDeg', 'longitudeDeg', 'elevationM'),
    timeZoneHours: world.weather.value.timeZoneHours,
    stepMinutes: world.weather.value.stepMinutes,
  }),
  compute: ({ place, timeZoneHours, stepMinutes }) => sunHours(place, timeZoneHours, stepMinutes),
})
