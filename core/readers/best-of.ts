import { type InverterType } from '../electrical/catalogue'
import { ratedAcW } from '../electrical/electronics'
import { type Graph } from '../graph/graph'
import { type Patience, type Run } from '../graph/run'
import { electricalId } from '../kinds/electrical/electrical'
import { withFields, type Objects } from '../kinds/documents'
import { trimmed } from '../kinds/removed'
import { storageId, type Storage } from '../kinds/storage/storage'
import { wiringAccount } from '../stages/accounts/wiring'
import { billNowStage, billThenStage } from '../stages/bills'
import { financeStage, priceStage } from '../stages/finance'
import { powerStage } from '../stages/power'
import { moduleWorthStage } from '../stages/module-worth'
import { catalogueFor, electricalIn, storageIn, type World } from '../stages/world'
import { yieldStage } from '../stages/yield'
import { ratedPanels } from './rated-panels'
import { sizesOf } from './storage-sizes'
import { keptOf, type TrimPanel } from './trim-to'

/** One way to do an option: so many of its modules, an inverter, and batteries. */
export interface Candidate {
  /** Ids of the modules that stay. */
  readonly kept: readonly string[]
  readonly powerW: number
  readonly inverterId: string
  /** Side by side; one where they are under the modules. */
  readonly inverterCount: number
  readonly battery: Pick<Storage, 'batteryId' | 'count'>
  readonly usableKwh: number
  /** Before and after what comes back at purchase. */
  readonly price: number
  readonly net: number
  readonly annualKwh: number
  /** Share of the bill now that is gone. */
  readonly billOffset: number
  /** Null where it is never paid back. */
  readonly paybackYears: number | null
  readonly npv: number
  /** What is left when all years are over. */
  readonly left: number
}

/** What is asked for: the most that may be paid after incentives, the least of the bill that goes, or the longest payback. */
export type Wish =
  | { readonly by: 'budget'; readonly net: number }
  | { readonly by: 'offset'; readonly share: number }
  | { readonly by: 'payback'; readonly years: number }

/** Numbers of modules that are tried, as shares of all that are laid. */
const shares = [1, 0.85, 0.7, 0.57, 0.45, 0.35, 0.25, 0.16] as const
/** The ratio of module to AC power that inverters are sought around, and how many are tried at each size. */
const usualDcAc = 1.15
const invertersTried = 2
/** One alone, and two of a kind. */
const sideBySide = [1, 2] as const

/**
 * Ways to do an option with the modules that are laid: fewer and fewer of them, those of least worth left away first and
 * rows kept whole; for each number the better of the inverters, one or two of a kind, that suit its size and break no rule; for each of these
 * no battery and up to three of each. The whole chain from light to payback is run for each, on the same graph.
 * @param tell hears the share of the work that is done
 * @returns by number of modules, the most first; none where nothing is laid or no inverter suits
 * @throws Overtaken when the patience is at its end, and the faults of the run
 */
export async function candidatesFor(
  graph: Graph<World>,
  world: World,
  patience: Patience,
  tell: (share: number) => void = () => undefined,
): Promise<Candidate[]> {
  const run = graph.open(world)
  await run.prepare([moduleWorthStage], patience)
  const panels = ratedPanels(run)
  const counts = [...new Set(shares.map((share) => Math.max(1, Math.round(panels.length * share))))]
  const found: Candidate[] = []
  if (panels.length === 0) return found
  for (const [at, count] of counts.entries()) {
    const told = (share: number) => tell((at + share) / counts.length)
    const fitting = await fittingNear(graph, world, panels, count, patience)
    if (!fitting || found.some(({ kept }) => kept.length === fitting.kept.size)) continue
    const { kept, best } = fitting
    const sizes = sizesOf(catalogueFor(world), storageIn(world), best.inverter)
    for (const [k, battery] of sizes.entries()) {
      const tried = withStorage(best.world, battery)
      found.push({
        kept: [...kept],
        inverterId: best.inverter.id,
        inverterCount: best.inverterCount,
        battery,
        usableKwh: usableIn(world, battery),
        ...(await figuresOf(graph.open(tried), patience)),
      })
      told((k + 1) / sizes.length)
    }
  }
  return found
}

/** So many modules with an inverter, or one less or more where their strings would break a rule. */
async function fittingNear(
  graph: Graph<World>,
  world: World,
  panels: readonly TrimPanel[],
  count: number,
  patience: Patience,
) {
  for (const near of [count, count - 1, count + 1, count - 2]) {
    if (near < 1 || near > panels.length) continue
    const kept = keptOf(panels, near, { by: 'money', unbroken: true })
    const best = await inverterFor(graph, { ...world, option: trimmed(world.option, panels, kept) }, patience)
    if (best) return { kept, best }
  }
  return null
}

