/** A battery's year as it is shown, one entry an interval: kWh through the meter and the battery, money per kWh. */
export interface BatteryYear {
  readonly yield: ArrayLike<number>
  readonly load: ArrayLike<number>
  readonly charged: ArrayLike<number>
  readonly discharged: ArrayLike<number>
  /** What the battery holds at the interval's end. */
  readonly battery: ArrayLike<number>
  readonly sold: ArrayLike<number>
  /** Of a bought kWh, and of a sold one. */
  readonly price: ArrayLike<number>
  readonly earns: ArrayLike<number>
}

export type BatteryDeed =
  | 'stores-sun'
  | 'leaves-sun'
  | 'fills-from-grid'
  | 'serves-house'
  | 'sells'
  | 'keeps'
  | 'is-full'
  | 'is-empty'

/** What the battery does in an interval, and what for. */
export interface BatteryReason {
  readonly interval: number
  readonly deed: BatteryDeed
  /** Through the battery at the house's side; what is bought or sold past it where it keeps, is full or empty. */
  readonly kwh: number
  /** Of a kWh in this interval: what buying it costs, or selling it earns. */
  readonly price: number
  /** When what is stored or kept comes out again, and what a kWh spares or earns there; null where it stays. */
  readonly later: { readonly interval: number; readonly price: number; readonly sold: boolean } | null
}

/** Less than this is nothing: the series may be single floats, kWh. */
const nothing = 1e-3
const longestHours = 24 * 7

/**
 * Says of each interval of a stretch why the battery does what it does. What goes in last is taken to come out first:
 * it comes out in the interval in which the battery falls below what it held after taking it in.
 * @param from first interval; below zero before New Year, as the year goes round
 * @param battery kWh that are never drawn, that fit in, and that it draws itself in an interval: the house's need with the
 * load
 */
export function batteryReasons(
  year: BatteryYear,
  from: number,
  to: number,
  stepHours: number,
  battery: { readonly floorKwh: number; readonly capKwh: number; readonly ownKwh: number },
): BatteryReason[] {
  const n = year.yield.length
  const at = (series: ArrayLike<number>, i: number): number => series[(i + n) % n] ?? 0
  const most = Math.min(n, Math.round(longestHours / stepHours))
  const over = (i: number) => at(year.yield, i) - at(year.load, i) - battery.ownKwh
  const outOf = (i: number): BatteryReason['later'] => {
    const held = at(year.battery, i)
    for (let j = i + 1; j <= i + most; j++) {
      if (at(year.battery, j) > held - nothing) continue
      const sold = at(year.discharged, j) > Math.max(0, -over(j)) + nothing
      return { interval: j % n, price: at(sold ? year.earns : year.price, j), sold }
    }
    return null
  }
  const reasonAt = (interval: number): BatteryReason | null => {
    const charged = at(year.charged, interval)
    const discharged = at(year.discharged, interval)
    const spare = over(interval)
    const bought = at(year.price, interval)
    const earned = at(year.earns, interval)
    const said = (deed: BatteryDeed, kwh: number, price: number, later = false): BatteryReason => ({
      interval,
      deed,
      kwh,
      price,
      later: later ? outOf(interval) : null,
    })
    if (charged > nothing)
      return charged > Math.max(0, spare) + nothing
        ? said('fills-from-grid', charged, bought, true)
        : said('stores-sun', charged, earned, true)
    if (discharged > nothing)
      return discharged > Math.max(0, -spare) + nothing
        ? said('sells', discharged, earned)
        : said('serves-house', discharged, bought)
    const held = at(year.battery, interval)
    if (spare > nothing) {
      const sold = at(year.sold, interval)
      if (held > battery.capKwh - nothing) return said('is-full', sold, earned)
      return sold > nothing ? said('leaves-sun', sold, earned) : null
    }
    if (spare > -nothing) return null
    return held < battery.floorKwh + nothing
      ? said('is-empty', -spare, bought)
      : said('keeps', -spare, bought, true)
  }
  return Array.from({ length: to - from }, (_, k) => reasonAt((from + k + n) % n)).filter(
    (reason) => reason !== null,
  )
}
