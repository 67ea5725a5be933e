import { type Dispatch } from '../battery/own-use'

/** What of a dispatch decides where one kWh more would go. */
type Flows = Pick<Dispatch, 'sold' | 'curtailed' | 'charged' | 'discharged'>

/**
 * What one kWh more of yield would save or earn in each interval, in money: it is sold where some is sold already, lost
 * where the grid takes no more, stored where the battery is being filled, and used in the place of a bought one else.
 * What is stored is worth what the kWh cost that the battery spares, less what storing loses.
 * @param price of a bought kWh in each interval
 * @param earns of a sold one
 * @param roundTrip share that comes out of the battery of what goes in
 */
export function worthOfYield(
  { sold, curtailed, charged, discharged }: Flows,
  price: Float64Array,
  earns: Float64Array,
  roundTrip: number,
): Float64Array {
  let [spared, cost] = [0, 0]
  discharged.forEach((kwh, i) => {
    spared += kwh
    cost += kwh * (price[i] ?? 0)
  })
  const stored = spared > 0 ? (cost / spared) * roundTrip : 0
  return price.map((bought, i) => {
    if ((curtailed[i] ?? 0) > 0) return 0
    if ((sold[i] ?? 0) > 0) return earns[i] ?? 0
    return (charged[i] ?? 0) > 0 ? stored : bought
  })
}

/**
 * Each module's share of a yield, interval by interval, at what that is worth there: money a year.
 * @param lights of each module, W/m² in each entry
 * @param intervals of the year that the entries are of
 */
export function moduleWorth(
  lights: readonly Float32Array[],
  intervals: ArrayLike<number>,
  yieldKwh: Float64Array,
  worth: Float64Array,
): Float64Array {
  const entries = intervals.length
  const all = new Float64Array(entries)
  for (const light of lights)
    for (let k = 0; k < entries; k++) all[k] = (all[k] as number) + (light[k] as number)
  const perLight = all.map((sum, k) => {
    const i = intervals[k] as number
    return sum > 0 ? ((yieldKwh[i] as number) * (worth[i] as number)) / sum : 0
  })
  return Float64Array.from(lights, (light) => {
    let money = 0
    for (let k = 0; k < entries; k++) money += (light[k] as number) * (perLight[k] as number)
    return money
  })
}
