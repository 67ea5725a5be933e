import { type Tariff, type TariffPeriod } from '../kinds/tariff/tariff'
import { type LocalClock } from '../model/local-clock'

/** The prices of a tariff; what its periods are called does not count. */
export interface Prices extends Pick<Tariff, 'pricePerKwh'> {
  readonly periods: readonly Omit<TariffPeriod, 'name'>[]
}

const inHours = (period: Prices['periods'][number], hour: number) =>
  period.fromHour === period.toHour
    ? true
    : period.fromHour < period.toHour
      ? hour >= period.fromHour && hour < period.toHour
      : hour >= period.fromHour || hour < period.toHour

/** Price of a bought kWh in every interval: the first period that matches, else the tariff's own price. */
export function hourlyPrice(tariff: Prices, clock: LocalClock): Float64Array {
  // 12 months by two day kinds by 24 hours say it all.
  const table = new Float64Array(12 * 2 * 24)
  for (let month = 0; month < 12; month++)
    for (let weekend = 0; weekend < 2; weekend++)
      for (let hour = 0; hour < 24; hour++) {
        const period = tariff.periods.find(
          (p) =>
            (p.months.length === 0 || p.months.includes(month + 1)) &&
            (p.days === 'all' || (p.days === 'weekend') === (weekend === 1)) &&
            inHours(p, hour),
        )
        table[(month * 2 + weekend) * 24 + hour] = period?.pricePerKwh ?? tariff.pricePerKwh
      }
  return Float64Array.from(
    clock.hour,
    (hour, i) => table[((clock.month[i] ?? 0) * 2 + (clock.weekend[i] ?? 0)) * 24 + hour] as number,
  )
}
