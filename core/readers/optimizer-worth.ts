import { ownWindow } from '../electrical/electronics'
import { optimizerRules } from '../electrical/unit-rules'
import { type OptimizerType } from '../electrical/catalogue'
import { type Graph } from '../graph/graph'
import { type Patience, type Run } from '../graph/run'
import { withFields } from '../kinds/documents'
import { electricalId, mostOptimizersAt, type Electrical } from '../kinds/electrical/electrical'
import { type Check } from '../model/ledger'
import { financeStage, priceStage } from '../stages/finance'
import { lossChainStage } from '../stages/loss-chain'
import { moduleModelStage } from '../stages/module-model'
import { panelLightStage } from '../stages/panel-light'
import { siteStage } from '../stages/site'
import { stringsStage } from '../stages/strings'
import {
  catalogueFor,
  electricalIn,
  inverterIn,
  moduleIn,
  siteIn,
  stepDownIn,
  type World,
} from '../stages/world'
import { yieldStage } from '../stages/yield'
import { electricAccounts, gravestOf } from './gravest'

/** What an option would be with optimizers at its most shaded modules. */
export interface OptimizerWorth {
  /** As it is set where it is taken. */
  readonly set: Pick<Electrical, 'optimizerId' | 'optimizersAt'>
  /** How many modules have one. */
  readonly count: number
  /** Whether it is as it is now. */
  readonly isNow: boolean
  readonly annualKwh: number
  readonly mismatchKwh: number
  /** Of the optimizers, as it stands in the offer. */
  readonly price: number
  /** Null where it is never paid back. */
  readonly paybackYears: number | null
  readonly npv: number
  /** The gravest thing that is wrong with it; null where nothing is. */
  readonly breaks: Pick<Check, 'code' | 'data'> | null
}

/** How many modules have one, until all have. */
const counts = [1, 2, 3, 4, 6, 8, 11, 15, 20, 27, 36, 48]
const none = { optimizerId: null, optimizersAt: null } as const
const asked = [...electricAccounts, yieldStage, financeStage, priceStage, lossChainStage]

/**
 * What step-down optimizers at single modules are worth: none, then at the most shaded, the next of them, and so on to
 * all, each run through the chain on the same graph, so that light and shade are computed once. The present design stands
 * among them. In order: those that break nothing first, then by what they are worth over the years.
 * @param tell hears of what is known so far, in order, and of how many there are; of none for microinverters and bare roofs
 * @throws Overtaken when the patience is at its end
 */
export async function optimizerWorths(
  graph: Graph<World>,
  world: World,
  patience: Patience,
  tell: (found: readonly OptimizerWorth[], all: number) => void = () => undefined,
): Promise<readonly OptimizerWorth[]> {
  const now = graph.open(world)
  await now.prepare(asked, patience)
  const sheet = suiting(world, now)
  const shaded = shadedFirst(now)
  if (inverterIn(world).micro || shaded.length === 0 || !sheet) {
    tell([], 0)
    return []
  }
  const { optimizerId, optimizersAt } = electricalIn(world)
  const some = counts.filter((count) => count < Math.min(shaded.length, mostOptimizersAt))
  const tried: OptimizerWorth['set'][] = [
    none,
    ...some.map((count) => ({ optimizerId: sheet.id, optimizersAt: shaded.slice(0, count) })),
    { optimizerId: sheet.id, optimizersAt: null },
  ]
  const present = signature(optimizerId, now.value(stringsStage).optimized)
  const others = tried.filter((set) => signature(set.optimizerId, set.optimizersAt ?? shaded) !== present)
  const found: OptimizerWorth[] = [worthOf(now, { optimizerId, optimizersAt }, true)]
  tell(found, others.length + 1)
  for (const set of others) {
    const electrical = withFields(electricalIn(world), {
      optimizerId: set.optimizerId,
      optimizersAt: set.optimizersAt && [...set.optimizersAt],
    })
    const run = graph.open({ ...world, option: { ...world.option, [electricalId]: electrical } })
    await run.prepare(asked, patience)
    found.push(worthOf(run, set, false))
    tell(inOrder(found), others.length + 1)
  }
  return inOrder(found)
}

/** Without any, it is the same whichever it would have been. */
const signature = (optimizerId: string | null, at: readonly string[]): string =>
  optimizerId === null || at.length === 0 ? '' : `${optimizerId} ${at.toSorted().join(' ')}`

/** The one that is chosen, or the cheapest that suits the module; null where none does. */
function suiting(world: World, run: Run<World>): OptimizerType | null {
  const chosen = stepDownIn(world)
  if (chosen) return chosen
  const { vocV, vocPerK, iscA, powerW } = moduleIn(world)
  const { power } = run.value(moduleModelStage)
  const { lowestTemperatureC } = siteIn(world)
  const volts = ownWindow({ vocV, vocPerK }, power, lowestTemperatureC, run.value(stringsStage).hottestC, {
    fewest: 1,
    most: 1,
  })
  const suit = catalogueFor(world).optimizers.filter(
    (sheet) => sheet.stepDown && optimizerRules({ iscA, powerW }, volts, sheet).every(({ ok }) => ok),
  )
  return suit.toSorted((a, b) => a.price - b.price)[0] ?? null
}

/** Modules by the share of their light that shade leaves them, the least first. */
function shadedFirst(run: Run<World>): string[] {
  const ids = run.value(siteStage).faces.flatMap(({ panels }) => panels.map(({ id }) => id))
  const left = run
    .value(panelLightStage)
    .map(({ value: { meanKwhM2, unshadedKwhM2 } }) => (unshadedKwhM2 > 0 ? meanKwhM2 / unshadedKwhM2 : 1))
  return ids
    .map((id, at) => ({ id, at, left: left[at] ?? 1 }))
    .sort((a, b) => a.left - b.left || a.at - b.at)
    .map(({ id }) => id)
}

function worthOf(run: Run<World>, set: OptimizerWorth['set'], isNow: boolean): OptimizerWorth {
  const { paybackYears, npv } = run.value(financeStage)
  return {
    set,
    count: run.value(stringsStage).optimized.length,
    isNow,
    annualKwh: run.value(yieldStage).kwh,
    mismatchKwh: run.value(lossChainStage).lost.mismatch.kwh,
    price: run.value(priceStage).optimizers,
    paybackYears,
    npv,
    breaks: gravestOf(run),
  }
}

const inOrder = (found: readonly OptimizerWorth[]): OptimizerWorth[] =>
  found.toSorted(
    (a, b) => Number(a.breaks !== null) - Number(b.breaks !== null) || b.npv - a.npv || a.count - b.count,
  )
