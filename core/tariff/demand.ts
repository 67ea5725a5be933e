import { type TariffForm } from '../kinds/tariff/form'
import { type Metered } from './bill-lines'
import { firstHolding } from './when'

/**
 * The power that each month is billed for, kW: the greatest mean over the charge's minutes, no shorter than the data
 * are, and no less than the ratchet's share of the greatest of all other months.
 */
export function demandByMonth(
  charge: TariffForm['demand'][number],
  { clock, stepMinutes, boughtKwh }: Metered,
): number[] {
  const holding = firstHolding([charge], clock)
  const block = Math.max(1, Math.round(charge.minutes / stepMinutes))
  const hours = (block * stepMinutes) / 60
  const peaks = new Array<number>(12).fill(0)
  for (let first = 0; first < boughtKwh.length; first += block) {
    if (holding[first] === -1) continue
    let kwh = 0
    for (let i = first; i < first + block; i++) kwh += boughtKwh[i] ?? 0
    const m = clock.month[first] ?? 0
    peaks[m] = Math.max(peaks[m] ?? 0, kwh / hours)
  }
  return peaks.map((peak, m) =>
    Math.max(peak, charge.ratchet * Math.max(...peaks.map((other, o) => (o === m ? 0 : other)))),
  )
}
