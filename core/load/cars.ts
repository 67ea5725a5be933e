import { inHours } from '../model/hours-of-day'
import { type LocalClock } from '../model/local-clock'
import { type BareLoad } from './added-load'

export type Car = Extract<BareLoad, { what: 'car' }>

/** What a house uses without its cars, and what these go by; one entry an interval. */
export interface HouseWithCars {
  /** kWh without them. */
  readonly steadyKwh: Float64Array
  readonly cars: readonly Car[]
  readonly clock: LocalClock
  readonly stepMinutes: number
  /** Of a bought kWh. */
  readonly price: Float64Array
}

/** What a house uses with its cars. */
export interface CarYear {
  readonly loadKwh: Float64Array
  /** Of that, what cars that wait for it take from what the roof has left, kWh a year. */
  readonly onSurplusKwh: number
}

/**
 * Places the charging of cars in a year. Each comes home every day with the same to be charged: at once, in the cheapest
 * hours that it stands there, or as the roof has more than all else in the house uses, and what is missing then in the
 * cheapest hours of the same stay, as if the day ahead were known. Those that wait for the sun are served last, one after
 * the other and before any battery. What a charger cannot give while its car stands there is not charged.
 * @param yieldKwh what the roof gives; null without one
 */
export function withCars(house: HouseWithCars, yieldKwh: Float64Array | null): CarYear {
  const { steadyKwh, cars } = house
  if (cars.length === 0) return { loadKwh: steadyKwh, onSurplusKwh: 0 }
  const loadKwh = steadyKwh.slice()
  let onSurplusKwh = 0
  for (const car of asServed(cars)) onSurplusKwh += charge(car, house, loadKwh, waits(car) ? yieldKwh : null)
  return { loadKwh, onSurplusKwh }
}

/** What each of the cars takes in every interval, kWh, in the order that they are given. */
export function eachCar(house: HouseWithCars, yieldKwh: Float64Array | null): Float64Array[] {
  const loadKwh = house.steadyKwh.slice()
  const taken = new Map<Car, Float64Array>()
  for (const car of asServed(house.cars)) {
    const before = loadKwh.slice()
    charge(car, house, loadKwh, waits(car) ? yieldKwh : null)
    taken.set(
      car,
      loadKwh.map((kwh, i) => kwh - (before[i] as number)),
    )
  }
  return house.cars.map((car) => taken.get(car) ?? new Float64Array(loadKwh.length))
}

/** Those that wait for the sun are served last. */
const asServed = (cars: readonly Car[]): Car[] => [
  ...cars.filter((car) => !waits(car)),
  ...cars.filter((car) => waits(car)),
]

const waits = ({ charging }: Car): boolean => charging === 'on-surplus'

/** The same for many yields, one after the other; without a car that waits for the sun all of them have the same load. */
export function loadUnder(house: HouseWithCars): (yieldKwh: Float64Array) => Float64Array {
  if (house.cars.some(waits)) return (yieldKwh) => withCars(house, yieldKwh).loadKwh
  const { loadKwh } = withCars(house, null)
  return () => loadKwh
}

/**
 * Adds a car to a load.
 * @param loadKwh added to
 * @returns kWh that it took from what the roof had left
 */
function charge(
  car: Car,
  { clock, stepMinutes, price }: HouseWithCars,
  loadKwh: Float64Array,
  yieldKwh: Float64Array | null,
): number {
  const most = (car.chargerKw * stepMinutes) / 60
  const stays = staysOf(car, clock.hour)
  // A stay that New Year cuts in two wants its part in each.
  const hours = stays.reduce((sum, { from, to }) => sum + to - from, 0)
  let onSurplus = 0
  for (const { from, to } of stays) {
    let wanted = (car.kwhPerYear * (to - from)) / hours
    const taken = new Float64Array(to - from)
    const take = (i: number, kwh: number) => {
      taken[i - from] = (taken[i - from] as number) + kwh
      loadKwh[i] = (loadKwh[i] as number) + kwh
      wanted -= kwh
    }
    if (yieldKwh)
      for (let i = from; i < to && wanted > 0; i++) {
        const spare = (yieldKwh[i] as number) - (loadKwh[i] as number)
        const kwh = Math.min(most, wanted, Math.max(0, spare))
        take(i, kwh)
        onSurplus += kwh
      }
    const order = Array.from({ length: to - from }, (_, k) => from + k)
    if (car.charging !== 'at-once') order.sort((a, b) => (price[a] as number) - (price[b] as number) || a - b)
    for (const i of order) {
      if (wanted <= 0) break
      take(i, Math.min(most - (taken[i - from] as number), wanted))
    }
  }
  return onSurplus
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
