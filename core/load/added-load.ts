import { type AddedLoad } from '../kinds/load/load'
import { type LocalClock } from '../model/local-clock'
import { inHours } from '../model/hours-of-day'

/** What a year is like where something is added to its consumption; one entry an interval. */
export interface AddedTo {
  readonly clock: LocalClock
  /** °C in the air; null where nothing depends on it. */
  readonly airC: ArrayLike<number> | null
}

type Bare<T> = T extends unknown ? Omit<T, 'id' | 'name' | 'on'> : never
/** What is computed of an added load; neither its name nor whether it counts. */
export type BareLoad = Bare<AddedLoad>

export function bareLoad({ id: _id, name: _name, on: _on, ...bare }: AddedLoad): BareLoad {
  return bare
}

/** All but cars, which go by prices and by what the roof gives, see `cars.ts`. */
export type SteadyLoad = Exclude<BareLoad, { what: 'car' }>

/** What one thing uses in each interval, kWh. */
export function addedLoad(added: SteadyLoad, year: AddedTo): Float64Array {
  switch (added.what) {
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
