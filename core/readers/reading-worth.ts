import { type Graph } from '../graph/graph'
import { type Patience } from '../graph/run'
import { ofKind, theOne } from '../kinds/documents'
import { siteId, type Site } from '../kinds/site/site'
import { billedKwh, shadeBillStage } from '../stages/shade-bill'
import { yieldStage } from '../stages/yield'
import { type World } from '../stages/world'

/** What shade takes in a year and what is left, from one source. */
export interface ShadeFrom {
  /** Rated energy, kWh. */
  readonly shadeKwh: number
  /** Of the first year, kWh. */
  readonly yieldKwh: number
}

/** The same option with shade from the model and with shade from the readings. */
export type ShadeByBoth = Readonly<Record<Site['shadeFrom'], ShadeFrom>>

/**
 * What the readings make of an option beside what the model makes of it, whichever is in force.
 * @returns null where nothing was measured
 * @throws Overtaken when the patience is at its end
 */
export async function shadeByBoth(
  graph: Graph<World>,
  world: World,
  patience: Patience,
): Promise<ShadeByBoth | null> {
  if (ofKind(world.house, 'reading').length === 0) return null
  const site = theOne(world.house, 'site', siteId)
  const from = async (shadeFrom: Site['shadeFrom']): Promise<ShadeFrom> => {
    const house = { ...world.house, [siteId]: { ...site, shadeFrom } }
    const run = graph.open({ ...world, house })
    await run.prepare([shadeBillStage, yieldStage], patience)
    return {
      shadeKwh: billedKwh(run.value(shadeBillStage)),
      yieldKwh: run.value(yieldStage).kwh,
    }
  }
  const [model, readings] = [await from('model'), await from('readings')]
  return { model, readings }
}
