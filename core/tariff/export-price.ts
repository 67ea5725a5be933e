import { type LocalClock } from '../model/local-clock'
import { type TariffForm } from '../kinds/tariff/form'
import { firstHolding } from './when'

/** What of a tariff says what exports earn; what its periods are called does not count. */
interface Exported extends Pick<TariffForm, 'pricePerKwh' | 'exportPerKwh' | 'exports'> {
  readonly periods: readonly Omit<TariffForm['periods'][number], 'name'>[]
}

/**
 * What a kWh that goes out earns in every interval; under net metering what one bought there costs.
 * @param clock with holidays as weekends
 */
export function exportPrices(form: Exported, clock: LocalClock): Float64Array {
  const { exports } = form
  const n = clock.hour.length
  if (exports.kind === 'none') return new Float64Array(n)
  if (exports.kind === 'feed-in') return new Float64Array(n).fill(exports.perKwh)
  if (exports.kind === 'net-billing') {
    const { intervals, board, perKwh } = exports
    // Those of a finer or coarser year hold in proportion.
    if (intervals)
      return Float64Array.from(
        { length: n },
        (_, i) => intervals[Math.floor((i * intervals.length) / n)] ?? 0,
      )
    if (board)
      return Float64Array.from(clock.hour, (hour, i) => {
        const rows = clock.weekend[i] === 1 ? board.weekend : board.weekday
        return rows[clock.month[i] ?? 0]?.[hour] ?? 0
      })
    if (perKwh !== undefined) return new Float64Array(n).fill(perKwh)
  }
  const metered = exports.kind === 'net-metering'
  const usual = metered ? form.pricePerKwh : form.exportPerKwh
  const prices = form.periods.map((period) => (metered ? period.pricePerKwh : (period.exportPerKwh ?? usual)))
  if (prices.every((price) => price === usual)) return new Float64Array(n).fill(usual)
  const holding = firstHolding(form.periods, clock)
  const out = new Float64Array(n)
  for (let i = 0; i < n; i++) out[i] = prices[holding[i] as number] ?? usual
  return out
}
