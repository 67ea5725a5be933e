import { type AddedLoad } from '../kinds/load/load'
import { type LocalClock } from '../model/local-clock'
import { inHours } from '../model/hours-of-day'

/** What a year is like where something is added to its consumption; one entry an interval. */
export interface AddedTo {
  readonly clock: LocalClock
  readonly stepMinutes: number
  /** Of a bought kWh. */
  readonly price: Float64Array
  /** °C in the air; null where nothing depends on it. */
  readonly airC: ArrayLike<number> | null
}

/** What one thing uses in each interval, kWh. */
export function addedLoad(added: AddedLoad, year: AddedTo): Float64Array {
  switch (added.what) {
    case 'car':
      return carLoad(added, year)
    case 'heating':
      return spread(added.kwhPerYear, year, (i) => Math.max(0, added.baseC - (year.airC?.[i] ?? added.baseC)))
    case 'cooling':
      return spread(added.kwhPerYear, year, (i) => Math.max(0, (year.airC?.[i] ?? added.baseC) - added.baseC))
    case 'hours': {
      const { month, hour } = year.clock
      const holds = (i: number) =>
        (added.months.length === 0 || added.months.includes((month[i] ?? 0) + 1)) &&
        inHours(added, hour[i] ?? 0)
      return spread(added.kwhPerYear, year, (i) => (holds(i) ? 1 : 0))
    }
  }
}

/** A year's energy in proportion to something; nothing where that is nowhere. */
function spread(kwhPerYear: number, { clock }: AddedTo, weight: (interval: number) => number): Float64Array {
  const out = Float64Array.from(clock.hour, (_, i) => weight(i))
  const total = out.reduce((sum, value) => sum + value, 0)
  return out.map((value) => (total > 0 ? (value * kwhPerYear) / total : 0))
}

/**
 * A car that comes home each day with the same to be charged: at once, or in the cheapest hours that it stands there.
 * What the charger cannot give while it stands there is not charged.
 */
function carLoad(
  car: Extract<AddedLoad, { what: 'car' }>,
  { clock, stepMinutes, price }: AddedTo,
): Float64Array {
  const out = new Float64Array(clock.hour.length)
  const most = (car.chargerKw * stepMinutes) / 60
  const stays = staysOf(car, clock.hour)
  // A stay that New Year cuts in two wants its part in each.
  const hours = stays.reduce((sum, { from, to }) => sum + to - from, 0)
  for (const { from, to } of stays) {
    let wanted = (car.kwhPerYear * (to - from)) / hours
    const order = Array.from({ length: to - from }, (_, k) => from + k)
    if (car.charging === 'cheapest')
      order.sort((a, b) => (price[a] as number) - (price[b] as number) || a - b)
    for (const i of order) {
      const kwh = Math.min(most, wanted)
      out[i] = kwh
      wanted -= kwh
      if (wanted <= 0) break
    }
  }
  return out
}

/** The stretches that it stands at home: first interval, and the one after the last. */
function staysOf(
  car: { readonly fromHour: number; readonly toHour: number },
  hour: Uint8Array,
): { readonly from: number; readonly to: number }[] {
  const stays: { from: number; to: number }[] = []
  for (let i = 0; i < hour.length; i++) {
    if (!inHours(car, hour[i] as number)) continue
    const last = stays.at(-1)
    // One that never leaves begins a new day at its hour.
    const begins = hour[i] === car.fromHour % 24 && hour[i - 1] !== hour[i]
    if (last?.to === i && !begins) last.to = i + 1
    else stays.push({ from: i, to: i + 1 })
  }
  return stays
}
