import { type BatteryRun } from './battery-run'
import { type Dispatch } from './own-use'

const mostRounds = 80
/** Then halving what lies between finds what going round does not. */
const easyRounds = 20
const settled = 1e-10

/**
 * A year that ends as it begins: a round mostly begins where the one before ended.
 * @param run a year from what is inside at its start, kWh
 */
export function roundYear(battery: BatteryRun, run: (startKwh: number) => Dispatch): Dispatch {
  const endOf = (year: Dispatch) => year.storedKwh.at(-1) ?? 0
  let [low, high] = [battery.usableKwh * battery.reserve, battery.usableKwh]
  let from = low
  let year = run(from)
  for (let round = 0; round < mostRounds && Math.abs(endOf(year) - from) > settled; round++) {
    if (endOf(year) > from) low = from
    else high = from
    from = round < easyRounds ? endOf(year) : (low + high) / 2
    year = run(from)
  }
  return year
}
