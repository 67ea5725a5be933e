import { type Graph } from '../graph/graph'
import { Overtaken, type Patience } from '../graph/run'
import { withFields, type Objects } from '../kinds/documents'
import { storageId, type Storage } from '../kinds/storage/storage'
import { tariffFormSchema, type TariffForm } from '../kinds/tariff/form'
import { tariffNowId, tariffThenId, type Tariff } from '../kinds/tariff/tariff'
import { billNowStage, billThenStage } from '../stages/bills'
import { financeStage } from '../stages/finance'
import {
  batteryIn,
  catalogueFor,
  inverterIn,
  storageIn,
  tariffNowIn,
  tariffThenIn,
  type World,
} from '../stages/world'
import { sizesOf } from './storage-sizes'

/** The battery that a tariff is tried with. */
export interface TriedBattery {
  readonly batteryId: string
  readonly count: number
  readonly isOwn: boolean
}

/** What a house would pay on a tariff; money in the first year. */
export interface TariffWorth {
  readonly form: TariffForm
  /** Whether the job has it: as it is now, and with solar. */
  readonly isNow: boolean
  readonly isThen: boolean
  /** The bill without solar, with the option's modules alone, and with a battery too. */
  readonly before: number
  readonly solar: number
  readonly stored: number
  /** The option's own, or the smallest of the catalogue where it has none; null where there is none at all. */
  readonly battery: TriedBattery | null
  /** The bill of the option as it is designed: with the battery where it has one. */
  readonly after: number
  /** Of the option as it is designed, held against the bill on the present tariff; null where it is never paid back. */
  readonly paybackYears: number | null
  readonly npv: number
}

/** The tariffs with the lowest bill in each case; the first of them where several cost the same. */
export function cheapestOf(
  found: readonly TariffWorth[],
): Record<'before' | 'solar' | 'stored', TariffWorth | null> {
  const least = (of: 'before' | 'solar' | 'stored') =>
    found.reduce<TariffWorth | null>((best, one) => (best && best[of] <= one[of] ? best : one), null)
  return { before: least('before'), solar: least('solar'), stored: least('stored') }
}

/** A form in one order of its fields, so that equal ones read equal: what its periods and charges are called costs nothing. */
function keyOf(form: TariffForm): string {
  const { name, utility, ...prices } = tariffFormSchema.parse(form)
  const unnamed = (key: string, value: unknown): unknown => (key === 'name' ? undefined : value)
  return `${JSON.stringify([name, utility])} ${JSON.stringify(prices, unnamed)}`
}

const withTariff = (house: Objects, id: Tariff['id'], form: TariffForm): Objects => {
  const tariff: Tariff = { ...form, id, kind: 'tariff' }
  return { ...house, [id]: tariff }
}

function triedBattery(world: World): TriedBattery | null {
  const own = storageIn(world)
  const isOwn = batteryIn(world) !== null
  const { batteryId, count } = isOwn
    ? own
    : (sizesOf(catalogueFor(world), own, inverterIn(world)).find((size) => size.batteryId !== null) ?? own)
  return batteryId === null ? null : { batteryId, count, isOwn }
}

/**
 * What the house pays on each tariff: as it is, with the option's modules, and with its battery, run by the option's
 * rule. Those of the job come first to be tried, then those that are given; one that is there twice is tried once. In order of the
 * bill of the option as it is designed, the lowest first.
 * @param forms what utilities offer at the place
 * @param tell hears of what is known so far, in order, and of how many there are
 * @throws Overtaken when the patience is at its end
 */
export async function tariffWorths(
  graph: Graph<World>,
  world: World,
  forms: readonly TariffForm[],
  patience: Patience,
  tell: (found: readonly TariffWorth[], all: number) => void = () => undefined,
): Promise<readonly TariffWorth[]> {
  const own = storageIn(world)
  const battery = triedBattery(world)
  const [now, then] = [tariffNowIn(world), tariffThenIn(world)].map(keyOf)
  const tried = new Map(
    [tariffNowIn(world), tariffThenIn(world), ...forms].map((form) => [keyOf(form), form]),
  )
  const found: TariffWorth[] = []
  for (const [key, given] of tried) {
    const form = tariffFormSchema.parse(given)
    const isNow = key === now
    const before = async () => {
      const run = graph.open({ ...world, house: withTariff(world.house, tariffNowId, form) })
      await run.prepare([billNowStage], patience)
      return run.value(billNowStage).annual
    }
    const after = async (size: Pick<Storage, 'batteryId' | 'count'>) => {
      const run = graph.open({
        ...world,
        house: withTariff(world.house, tariffThenId, form),
        option: {
          ...world.option,
          [storageId]: withFields(own, { batteryId: size.batteryId, count: size.count }),
        },
      })
      await run.prepare([billThenStage, financeStage], patience)
      const { paybackYears, npv } = run.value(financeStage)
      return { bill: run.value(billThenStage).annual, paybackYears, npv }
    }
    const solar = await after({ batteryId: null, count: 1 })
    const stored = battery ? await after(battery) : solar
    const { bill, paybackYears, npv } = battery?.isOwn ? stored : solar
    found.push({
      form,
      isNow,
      isThen: key === then,
      before: await before(),
      solar: solar.bill,
      stored: stored.bill,
      battery,
      after: bill,
      paybackYears,
      npv,
    })
    tell(inOrder(found), tried.size)
    if (!(await patience.pause())) throw new Overtaken()
  }
  return inOrder(found)
}

const inOrder = (found: readonly TariffWorth[]): TariffWorth[] => found.toSorted((a, b) => a.after - b.after)
