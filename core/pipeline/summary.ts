import { type Vec3 } from '../geometry/vector'
import { checksOf } from './checks'
import { shadeBill, nameOf } from './energy-lines'
import { type Check, type LedgerLine } from './explanation'
import { ledgerOf } from './ledger'
import { type LossChain } from './loss-chain'
import { type StageTime } from './memo'
import { type PipelineResult } from './pipeline'

/** One module's figures for the stage. */
export interface PanelFigures {
  readonly id: string
  readonly arrayId: string
  readonly slot: string
  readonly corners: readonly [Vec3, Vec3, Vec3, Vec3]
  /** Light behind the glass over the year, kWh/m². */
  readonly sunKwhM2: number
  /** Share of the unshaded light that is left. */
  readonly sunAccess: number
  /** What costs it most: id and kWh; null in the open. */
  readonly worst: { readonly id: string; readonly kwh: number } | null
  readonly stringId: string | null
}

/** What a run shows, as plain data that crosses from a worker: the ledger, the checks, the modules and the charts. */
export interface RunSummary {
  readonly ledger: readonly LedgerLine[]
  readonly checks: readonly Check[]
  readonly count: number
  readonly powerW: number
  readonly panels: readonly PanelFigures[]
  /** From the light to the house, stage by stage and month by month. */
  readonly chain: LossChain
  /** Standard time of the weather, that the series below are counted in. */
  readonly timeZoneHours: number
  /** Hourly series for the carpet, kWh an interval; `shade` is the share of light lost. */
  readonly carpet: {
    readonly stepMinutes: number
    readonly sun: Float32Array
    readonly shade: Float32Array
    readonly yield: Float32Array
    readonly load: Float32Array
    readonly net: Float32Array
    readonly battery: Float32Array
    readonly price: Float32Array
    /** Hours the local clock is ahead of standard time. */
    readonly clockHour: Uint8Array
  }
  readonly monthly: {
    readonly yieldKwh: readonly number[]
    readonly loadKwh: readonly number[]
    readonly usedKwh: readonly number[]
    readonly billBefore: readonly number[]
    readonly billAfter: readonly number[]
  }
  readonly cash: {
    readonly cumulative: readonly number[]
    readonly before: readonly number[]
    readonly after: readonly number[]
  }
  readonly shadeBill: readonly { readonly id: string; readonly name: string; readonly kwh: number }[]
  readonly strings: readonly {
    readonly id: string
    readonly input: number
    readonly panelIds: readonly string[]
    readonly coldV: number
    readonly hotV: number
  }[]
  readonly window: { readonly fewest: number; readonly most: number; readonly coldVmpV: number }
  /** Whether snow on the modules comes from the weather's snow depth. */
  readonly snowComputed: boolean
  readonly times: readonly StageTime[]
}

export function summarise(result: PipelineResult): RunSummary {
  const { ac, dispatch, clock, loadKwh, wiring, module } = result
  const byMonth = (series: Float64Array) => {
    const months = new Array<number>(12).fill(0)
    series.forEach((kwh, i) => {
      const month = clock.month[i] as number
      months[month] = (months[month] as number) + kwh
    })
    return months
  }
  const used = dispatch.usedDirect.map((kwh, i) => kwh + (dispatch.discharged[i] as number))
  const stringOf = new Map(wiring.strings.flatMap((s) => s.panelIds.map((id) => [id, s.id] as const)))
  const light = lightSeries(result)
  return {
    ledger: ledgerOf(result),
    checks: checksOf(result),
    count: result.count,
    powerW: result.powerW,
    chain: result.chain,
    timeZoneHours: result.input.weather.timeZoneHours,
    panels: result.laid.arrays.flatMap((array, a) =>
      array.panels.map((panel, p): PanelFigures => {
        const figures = result.panelLights[a]?.[p]?.light
        const losses = Object.entries(figures?.lostTo ?? {}).sort((x, y) => y[1] - x[1])[0]
        return {
          id: panel.id,
          arrayId: array.id,
          slot: panel.slot,
          corners: panel.corners,
          sunKwhM2: figures?.meanKwhM2 ?? 0,
          sunAccess: figures && figures.unshadedKwhM2 > 0 ? figures.meanKwhM2 / figures.unshadedKwhM2 : 1,
          worst: losses ? { id: losses[0], kwh: (losses[1] * module.powerW) / 1000 } : null,
          stringId: stringOf.get(panel.id) ?? null,
        }
      }),
    ),
    carpet: {
      stepMinutes: result.sun.stepMinutes,
      ...light,
      yield: Float32Array.from(ac.kwhByInterval),
      load: Float32Array.from(loadKwh),
      net: Float32Array.from(dispatch.sold, (kwh, i) => kwh - (dispatch.bought[i] as number)),
      battery: Float32Array.from(dispatch.storedKwh),
      price: Float32Array.from(result.after.price),
      clockHour: clock.hour.slice(),
    },
    monthly: {
      yieldKwh: byMonth(ac.kwhByInterval),
      loadKwh: byMonth(loadKwh),
      usedKwh: byMonth(used),
      billBefore: result.before.bill.monthly,
      billAfter: result.after.bill.monthly,
    },
    cash: {
      cumulative: result.money.cumulative,
      before: result.money.years.map((year) => year.billBefore),
      after: result.money.years.map((year) => year.billAfter),
    },
    shadeBill: [...shadeBill(result).by]
      .map(([id, kwh]) => ({ id, name: nameOf(result, id), kwh }))
      .sort((a, b) => b.kwh - a.kwh),
    strings: wiring.strings.map((string) => ({
      ...string,
      coldV: string.panelIds.length * wiring.window.coldVocV,
      hotV: string.panelIds.length * wiring.window.hotVmpV,
    })),
    window: {
      fewest: wiring.window.fewest,
      most: wiring.window.most,
      coldVmpV: wiring.window.coldVmpV,
    },
    snowComputed: result.input.weather.snowDepthM !== null,
    times: result.times,
  }
}

/** Light on the modules hour by hour (the horizontal's where none are laid) and the share that shade takes of it. */
function lightSeries(result: PipelineResult): { sun: Float32Array; shade: Float32Array } {
  const { sun, input } = result
  const out = { sun: new Float32Array(sun.intervals), shade: new Float32Array(sun.intervals) }
  if (result.count === 0) {
    out.sun.set(input.weather.ghi)
    return out
  }
  for (let k = 0; k < sun.interval.length; k++) {
    let open = 0
    let left = 0
    result.panelLights.forEach((panels, a) => {
      const light = result.light[a]
      if (!light) return
      open +=
        panels.length *
        ((light.direct[k] as number) +
          (light.dome[k] as number) +
          (light.horizon[k] as number) +
          (light.ground[k] as number))
      for (const panel of panels) left += panel.light.mean[k] as number
    })
    const i = sun.interval[k] as number
    out.sun[i] = left / result.count
    out.shade[i] = open > 1 ? Math.max(0, 1 - left / open) : 0
  }
  return out
}
