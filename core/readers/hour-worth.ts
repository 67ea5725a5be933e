import { type Graph } from '../graph/graph'
import { Overtaken, type Patience } from '../graph/run'
import { withFields } from '../kinds/documents'
import { loadId } from '../kinds/load/load'
import { billNowStage, billThenStage } from '../stages/bills'
import { loadIn, type World } from '../stages/world'
import { dayHours } from './average-days'

/** What a kWh more costs that is used each day in an hour of the local clock; money per kWh over the year. */
export interface HourWorth {
  readonly hour: number
  readonly now: number
  readonly then: number
}

/** A kWh each day. */
const more = 365

/**
 * What one more kWh costs by the hour of the day that it is used in, before solar and with it: for each hour the load has
 * a kWh a day more, and the chain is run from there to the bills, with the battery, the steps and the settlement as they are.
 * @param tell hears of what is known so far, and of how many there are
 * @throws Overtaken when the patience is at its end
 */
export async function hourWorths(
  graph: Graph<World>,
  world: World,
  patience: Patience,
  tell: (found: readonly HourWorth[], all: number) => void = () => undefined,
): Promise<readonly HourWorth[]> {
  const billsOf = async (tried: World) => {
    const run = graph.open(tried)
    await run.prepare([billNowStage, billThenStage], patience)
    return { now: run.value(billNowStage).annual, then: run.value(billThenStage).annual }
  }
  const own = loadIn(world)
  const without = await billsOf(world)
  const found: HourWorth[] = []
  for (let hour = 0; hour < dayHours; hour++) {
    const one = { id: 'one-more', name: 'One more', kwhPerYear: more, on: true }
    const added = [
      ...own.added,
      { what: 'hours' as const, ...one, fromHour: hour, toHour: hour + 1, months: [] },
    ]
    const load = withFields(own, { added })
    const { now, then } = await billsOf({ ...world, house: { ...world.house, [loadId]: load } })
    found.push({ hour, now: (now - without.now) / more, then: (then - without.then) / more })
    tell([...found], dayHours)
    if (!(await patience.pause())) throw new Overtaken()
  }
  return found
}

/** The hours in which a kWh costs the least and the most with solar; the first of those that cost the same. */
export function extremesOf(
  found: readonly HourWorth[],
): { readonly least: HourWorth; readonly most: HourWorth } | null {
  const [first] = found
  if (!first) return null
  return found.reduce(
    ({ least, most }, one) => ({
      least: one.then < least.then - 1e-9 ? one : least,
      most: one.then > most.then + 1e-9 ? one : most,
    }),
    { least: first, most: first },
  )
}