const withStorage = (world: World, fields: Pick<Storage, 'batteryId' | 'count'>): World => ({
  ...world,
  option: { ...world.option, [storageId]: withFields(storageIn(world), fields) },
})

const usableIn = (world: World, { batteryId, count }: Pick<Storage, 'batteryId' | 'count'>): number =>
  count * (catalogueFor(world).batteries.find(({ id }) => id === batteryId)?.usableKwh ?? 0)

interface Suiting {
  readonly inverter: InverterType
  readonly inverterCount: number
  readonly world: World
}

/** The better of the inverters nearest to the usual ratio that break nothing; null where all of them do. */
async function inverterFor(graph: Graph<World>, world: World, patience: Patience): Promise<Suiting | null> {
  const { powerW, count } = graph.open(world).value(powerStage)
  const tries = catalogueFor(world).inverters.flatMap((inverter) =>
    (inverter.micro ? [1] : sideBySide).map((inverterCount) => ({
      inverter,
      inverterCount,
      off: Math.abs(Math.log(powerW / ratedAcW(inverter, count, inverterCount) / usualDcAc)),
    })),
  )
  let best: (Suiting & { readonly npv: number }) | null = null
  let suiting = 0
  for (const { inverter, inverterCount } of tries.toSorted((a, b) => a.off - b.off)) {
    const electrical = withFields(electricalIn(world), { inverterId: inverter.id, inverterCount })
    const tried = withStorage(
      { ...world, option: { ...world.option, [electricalId]: electrical } },
      { batteryId: null, count: 1 },
    )
    const run = graph.open(tried)
    await run.prepare([wiringAccount], patience)
    if (run.value(wiringAccount).checks.some(({ severity }) => severity === 'broken')) continue
    await run.prepare([financeStage], patience)
    const { npv } = run.value(financeStage)
    if (!best || npv > best.npv) best = { inverter, inverterCount, world: tried, npv }
    if (++suiting === invertersTried) break
  }
  return best
}

async function figuresOf(run: Run<World>, patience: Patience) {
  await run.prepare([yieldStage, billNowStage, billThenStage, priceStage, financeStage], patience)
  const [before, after] = [run.value(billNowStage).annual, run.value(billThenStage).annual]
  const { total, net } = run.value(priceStage)
  const { paybackYears, npv, cumulative } = run.value(financeStage)
  return {
    powerW: run.value(powerStage).powerW,
    price: total,
    net,
    annualKwh: run.value(yieldStage).kwh,
    billOffset: before > 0 ? 1 - after / before : 0,
    paybackYears,
    npv,
    left: cumulative.at(-1) ?? 0,
  }
}

/** Whether one does what is wished. */
export function fulfils({ net, billOffset, paybackYears }: Candidate, wish: Wish): boolean {
  if (wish.by === 'budget') return net <= wish.net
  if (wish.by === 'offset') return billOffset >= wish.share
  return paybackYears !== null && paybackYears <= wish.years
}

/** Those that no other beats at once by an earlier payback and by more that is left; the earliest payback first. */
export function frontOf(candidates: readonly Candidate[]): Candidate[] {
  const paid = candidates
    .filter((one): one is Candidate & { paybackYears: number } => one.paybackYears !== null)
    .sort((a, b) => a.paybackYears - b.paybackYears || b.left - a.left)
  let most = -Infinity
  return paid.filter(({ left }) => {
    if (left <= most) return false
    most = left
    return true
  })
}

/**
 * The one to offer: within a budget or a payback the one that leaves most, for an offset the one that costs least. Null
 * where none does what is wished.
 */
export function bestFor(candidates: readonly Candidate[], wish: Wish): Candidate | null {
  const fit = candidates.filter((one) => fulfils(one, wish))
  const better =
    wish.by === 'offset'
      ? (a: Candidate, b: Candidate) => a.net - b.net || b.left - a.left
      : (a: Candidate, b: Candidate) => b.left - a.left || a.net - b.net
  return fit.toSorted(better)[0] ?? null
}

/** An option as a candidate has it. @param panels all modules that the search began with */
export function optionOf(
  option: Objects,
  panels: readonly { readonly id: string; readonly arrayId: string; readonly slot: string }[],
  { kept, inverterId, inverterCount, battery }: Candidate,
): Objects {
  const fewer = trimmed(option, panels, new Set(kept))
  const [electrical, storage] = [fewer[electricalId], fewer[storageId]]
  return {
    ...fewer,
    ...(electrical
      ? { [electricalId]: { ...electrical, inverterId, inverterCount } as typeof electrical }
      : {}),
    ...(storage ? { [storageId]: { ...storage, ...battery } } : {}),
  }
}
