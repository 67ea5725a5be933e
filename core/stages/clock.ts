import { stage, type Stage } from '../graph/stage'
import { localClock, type LocalClock } from '../model/local-clock'
import { yearStartMs } from '../model/model-year'
import { siteIn, type World } from './world'

/** The local clock of every interval of the weather's year. */
export const clockStage: Stage<World, LocalClock> = stage({
  name: 'clock',
  version: 1,
  after: {},
  reads: (world: World) => ({
    zone: siteIn(world).timeZone,
    startMs: yearStartMs(world.weather.value.timeZoneHours),
    stepMinutes: world.weather.value.stepMinutes,
  }),
  compute: ({ zone, startMs, stepMinutes }) =>
    localClock(zone, startMs, stepMinutes, (365 * 1440) / stepMinutes),
})
