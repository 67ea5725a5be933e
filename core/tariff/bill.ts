import { type Tariff } from '../kinds/tariff/tariff'
import { type LocalClock } from '../model/local-clock'

export interface Bill {
  /** Currency by local month; credits may bring one below zero. */
  readonly monthly: readonly number[]
  readonly annual: number
  readonly energy: number
  readonly credit: number
  readonly fixed: number
}

/**
 * Twelve bills: fixed charge, energy bought at its hour's price, less exports at theirs (net billing).
 * @param price of a bought kWh in each interval
 * @param boughtKwh kWh in each interval
 * @param soldKwh kWh in each interval; absent before there is a system
 */
export function billOf(
  tariff: Pick<Tariff, 'fixedPerMonth' | 'exportPerKwh'>,
  price: Float64Array,
  clock: LocalClock,
  boughtKwh: Float64Array,
  soldKwh?: Float64Array,
): Bill {
  const monthly = new Array<number>(12).fill(tariff.fixedPerMonth)
  let energy = 0
  let credit = 0
  for (let i = 0; i < boughtKwh.length; i++) {
    const month = clock.month[i] as number
    const cost = (boughtKwh[i] as number) * (price[i] as number)
    const earned = soldKwh ? (soldKwh[i] as number) * tariff.exportPerKwh : 0
    energy += cost
    credit += earned
    monthly[month] = (monthly[month] as number) + cost - earned
  }
  const fixed = 12 * tariff.fixedPerMonth
  return { monthly, annual: fixed + energy - credit, energy, credit, fixed }
}
