import { type Tariff, type TariffPeriod } from '../kinds/tariff/tariff'
import { type LocalClock } from '../model/local-clock'
import { firstHolding } from './when'

/** The prices of a tariff; what its periods are called does not count. */
export interface Prices extends Pick<Tariff, 'pricePerKwh'> {
  readonly periods: readonly Omit<TariffPeriod, 'name'>[]
  /** On every kWh bought, beside its price. */
  readonly nonBypassablePerKwh?: number
}

/**
 * Price of a bought kWh in every interval: the first period that matches, else the tariff's own price.
 * @param clock with holidays as weekends
 */
export function hourlyPrice(tariff: Prices, clock: LocalClock): Float64Array {
  const holding = firstHolding(tariff.periods, clock)
  const always = tariff.nonBypassablePerKwh ?? 0
  const out = new Float64Array(holding.length)
  for (let i = 0; i < out.length; i++)
    out[i] = (tariff.periods[holding[i] as number]?.pricePerKwh ?? tariff.pricePerKwh) + always
  return out
}
