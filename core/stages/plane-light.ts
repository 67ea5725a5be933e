import { planeLight, planeLightBytes, type PlaneLight } from '../energy/plane-light'
import { type Keyed } from '../graph/keyed'
import { itemStage, type Stage } from '../graph/stage'
import { trackedNormals } from '../sun/tracker'
import { siteStage } from './site'
import { skyStage } from './sky'
import { sunStage } from './sun'
import { siteIn, type World } from './world'

/** A year of light on the plane of each array, without shade. */
export const planeLightStage: Stage<World, readonly Keyed<PlaneLight>[]> = itemStage({
  name: 'plane light',
  version: 3,
  after: { site: siteStage, sky: skyStage, sun: sunStage },
  reads: (world: World) => ({ albedoByMonth: siteIn(world).albedoByMonth }),
  each: ({ albedoByMonth }, { site, sky, sun }) =>
    site.value.faces.map(({ plane, tracker }) => ({
      tracker,
      normal: tracker ? null : plane.normal,
      albedoByMonth,
      sky,
      sun,
    })),
  compute: ({ tracker, normal, albedoByMonth, sky, sun }) =>
    planeLight(sky, tracker ? trackedNormals(tracker, sun) : (normal ?? [0, 0, 1]), { albedoByMonth }),
  bytes: planeLightBytes,
})
