import { Keyed, keyOf } from '../graph/keyed'
import { itemStage, type Stage } from '../graph/stage'
import { castBytes, castOn, type CastShade } from '../shade/cast'
import { type Receiver } from '../shade/engine'
import { patches } from '../shade/sky-patches'
import { castersStage } from './casters'
import { siteStage } from './site'
import { sunStage } from './sun'
import { fieldsOf, moduleIn, type World } from './world'

/**
 * What one caster does to each place of one array, taken or not, so that taking a module out moves no shadow: array after
 * array, its casters in their order.
 */
export const shadowsStage: Stage<World, readonly Keyed<readonly (CastShade | null)[]>[]> = itemStage({
  name: 'shadows',
  version: 1,
  after: { site: siteStage, casters: castersStage, sun: sunStage },
  reads: (world: World) => ({ groups: fieldsOf(moduleIn(world), 'strips', 'halves') }),
  each: ({ groups }, { site, casters, sun }) =>
    site.value.faces.flatMap(({ places: laid }, a) => {
      const corners: readonly Receiver[] = laid.map((place) => place.corners)
      const places = new Keyed(keyOf(corners), corners)
      return (casters.value[a]?.bodies ?? []).map((bodies) => ({ places, groups, bodies, sun }))
    }),
  compute: ({ places, groups, bodies, sun }) =>
    castOn(places, groups, bodies, sun.direction, patches.direction),
  bytes: (casts) => casts.reduce((sum, cast) => sum + (cast ? castBytes(cast) : 0), 200),
})
