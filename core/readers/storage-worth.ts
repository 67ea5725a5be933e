import { type Graph } from '../graph/graph'
import { Overtaken, type Patience, type Run } from '../graph/run'
import { asOne } from '../battery/as-one'
import { suitingBatteries } from '../electrical/battery-port'
import { backupHours, backupSummary, type BackupSummary } from '../battery/backup'
import { optimum } from '../battery/optimum'
import { peaksOf } from '../battery/peak-shaving'
import { dispatchBy } from '../battery/running'
import { type Dispatch } from '../battery/own-use'
import { storageId, type Storage } from '../kinds/storage/storage'
import { withFields } from '../kinds/documents'
import { modelYear } from '../model/model-year'
import { acStage } from '../stages/ac'
import { billNowStage, billThenStage } from '../stages/bills'
import {
  batteryRunIn,
  behindIn,
  countedHours,
  countedIn,
  dispatchStage,
  runningOf,
  sunOf,
} from '../stages/dispatch'
import { financeStage, priceStage } from '../stages/finance'
import { loadThenStage } from '../stages/load'
import { exportPriceStage, formOf, priceThenStage } from '../stages/tariffs'
import { clockStage } from '../stages/clock'
import { catalogueFor, inverterIn, storageIn, tariffThenIn, type World } from '../stages/world'
import { TariffYear } from '../tariff/form-bill'
import { backedLoad } from './backed-load'
import { offGridSizes, type OffGridSize } from './off-grid-sizes'
import { sizesOf } from './storage-sizes'

/** What an option would be with other batteries, run by the same rule. */
export interface StorageWorth {
  /** Null: without any. */
  readonly batteryId: string | null
  readonly count: number
  readonly usableKwh: number
  /** Of the first year. */
  readonly bill: number
  /** Share of the bill now that is gone. */
  readonly billOffset: number
  readonly selfSufficiency: number
  /** Times a year that all it holds goes through. */
  readonly cycles: number
  readonly price: number
  readonly paybackYears: number | null
  readonly npv: number
  /** What it earns by the tariff's hourly prices, money in the first year. */
  readonly earned: number
  /** The same as a share of what it would earn knowing the year; null where nothing can be earned. */
  readonly ofBest: number | null
}

/** What one more kWh of storage would save in a year, at a size. */
export interface StorageStep {
  /** Usable kWh that this step begins and ends at. */
  readonly from: number
  readonly to: number
  /** Money per kWh and year, run by the option's rule and knowing the year. */
  readonly byRule: number
  readonly atBest: number
}

export interface StoragePicture {
  /** As many as are known so far, by size. */
  readonly worths: readonly StorageWorth[]
  /** Null until all of them are known. */
  readonly steps: readonly StorageStep[] | null
  /** What one more kW of charging and discharging would save, knowing the year: money per kW and year; null without a battery. */
  readonly perKw: number | null
  /**
   * The highest power in the hours that the tariff counts, kW, mean of the months, with the chosen battery and without
   * one; null where it counts none, and until it is known.
   */
  readonly peaks: { readonly kept: number; readonly bare: number } | null
  /** How long the chosen battery carries what stays on when the grid fails; null without one, and until it is known. */
  readonly backup: BackupSummary | null
  /** The house without grid, with each size. */
  readonly offGrid: readonly OffGridSize[]
  /** What is missing in each interval without grid, with the battery that is chosen, kWh; null until all is known. */
  readonly missing: Float32Array | null
}

/** Steps of the curve, and to how many times the chosen size it goes. */
const steps = 10
const times = 2

const sum = (series: Float64Array): number => series.reduce((all, value) => all + value, 0)

/** The money that hours cost under the tariff's prices. */
function costOf(
  { bought, sold }: Pick<Dispatch, 'bought' | 'sold'>,
  buy: Float64Array,
  sell: Float64Array,
): number {
  return bought.reduce((cost, kwh, i) => cost + kwh * (buy[i] ?? 0) - (sold[i] ?? 0) * (sell[i] ?? 0), 0)
}

/** The year of a run as the optimum takes it. */
const caseOf = (run: Run<World>, world: World) => ({
  ...runningOf(run, world),
  ...sunOf(run.value(acStage)),
  loadKwh: run.value(loadThenStage).loadKwh,
  buy: run.value(priceThenStage),
  sell: run.value(exportPriceStage),
  startKwh: null,
})

/**
 * What each battery of the catalogue and of the job makes of this option, one to three of them: the chain from dispatch
 * to payback is run for each on the same graph. Then what further storage would be worth at each size up to twice the chosen one's.
 * What is earned is told by the prices of the hours: steps, demand charges and settlements by month or year are not in
 * the yardstick, but are in the bills.
 * @param tell hears of what is known so far
 * @throws Overtaken when the patience is at its end
 */
