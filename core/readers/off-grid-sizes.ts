import { asOne } from '../battery/as-one'
import { offGrid, type OffGrid } from '../battery/off-grid'
import { Overtaken, type Patience, type Run } from '../graph/run'
import { acStage } from '../stages/ac'
import { clockStage } from '../stages/clock'
import { behindIn, sunOf } from '../stages/dispatch'
import { loadThenStage } from '../stages/load'
import { catalogueFor, inverterIn, storageIn, type World } from '../stages/world'
import { isChosen, sizesOf } from './storage-sizes'

/** What a battery would make of the house without grid. */
export interface OffGridSize extends Omit<OffGrid, 'missing'> {
  /** Null: without any. */
  readonly batteryId: string | null
  readonly count: number
  readonly usableKwh: number
}

/**
 * The option's house without grid, with each of the sizes that are compared. What the option may feed in does not count;
 * cars are charged when they are with the grid and the array as it is, with a larger one too.
 * @returns each, and what is missing in each interval with the one that is chosen, kWh
 * @throws Overtaken when the patience is at its end
 */
export async function offGridSizes(
  run: Run<World>,
  world: World,
  patience: Patience,
): Promise<{ readonly sizes: readonly OffGridSize[]; readonly missing: Float32Array | null }> {
  await run.prepare([acStage, loadThenStage, clockStage], patience)
  const storage = storageIn(world)
  const catalogue = catalogueFor(world)
  const given = {
    ...sunOf(run.value(acStage)),
    loadKwh: run.value(loadThenStage).loadKwh,
    stepHours: world.weather.value.stepMinutes / 60,
    month: run.value(clockStage).month,
  }
  const sizes: OffGridSize[] = []
  let missing: Float32Array | null = null
  for (const { batteryId, count } of sizesOf(catalogue, storage, inverterIn(world))) {
    if (!(await patience.pause())) throw new Overtaken()
    const sheet = catalogue.batteries.find(({ id }) => id === batteryId)
    const battery = sheet ? asOne({ battery: sheet, count, reserve: 0 }, behindIn(world)) : null
    const { missing: own, ...told } = offGrid(given, battery, storage.offGridShare)
    sizes.push({ batteryId, count, usableKwh: battery?.usableKwh ?? 0, ...told })
    if (isChosen({ batteryId, count }, storage)) missing = own
  }
  return { sizes, missing }
}
