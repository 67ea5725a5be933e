import { stage, type Stage } from '../graph/stage'
import { panelsOf } from '../site/site'
import { siteStage } from './site'
import { moduleIn, type World } from './world'

/** Module power of the option. */
export const powerStage: Stage<World, { readonly count: number; readonly powerW: number }> = stage({
  name: 'power',
  version: 1,
  after: { site: siteStage },
  reads: (world: World) => ({ powerW: moduleIn(world).powerW }),
  compute: ({ powerW }, { site }) => {
    const count = panelsOf(site).length
    return { count, powerW: count * powerW }
  },
})
