import { loadUnder } from '../load/cars'
import { usualFade } from '../battery/fade'
import { emptyDispatch } from '../battery/own-use'
import { dispatchServed } from '../battery/running'
import { scaledYield } from '../battery/scaled-yield'
import { withStandby } from '../battery/standby'
import { stepFactors } from '../finance/price-steps'
import { agedYears } from '../finance/aged'
import {
  draws,
  moneyRanges,
  usualYearSpread,
  yearsOfCourse,
  type MoneyRanges,
  type OtherBills,
  type OtherYear,
  type RangesCase,
} from '../finance/ranges'
import { yearsFields, type AgedYear } from '../finance/ways'
import { type Graph } from '../graph/graph'
import { Overtaken, type Patience, type Run } from '../graph/run'
import { modelYear } from '../model/model-year'
import { gaussian, seededRandom } from '../model/random'
import { acStage } from '../stages/ac'
import { clockStage } from '../stages/clock'
import { runningOf } from '../stages/dispatch'
import { financeStage, priceStage, yearsStage } from '../stages/finance'
import { carsIn, loadNowStage, steadyLoadStage } from '../stages/load'
import { exportPriceStage, formOf, priceThenStage, withoutExports } from '../stages/tariffs'
import { fieldsOf, moduleIn, offerIn, tariffNowIn, tariffThenIn, type World } from '../stages/world'
import { TariffYear } from '../tariff/form-bill'

const trials = 1000
const seed = 25

/** Nodes that bills are computed at; between them they are taken in proportion. */
const nodes = { made: 7, used: 5, held: 3 } as const

/**
 * Where the option's offer may end up, from a thousand seeded courses of its years. Bills are run hour by hour at nodes
 * of yield, load and battery, and read between them for each year of each course.
 * @throws Overtaken when the patience is at its end
 */
export async function rangesOfMoney(
  graph: Graph<World>,
  world: World,
  patience: Patience,
): Promise<MoneyRanges> {
  const run = graph.open(world)
  await run.prepare([financeStage, clockStage], patience)
  const given = caseOf(run, world)
  const drawn = draws(trials, given.years, gaussian(seededRandom(seed)))
  const span = spanOf(
    drawn.flatMap((one) => yearsOfCourse(given, one)),
    run.value(yearsStage).map(({ held }) => held),
  )
  const bills = await billsBetween(run, world, span, patience)
  return moneyRanges(given, bills, drawn)
}

const caseOf = (run: Run<World>, world: World): RangesCase => {
  const offer = offerIn(world)
  return {
    offer: fieldsOf(offer, ...yearsFields),
    price: run.value(priceStage),
    years: offer.years,
    degradation: moduleIn(world).degradation,
    unknowns: { ...offer.ranges, weather: world.station.yearSpread ?? usualYearSpread },
  }
}

/** What the nodes must reach over. */
interface Span {
  readonly made: readonly [number, number]
  readonly used: readonly [number, number]
  /** Share of what the battery held when it was new, in each year. */
  readonly held: readonly number[]
}

function spanOf(years: readonly OtherYear[], held: readonly number[]): Span {
  const reach = (key: 'made' | 'used'): [number, number] => {
    let [low, high] = [1, 1]
    for (const year of years) {
      low = Math.min(low, year[key])
      high = Math.max(high, year[key])
    }
    return [low, high]
  }
  return { made: reach('made'), used: reach('used'), held }
}

/** Evenly from end to end; one where there is nothing between them. */
const nodesIn = (low: number, high: number, count: number): number[] =>
  high - low < 1e-9 ? [low] : Array.from({ length: count }, (_, k) => low + ((high - low) * k) / (count - 1))

async function billsBetween(
  run: Run<World>,
  world: World,
  span: Span,
  patience: Patience,
): Promise<OtherBills> {
  const stepMinutes = world.weather.value.stepMinutes
  const hours = { clock: run.value(clockStage), year: modelYear, stepMinutes }
  const now = new TariffYear(withoutExports(tariffNowIn(world)), hours)
  const then = new TariffYear(formOf(tariffThenIn(world)), hours)
  const [ac, load] = [run.value(acStage), run.value(loadNowStage)]
  const running = runningOf(run, world)
  const [buy, sell] = [run.value(priceThenStage), run.value(exportPriceStage)]
  const steady = run.value(steadyLoadStage)
  const { cars, ...placed } = { ...carsIn(world), clock: hours.clock, price: buy }
  const made = nodesIn(...span.made, nodes.made)
  const used = nodesIn(...span.used, nodes.used)
  const held = running.battery ? nodesIn(Math.min(...span.held), 1, nodes.held) : [1]
  const nothing = new Float64Array(load.length)
  const into = emptyDispatch(load.length)
  const yieldKwh = new Float64Array(load.length)
  const clippedKwh = new Float64Array(load.length)
  const before: number[] = []
  const after: AgedYear[] = []
  for (const usedShare of used) {
    const loadKwh = load.map((one) => one * usedShare)
    before.push(now.bill(loadKwh, nothing).annual)
    const loadOf = loadUnder({
      ...placed,
      steadyKwh: steady.map((one) => one * usedShare),
      cars: cars.map((car) => ({ ...car, kwhPerYear: car.kwhPerYear * usedShare })),
    })
    for (const madeShare of made) {
      scaledYield(ac.kwhByInterval, madeShare, yieldKwh)
      scaledYield(ac.clippedByInterval, madeShare, clippedKwh)
      const year = { ...running, loadKwh: loadOf(yieldKwh), buy, sell, startKwh: null }
      const house = withStandby(year, running.battery)
      for (const heldShare of held) {
        if (!(await patience.pause())) throw new Overtaken()
        const battery = running.battery && {
          ...running.battery,
          usableKwh: running.battery.usableKwh * heldShare,
        }
        const [aged] = agedYears({
          yieldKwh,
          clippedKwh,
          battery,
          run: (sun, one) => dispatchServed({ ...running, battery: one }, { ...house, ...sun }, into),
          bill: (bought, sold) => then.bill(bought, sold),
          degradation: 0,
          batteryFade: usualFade,
          newBattery: [],
          years: 1,
        })
        if (aged) after.push(aged)
      }
    }
  }
  const [tariffNow, tariffThen] = [tariffNowIn(world), tariffThenIn(world)]
  const steps = {
    now: stepFactors(tariffNow, span.held.length),
    then: stepFactors(tariffThen, span.held.length),
  }
  const heldIn = (year: number) => (running.battery ? (span.held[year] ?? 1) : 1)
  return {
    before: ({ used: share, year }) => between(used, share, (k) => before[k] ?? 0) * (steps.now[year] ?? 1),
    after: ({ made: m, used: u, year }) => {
      const of = (key: keyof AgedYear) =>
        between(used, u, (i) =>
          between(made, m, (j) =>
            between(held, heldIn(year), (k) => after[(i * made.length + j) * held.length + k]?.[key] ?? 0),
          ),
        )
      const factor = steps.then[year] ?? 1
      return { bill: of('bill') * factor, exported: of('exported') * factor, yieldKwh: of('yieldKwh') }
    },
  }
}

/** Read between even nodes in proportion. @param at the value at a node */
function between(places: readonly number[], value: number, at: (node: number) => number): number {
  const [first = 0] = places
  const last = places.length - 1
  if (last === 0) return at(0)
  const place = Math.min(last, Math.max(0, (value - first) / (((places[last] ?? 1) - first) / last)))
  const below = Math.min(last - 1, Math.floor(place))
  const share = place - below
  return share === 0 ? at(below) : at(below) * (1 - share) + at(below + 1) * share
}
