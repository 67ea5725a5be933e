import { type InverterType } from '../electrical/catalogue'
import { phasesOf } from '../electrical/device-list'
import { lowDcAc } from '../electrical/rules'
import { type Graph } from '../graph/graph'
import { type Patience } from '../graph/run'
import { electricalId, type Electrical } from '../kinds/electrical/electrical'
import { type Check } from '../model/ledger'
import { withFields } from '../kinds/documents'
import { financeStage, priceStage } from '../stages/finance'
import { powerStage } from '../stages/power'
import { stringsStage } from '../stages/strings'
import { electricAccounts, gravestOf } from './gravest'
import { catalogueFor, electricalIn, type World } from '../stages/world'
import { yieldStage } from '../stages/yield'

/** What an option would be with another inverter. */
export interface InverterWorth {
  readonly id: string
  /** What sits at modules beside it; null without. */
  readonly optimizerId: string | null
  /** Whether each module works by itself, or has an optimizer. */
  readonly atEach: boolean
  /** How many of them: one, two side by side, or under each of the modules. */
  readonly count: number
  /** Of all of them; so is the ratio. */
  readonly acPowerW: number
  /** Of the modules to the inverter. */
  readonly dcAc: number
  readonly annualKwh: number
  readonly clippedKwh: number
  /** Of all that is put up, as the offer has it: with parts that follow from the inverter, or none for it in the price. */
  readonly price: number
  /** Null where it is never paid back. */
  readonly paybackYears: number | null
  readonly npv: number
  /** The gravest thing that is wrong with it; null where nothing is. */
  readonly breaks: Pick<Check, 'code' | 'data'> | null
}

/** What of a ranking is looked at. */
export interface InverterWanted {
  /** At every module, by a microinverter or an optimizer, or strings that hang together. */
  readonly electronics: 'at-modules' | 'strings' | 'any'
  readonly phases: 1 | 3 | 'any'
  readonly leastDcAc: number
  readonly mostDcAc: number
  /** Without those that break a rule. */
  readonly soundOnly: boolean
  /** Hybrids, on which a DC-coupled battery may hang. */
  readonly hybridOnly: boolean
}

/**
 * Those of a ranking that are wanted, in its order.
 * @param inverters sheets of all of them
 */
export function wantedOf(
  found: readonly InverterWorth[],
  inverters: readonly InverterType[],
  { electronics, phases, leastDcAc, mostDcAc, soundOnly, hybridOnly }: InverterWanted,
): InverterWorth[] {
  const sheets = new Map(inverters.map((sheet) => [sheet.id, sheet]))
  return found.filter(({ id, atEach, dcAc, breaks }) => {
    const sheet = sheets.get(id)
    if (!sheet) return false
    return (
      (electronics === 'any' || (electronics === 'at-modules') === atEach) &&
      (phases === 'any' || phasesOf(sheet) === phases) &&
      dcAc >= leastDcAc &&
      dcAc <= mostDcAc &&
      !(soundOnly && breaks) &&
      !(hybridOnly && !sheet.batteryPort)
    )
  })
}

/** As many of one kind as are tried side by side. */
const mostTried = 2

/**
 * What each inverter of the catalogue and of the job makes of this option: the whole chain from strings to payback is
 * run for each, on the same graph, so that light and shade are computed once; two of a kind side by side too, where both
 * have enough to do, and as many as the option has. In order: those that break nothing first, then by what they
 * are worth over the years; others by the same.
 * @param tell hears of what is known so far, in order, and of how many there are; of none where no modules are laid
 * @throws Overtaken when the patience is at its end
 */
export async function inverterWorths(
  graph: Graph<World>,
  world: World,
  patience: Patience,
  tell: (found: readonly InverterWorth[], all: number) => void = () => undefined,
): Promise<readonly InverterWorth[]> {
  const found: InverterWorth[] = []
  const { powerW, count } = graph.open(world).value(powerStage)
  if (count === 0) {
    tell([], 0)
    return []
  }
  const candidates = catalogueFor(world).inverters.flatMap((inverter) =>
    countsOf(inverter, powerW, electricalIn(world)).map((inverterCount) => ({ inverter, inverterCount })),
  )
  for (const { inverter, inverterCount } of candidates) {
    const { id } = inverter
    const electrical = withFields(electricalIn(world), { inverterId: id, inverterCount })
    const run = graph.open({ ...world, option: { ...world.option, [electricalId]: electrical } })
    await run.prepare([...electricAccounts, yieldStage, priceStage, financeStage], patience)
    const ac = run.value(yieldStage)
    const { inverters, optimized } = run.value(stringsStage)
    const { paybackYears, npv } = run.value(financeStage)
    found.push({
      id,
      optimizerId: inverter.micro ? null : electricalIn(world).optimizerId,
      atEach: inverter.micro !== undefined || optimized.length === count,
      count: inverters,
      acPowerW: inverter.acPowerW * inverters,
      dcAc: powerW / (inverter.acPowerW * inverters),
      annualKwh: ac.kwh,
      clippedKwh: ac.clippedKwh,
      price: run.value(priceStage).total,
      paybackYears,
      npv,
      breaks: gravestOf(run),
    })
    tell(inOrder(found), candidates.length)
  }
  return inOrder(found)
}

/** How many of an inverter are tried side by side; of those under the modules there are as many as it takes. */
function countsOf(
  { id, micro, acPowerW }: InverterType,
  powerW: number,
  { inverterId, inverterCount }: Pick<Electrical, 'inverterId' | 'inverterCount'>,
): number[] {
  if (micro) return [1]
  const counts = Array.from({ length: mostTried }, (_, k) => k + 1).filter(
    (side) => side === 1 || powerW / (side * acPowerW) >= lowDcAc,
  )
  return id === inverterId && !counts.includes(inverterCount) ? [...counts, inverterCount] : counts
}

const inOrder = (found: readonly InverterWorth[]): InverterWorth[] =>
  found.toSorted((a, b) => Number(a.breaks !== null) - Number(b.breaks !== null) || b.npv - a.npv)
