import { stage, type Stage } from '../graph/stage'
import { siteIn, type World } from './world'

/** Heights of a far horizon: azimuth clockwise from north and elevation, degrees. */
export type HorizonHeights = readonly (readonly [number, number])[]

/** What stands far off around the site. */
export const horizonStage: Stage<World, HorizonHeights> = stage({
  name: 'horizon',
  version: 1,
  after: {},
  reads: (world: World) => ({ heights: siteIn(world).farHorizon }),
  compute: ({ heights }) => heights,
})
