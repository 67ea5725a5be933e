import { Keyed } from '../graph/keyed'
import { itemStage, stage, type Stage } from '../graph/stage'
import { ballAround } from '../geometry/bounds'
import { type Caster } from '../shade/engine'
import { mayShade, type ReceiverBall } from '../shade/may-shade'
import { type LaidArray, type Site } from '../site/site'
import { siteStage } from './site'
import { sunStage } from './sun'
import { type World } from './world'

/** Everything of the site that stops light, under its geometry's key. */
export const castersOf = ({ objects }: Site): { readonly id: string; readonly bodies: Keyed<Caster> }[] =>
  objects.flatMap(({ id, key, geometry: { solids, crowns } }) =>
    solids.length + crowns.length === 0 ? [] : [{ id, bodies: new Keyed(key, [...solids, ...crowns]) }],
  )

/** The ball around all places of an array, taken or not, so that taking one out moves nothing. */
const ballOf = ({ places, plane: { normal } }: LaidArray): ReceiverBall => ({
  ...ballAround(places.flatMap(({ corners }) => corners)),
  normal,
})

/** Whether each caster may shade each array at all: array after array, its casters in their order. */
const mayShadeStage: Stage<World, readonly Keyed<boolean>[]> = itemStage({
  name: 'who may shade whom',
  version: 1,
  after: { site: siteStage, sun: sunStage },
  reads: () => ({}),
  each: (_reads, { site, sun }) => {
    const casters = castersOf(site.value)
    return site.value.faces.flatMap((array) => {
      const ball = ballOf(array)
      return casters.map(({ bodies }) => ({ bodies, ball, sun }))
    })
  },
  compute: ({ bodies, ball, sun }) => mayShade(bodies, ball, sun),
  bytes: () => 200,
})

/** What may shade one array: the objects' ids, and what of them stops light. */
export interface ArrayCasters {
  readonly ids: readonly string[]
  readonly bodies: readonly Keyed<Caster>[]
}

/** What may take light from each array; what stands too far or too low is left out, and so recomputes nothing. */
export const castersStage: Stage<World, readonly ArrayCasters[]> = stage({
  name: 'casters',
  version: 1,
  after: { site: siteStage, may: mayShadeStage },
  reads: () => ({}),
  compute: (_reads, { site, may }) => {
    const casters = castersOf(site)
    return site.faces.map((_face, a) => {
      const own = casters.filter((_caster, c) => may[a * casters.length + c]?.value)
      return { ids: own.map(({ id }) => id), bodies: own.map(({ bodies }) => bodies) }
    })
  },
  bytes: (arrays) => arrays.reduce((sum, { ids }) => sum + 200 * ids.length, 200),
})
