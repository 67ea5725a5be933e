import { type CablePlan } from '../cables/cable-plan'
import { type Electronics } from '../electrical/electronics'
import { type StringWindow } from '../electrical/stringing'
import { type LossChain } from '../energy/loss-chain'
import { type Run, type StageTime } from '../graph/run'
import { type Check } from '../model/ledger'
import { billNowStage, billThenStage } from '../stages/bills'
import { cablesStage, isWiredIn } from '../stages/cables'
import { carpetStage, useByMonthStage, type Carpet } from '../stages/carpet'
import { moduleShareStage, stringShareStage, stringSumStage } from '../stages/dc'
import { type PartsPrice, type Price } from '../finance/price'
import { type RunYear } from '../finance/aged'
import { type Money } from '../finance/ways'
import { financeStage, priceStage, yearsStage } from '../stages/finance'
import { powerStage } from '../stages/power'
import { lossChainStage } from '../stages/loss-chain'
import { panelLightStage } from '../stages/panel-light'
import { partsPriceStage } from '../stages/parts-price'
import { shadeBillStage, type ShadeCost } from '../stages/shade-bill'
import { stringsStage } from '../stages/strings'
import { moduleIn, type World } from '../stages/world'
import { type FormBill } from '../tariff/bill-lines'
import { type ShownLine } from './books'
import { checksOf, ledgerOf } from './ledger'
import { ratedPanels, type RatedPanel } from './rated-panels'

/** One module's figures for the stage. */
export interface PanelFigures extends RatedPanel {
  /** What costs it most: id and kWh; null in the open. */
  readonly worst: { readonly id: string; readonly kwh: number } | null
  readonly stringId: string | null
}

/** What a run shows, as plain data that crosses from a worker: the ledger, the checks, the modules and the charts. */
export interface RunSummary {
  readonly ledger: readonly ShownLine[]
  readonly checks: readonly Check[]
  readonly count: number
  readonly powerW: number
  readonly panels: readonly PanelFigures[]
  /** From the light to the house, stage by stage and month by month. */
  readonly chain: LossChain
  /** Standard time of the weather, that the series below are counted in. */
  readonly timeZoneHours: number
  readonly carpet: Carpet
  readonly monthly: {
    readonly yieldKwh: readonly number[]
    readonly loadKwh: readonly number[]
    readonly boughtKwh: readonly number[]
    readonly usedKwh: readonly number[]
    readonly soldKwh: readonly number[]
    readonly batteryLostKwh: readonly number[]
    readonly curtailedKwh: readonly number[]
    readonly billBefore: readonly number[]
    readonly billAfter: readonly number[]
  }
  /** Twelve bills line by line, as they are now and with solar. */
  readonly bills: { readonly before: FormBill; readonly after: FormBill }
  readonly cash: {
    readonly cumulative: readonly number[]
    readonly before: readonly number[]
    readonly after: readonly number[]
  }
  /** Every way to pay, year by year. */
  readonly money: Money
  readonly price: Price
  /** Of the parts list, where the price follows from it. */
  readonly partsPrice: PartsPrice | null
  /** The years to come at today's prices. */
  readonly aged: readonly RunYear[]
  /** What casts shade, the costliest first. */
  readonly shadeBill: readonly ShadeCost[]
  readonly strings: readonly {
    readonly id: string
    readonly input: number
    readonly panelIds: readonly string[]
    /** As in `PanelString`. */
    readonly drawn?: number
    /** Of the string; where its modules have electronics of their own, of one of them. */
    readonly coldV: number
    readonly hotV: number
    /** kWh of the year at its modules, and what mismatch takes from it. */
    readonly kwh: number
    readonly mismatchKwh: number
    /** Of the energy that all strings give in the year. */
    readonly share: number
    /** Its modules' parts of that. */
    readonly moduleShares: readonly number[]
  }[]
  /** Between what has its place, and whether that is enough for the year to count their losses. */
  readonly cables: CablePlan
  readonly wired: boolean
  readonly electronics: Electronics
  /** Modules that have an optimizer. */
  readonly optimized: readonly string[]
  /** Modules of each microinverter; none where there is another inverter. */
  readonly devices: readonly (readonly string[])[]
  /** How many inverters there are. */
  readonly inverters: number
  /** How many modules a string may have, or microinverters a branch, and the volts of a module. */
  readonly window: StringWindow
  /** Whether snow on the modules comes from the weather's snow depth. */
  readonly snowComputed: boolean
  readonly times: readonly StageTime[]
}

/** Everything the page shows of a run. Its series are the cache's own: whoever sends them away sends copies. */
export function summarise(run: Run<World>, world: World): RunSummary {
  const chain = run.value(lossChainStage)
  const money = run.value(financeStage)
  const bills = money.years.slice(1)
  const { electronics, optimized, window, strings, devices, inverters } = run.value(stringsStage)
  const inSeries = (panelIds: readonly string[]) => (electronics === 'none' ? panelIds.length : 1)
  const [shares, moduleShares] = [run.value(stringShareStage), run.value(moduleShareStage)]
  const sums = run.value(stringSumStage)
  const [before, after] = [run.value(billNowStage), run.value(billThenStage)]
  return {
    ledger: ledgerOf(run),
    checks: checksOf(run),
    ...run.value(powerStage),
    chain,
    timeZoneHours: world.weather.value.timeZoneHours,
    panels: panelFigures(run, world),
    carpet: run.value(carpetStage),
    monthly: {
      yieldKwh: chain.ac.monthly,
      ...run.value(useByMonthStage),
      billBefore: before.months.map(({ total }) => total),
      billAfter: after.months.map(({ total }) => total),
    },
    bills: { before, after },
    cash: {
      cumulative: money.cumulative,
      before: bills.map(({ billBefore }) => billBefore),
      after: bills.map(({ billAfter }) => billAfter),
    },
    money,
    price: run.value(priceStage),
    partsPrice: run.value(partsPriceStage)[0]?.value ?? null,
    aged: run.value(yearsStage),
    shadeBill: run.value(shadeBillStage).casters,
    strings: strings.map((string, i) => ({
      ...string,
      ...(sums[i] ?? { kwh: 0, mismatchKwh: 0 }),
      share: shares[i] ?? 0,
      moduleShares: moduleShares[i] ?? [],
      coldV: inSeries(string.panelIds) * window.coldVocV,
      hotV: inSeries(string.panelIds) * window.hotVmpV,
    })),
    cables: run.value(cablesStage),
    wired: isWiredIn(world),
    electronics,
    optimized,
    devices,
    inverters,
    window,
    snowComputed: world.weather.value.snowDepthM !== null,
    times: run.times,
  }
}

function panelFigures(run: Run<World>, world: World): PanelFigures[] {
  const lights = run.value(panelLightStage)
  const { powerW } = moduleIn(world)
  const stringOf = new Map(
    run
      .value(stringsStage)
      .strings.flatMap(({ id, panelIds }) => panelIds.map((panel) => [panel, id] as const)),
  )
  return ratedPanels(run).map((panel, at): PanelFigures => {
    const { lostTo = [] } = lights[at]?.value ?? {}
    const worst = lostTo.reduce<{ id: string; kwh: number } | null>(
      (most, { caster, beamKwhM2, skyKwhM2 }) => {
        const kwh = ((beamKwhM2 + skyKwhM2) * powerW) / 1000
        return kwh > (most?.kwh ?? 0) ? { id: caster, kwh } : most
      },
      null,
    )
    return { ...panel, worst, stringId: stringOf.get(panel.id) ?? null }
  })
}
