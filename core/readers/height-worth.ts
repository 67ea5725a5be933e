import { type Graph } from '../graph/graph'
import { type Patience, type Run } from '../graph/run'
import { withFields } from '../kinds/documents'
import { kindOf, type AnyObject } from '../kinds/index'
import { Fault } from '../model/fault'
import { panelsOf } from '../site/site'
import { billedKwh, shadeBillStage } from '../stages/shade-bill'
import { siteStage } from '../stages/site'
import { type World } from '../stages/world'

/** How much higher a thing is taken to be, m. */
export const higherM = 0.5

/** Less is within what a hand that measures may miss, kWh. */
export const worthNamingKwh = 0.5

/** What a height that nobody has checked may cost. */
export interface HeightWorth {
  readonly id: string
  /** The height that it was put up with, m. */
  readonly heightM: number
  /** Rated energy that shade takes more in a year if it is `higherM` higher, kWh. */
  readonly kwh: number
}

/**
 * What it would cost if things whose height is still the usual one were half a metre higher, the costliest first. Each is
 * tried by itself, on the same graph, so that only what it shades is computed again.
 * @throws Overtaken when the patience is at its end
 */
export async function heightWorths(
  graph: Graph<World>,
  world: World,
  patience: Patience,
): Promise<readonly HeightWorth[]> {
  const run = graph.open(world)
  await run.prepare([shadeBillStage], patience)
  const [lost, modules] = [lostIn(run), panelsOf(run.value(siteStage)).length]
  const worths: HeightWorth[] = []
  for (const { id, geometry } of run.value(siteStage).objects) {
    const object = world.house[id]
    if (geometry.presetM === null || !object) continue
    const higher = raised(object)
    if (!higher) continue
    const other = graph.open({ ...world, house: { ...world.house, [id]: higher } })
    await other.prepare([shadeBillStage], patience)
    // With other modules their shade is another sum.
    if (panelsOf(other.value(siteStage)).length !== modules) continue
    worths.push({ id, heightM: geometry.presetM, kwh: lostIn(other) - lost })
  }
  return worths.sort((a, b) => b.kwh - a.kwh)
}

const lostIn = (run: Run<World>): number => billedKwh(run.value(shadeBillStage))

/** The thing half a metre higher; null where it cannot be. */
function raised(object: AnyObject): AnyObject | null {
  const field = kindOf(object).standing?.height
  if (field === undefined) return null
  const heightM = (object as unknown as Readonly<Record<string, unknown>>)[field]
  if (typeof heightM !== 'number') return null
  try {
    return withFields(object, { [field]: heightM + higherM })
  } catch (error) {
    if (error instanceof Fault) return null
    throw error
  }
}
