/** A battery as the run sees it. Power in kW at the house's side, energy in kWh inside. */
export interface BatteryRun {
  readonly usableKwh: number
  readonly chargeKw: number
  readonly dischargeKw: number
  /** Each way. */
  readonly efficiency: number
  /** Share of the usable energy never drawn in normal running. */
  readonly reserve: number
}

export interface Dispatch {
  /** kWh in each interval. */
  readonly bought: Float64Array
  readonly sold: Float64Array
  /** Of the yield: used in the house at once. */
  readonly usedDirect: Float64Array
  readonly charged: Float64Array
  readonly discharged: Float64Array
  /** Inside the battery at the interval's end. */
  readonly storedKwh: Float64Array
  /** Yield that neither house, battery nor grid could take. */
  readonly curtailed: Float64Array
}

/** What becomes of one interval; overwritten by the next. */
interface OwnUse {
  direct: number
  charged: number
  discharged: number
  stored: number
  bought: number
  sold: number
  curtailed: number
}

/**
 * Own use first: yield serves the house, then fills the battery, then goes out up to the limit; the battery serves the
 * house before the grid does. Interval after interval from an empty battery; the result is the same object each time.
 */
export function ownUse(
  stepHours: number,
  battery: BatteryRun | null,
  exportLimitKw: number | null,
): (yieldKwh: number, loadKwh: number) => OwnUse {
  const floor = battery ? battery.usableKwh * battery.reserve : 0
  const limit = exportLimitKw === null ? Infinity : exportLimitKw * stepHours
  const out = { direct: 0, charged: 0, discharged: 0, stored: floor, bought: 0, sold: 0, curtailed: 0 }
  return (made, load) => {
    // Below zero at night: the inverter itself is a load.
    const produced = Math.max(0, made)
    const wanted = load + Math.max(0, -made)
    out.direct = Math.min(produced, wanted)
    let spare = produced - out.direct
    let need = wanted - out.direct
    if (battery) {
      out.charged = Math.max(
        0,
        Math.min(spare, battery.chargeKw * stepHours, (battery.usableKwh - out.stored) / battery.efficiency),
      )
      out.stored += out.charged * battery.efficiency
      spare -= out.charged
      out.discharged = Math.max(
        0,
        Math.min(need, battery.dischargeKw * stepHours, (out.stored - floor) * battery.efficiency),
      )
      out.stored -= out.discharged / battery.efficiency
      need -= out.discharged
    }
    out.sold = Math.min(spare, limit)
    out.curtailed = spare - out.sold
    out.bought = need
    return out
  }
}

/** A year of `ownUse`, interval by interval. The year begins as it ends: with a battery it is run twice. */
export function dispatchOwnUse(
  yieldKwh: Float64Array,
  loadKwh: Float64Array,
  stepHours: number,
  battery: BatteryRun | null,
  exportLimitKw: number | null,
): Dispatch {
  const n = yieldKwh.length
  const series = () => new Float64Array(n)
  const out = {
    bought: series(),
    sold: series(),
    usedDirect: series(),
    charged: series(),
    discharged: series(),
    storedKwh: series(),
    curtailed: series(),
  }
  const next = ownUse(stepHours, battery, exportLimitKw)
  for (let round = battery ? 0 : 1; round < 2; round++)
    for (let i = 0; i < n; i++) {
      const step = next(yieldKwh[i] as number, loadKwh[i] as number)
      out.usedDirect[i] = step.direct
      out.charged[i] = step.charged
      out.discharged[i] = step.discharged
      out.storedKwh[i] = step.stored
      out.sold[i] = step.sold
      out.curtailed[i] = step.curtailed
      out.bought[i] = step.bought
    }
  return out
}