export async function storageWorths(
  graph: Graph<World>,
  world: World,
  patience: Patience,
  tell?: (found: StoragePicture) => void,
): Promise<StoragePicture> {
  const worths: StorageWorth[] = []
  const withStorage = (fields: Pick<Storage, 'batteryId' | 'count'>): World => ({
    ...world,
    option: { ...world.option, [storageId]: withFields(storageIn(world), fields) },
  })
  let without: number | null = null
  const own = graph.open(world)
  const { sizes: offGrid, missing } = await offGridSizes(own, world, patience)
  for (const size of sizesOf(catalogueFor(world), storageIn(world), inverterIn(world))) {
    const tried = withStorage(size)
    const run = graph.open(tried)
    await run.prepare([billNowStage, billThenStage, priceStage, financeStage], patience)
    const given = caseOf(run, tried)
    const dispatch = run.value(dispatchStage)
    const cost = costOf(dispatch, given.buy, given.sell)
    without ??= cost
    const battery = batteryRunIn(tried)
    // The highest power is not in the prices of the hours: by them that rule is not judged.
    const isJudged = battery !== null && given.rule !== 'peak-shaving'
    const gain = isJudged ? without - optimum(given, battery).cost : 0
    const [before, after] = [run.value(billNowStage).annual, run.value(billThenStage).annual]
    const consumed = sum(given.loadKwh)
    const usableKwh = battery?.usableKwh ?? 0
    const { paybackYears, npv } = run.value(financeStage)
    worths.push({
      ...size,
      usableKwh,
      bill: after,
      billOffset: before > 0 ? 1 - after / before : 0,
      selfSufficiency: consumed > 0 ? 1 - Math.min(1, sum(dispatch.bought) / consumed) : 0,
      cycles: usableKwh > 0 ? sum(dispatch.discharged) / usableKwh : 0,
      price: run.value(priceStage).net,
      paybackYears,
      npv,
      earned: without - cost,
      ofBest: gain > 0.005 ? (without - cost) / gain : null,
    })
    tell?.({
      worths: [...worths],
      steps: null,
      perKw: null,
      peaks: null,
      backup: null,
      offGrid,
      missing: null,
    })
  }
  await own.prepare([billThenStage], patience)
  const picture = {
    worths,
    ...(await furtherStorage(own, world, patience)),
    peaks: peaksIn(own, world),
    backup: backupOf(own, world),
    offGrid,
    missing,
  }
  tell?.(picture)
  return picture
}

/** What more kWh and kW would be worth; of the kind that is chosen, or of the first there is. */
async function furtherStorage(
  run: Run<World>,
  world: World,
  { pause }: Patience,
): Promise<Pick<StoragePicture, 'steps' | 'perKw'>> {
  const given = caseOf(run, world)
  const chosen = batteryRunIn(world)
  const suiting = suitingBatteries(catalogueFor(world).batteries, inverterIn(world))
  const [sheet] = suiting
  const { reserve, rule } = storageIn(world)
  const whole = chosen ?? (sheet ? asOne({ battery: sheet, count: 1, reserve }, behindIn(world)) : null)
  if (!whole) return { steps: [], perKw: null }
  const stepMinutes = world.weather.value.stepMinutes
  const prices = new TariffYear(formOf(tariffThenIn(world)), {
    clock: run.value(clockStage),
    year: modelYear,
    stepMinutes,
  })
  const costsOf = (share: number) => {
    const battery = {
      ...whole,
      usableKwh: whole.usableKwh * share,
      chargeKw: whole.chargeKw * share,
      dischargeKw: whole.dischargeKw * share,
      standbyKw: (whole.standbyKw ?? 0) * share,
    }
    const dispatch = dispatchBy({ battery: share > 0 ? battery : null, rule, hours: given.hours }, given)
    const byRule =
      rule === 'peak-shaving'
        ? prices.bill(dispatch.bought, dispatch.sold).annual
        : costOf(dispatch, given.buy, given.sell)
    // Knowing the year at the prices of the hours: without a battery both are the same.
    const plain = costOf(dispatch, given.buy, given.sell)
    return { byRule, atBest: share > 0 ? optimum(given, battery).cost : plain }
  }
  const found: StorageStep[] = []
  let before = costsOf(0)
  for (let k = 1; k <= steps; k++) {
    if (!(await pause())) throw new Overtaken()
    const after = costsOf((k * times) / steps)
    const [from, to] = [k - 1, k].map((at) => (whole.usableKwh * at * times) / steps) as [number, number]
    found.push({
      from,
      to,
      byRule: (before.byRule - after.byRule) / (to - from),
      atBest: (before.atBest - after.atBest) / (to - from),
    })
    before = after
  }
  if (!chosen) return { steps: found, perKw: null }
  const more = 0.02
  const stronger = {
    ...chosen,
    chargeKw: chosen.chargeKw * (1 + more),
    dischargeKw: chosen.dischargeKw * (1 + more),
  }
  const perKw = (optimum(given, chosen).cost - optimum(given, stronger).cost) / (more * chosen.dischargeKw)
  return { steps: found, perKw }
}

/** The highest power a month, with the option's battery and without one. */
function peaksIn(run: Run<World>, world: World): StoragePicture['peaks'] {
  const battery = batteryRunIn(world)
  const counted = countedIn(world)
  if (!battery || counted.whens.length === 0) return null
  const hours = countedHours(counted, run.value(clockStage))
  if (!hours) return null
  const { yieldKwh, loadKwh, stepHours } = caseOf(run, world)
  const mean = (bought: Float64Array) =>
    peaksOf(bought, hours).reduce((all, kwh) => all + kwh, 0) / (12 * stepHours)
  const bare = loadKwh.map((load, i) => Math.max(0, load - (yieldKwh[i] ?? 0)))
  return { kept: mean(run.value(dispatchStage).bought), bare: mean(bare) }
}

/** Looked ahead so far. */
const mostBackupHours = 24 * 14

function backupOf(run: Run<World>, world: World): BackupSummary | null {
  const battery = batteryRunIn(world)
  if (!battery) return null
  const { yieldKwh, clippedKwh, stepHours } = caseOf(run, world)
  const hours = backupHours(
    {
      yieldKwh,
      clippedKwh,
      criticalKwh: backedLoad(run, world),
      storedKwh: run.value(dispatchStage).storedKwh,
      stepHours,
    },
    battery,
    mostBackupHours,
  )
  return backupSummary(hours, run.value(clockStage).month, mostBackupHours)
}
