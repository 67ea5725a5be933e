import { type Keyed } from '../graph/keyed'
import { itemStage, type Stage } from '../graph/stage'
import { shadeBytes, type ReceiverShade } from '../shade/engine'
import { rayEngine } from '../shade/ray-engine'
import { castersStage } from './casters'
import { siteStage } from './site'
import { sunStage } from './sun'
import { fieldsOf, moduleIn, type World } from './world'

/** The engine that works out what each module sees of the sun and the sky. */
export const shadeEngine = rayEngine

/** What each module sees of sun and sky through the year: array after array, module after module. */
export const visibilityStage: Stage<World, readonly Keyed<ReceiverShade>[]> = itemStage({
  name: 'visibility',
  version: 2,
  after: { site: siteStage, casters: castersStage, sun: sunStage },
  reads: (world: World) => ({
    engine: `${shadeEngine.name} ${shadeEngine.version}`,
    groups: fieldsOf(moduleIn(world), 'strips', 'halves'),
  }),
  each: ({ engine, groups }, { site, casters, sun }) =>
    site.value.arrays.flatMap(({ panels, plane: { normal } }, a) => {
      const bodies = casters.value[a]?.bodies ?? []
      return panels.map(({ corners }) => ({ engine, corners, groups, normal, bodies, sun }))
    }),
  compute: ({ corners, groups, normal, bodies, sun }) =>
    shadeEngine.shade(corners, groups, normal, bodies, sun),
  bytes: shadeBytes,
})
