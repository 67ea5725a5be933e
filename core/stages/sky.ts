import { stage, type Stage } from '../graph/stage'
import { skyYear, type SkyYear } from '../weather/sky-year'
import { sunStage } from './sun'
import { siteIn, type World } from './world'

/** How the diffuse light is spread over the sky. */
export const skyStage: Stage<World, SkyYear> = stage({
  name: 'sky',
  version: 2,
  after: { sun: sunStage },
  reads: (world: World) => ({ weather: world.weather, model: siteIn(world).skyModel }),
  compute: ({ weather, model }, { sun }) => skyYear(weather, sun, model),
  // Weather and sun are not its own.
  bytes: ({ f1, f2 }) => f1.byteLength + f2.byteLength,
})
