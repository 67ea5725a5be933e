import { type SunHours } from '../sun/sun-hours'
import { acLosses, type AcLoss, type AcYear } from './ac'
import { dcLosses, type DcLoss, type DcYear } from './dc'

export type LossName = DcLoss | AcLoss
export const lossNames: readonly LossName[] = [...dcLosses, ...acLosses]

/** kWh by month, January first; the year is the sum of the months. */
export interface MonthlyKwh {
  readonly monthly: readonly number[]
  readonly kwh: number
}

/** The year's energy from the light on the modules to the house: `sun` less all of `lost` is `ac`. */
export interface LossChain {
  readonly sun: MonthlyKwh
  readonly lost: Readonly<Record<LossName, MonthlyKwh>>
  readonly ac: MonthlyKwh
}

/** Sums by month, hour after hour in their order, so that a month is exactly its hours. */
export function byMonth(
  values: Float64Array,
  months: Uint8Array,
  factor = 1,
  interval?: Int32Array,
): MonthlyKwh {
  const monthly = new Array<number>(12).fill(0)
  for (let k = 0; k < values.length; k++) {
    const month = months[interval ? (interval[k] as number) : k] as number
    monthly[month] = (monthly[month] as number) + (values[k] as number) * factor
  }
  return { monthly, kwh: monthly.reduce((sum, kwh) => sum + kwh, 0) }
}

/** @param months 0..11, one an interval of the year */
export function lossChain(dc: DcYear, ac: AcYear, sun: SunHours, months: Uint8Array): LossChain {
  const kwh = sun.stepMinutes / 60_000
  const early = (values: Float64Array) => byMonth(values, months, kwh, sun.interval)
  return {
    sun: early(dc.sunW),
    lost: {
      ...(Object.fromEntries(dcLosses.map((name) => [name, early(dc.lostW[name])])) as Record<
        DcLoss,
        MonthlyKwh
      >),
      ...(Object.fromEntries(acLosses.map((name) => [name, byMonth(ac.lostKwh[name], months)])) as Record<
        AcLoss,
        MonthlyKwh
      >),
    },
    ac: byMonth(ac.kwhByInterval, months),
  }
}

/** Each loss as a step from what came to it to what it left, kWh of the year. */
export function lossSteps(
  chain: LossChain,
): { readonly name: LossName; readonly lost: number; readonly from: number; readonly to: number }[] {
  let rest = chain.sun.kwh
  return lossNames.map((name) => {
    const lost = chain.lost[name].kwh
    const from = rest
    rest -= lost
    return { name, lost, from, to: rest }
  })
}
