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

/**
 * Own use first: yield serves the house, then fills the battery, then goes out up to the limit; the battery serves the
 * house before the grid does. The year begins as it ends: it is run twice.
 */
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
  const floor = battery ? battery.usableKwh * battery.reserve : 0
  const limit = exportLimitKw === null ? Infinity : exportLimitKw * stepHours
  let stored = floor
  for (let round = battery ? 0 : 1; round < 2; round++)
    for (let i = 0; i < n; i++) {
      const made = yieldKwh[i] as number
      const load = loadKwh[i] as number
      // Below zero at night: the inverter itself is a load.
      const produced = Math.max(0, made)
      const wanted = load + Math.max(0, -made)
      const direct = Math.min(produced, wanted)
      let spare = produced - direct
      let need = wanted - direct
      let charged = 0
      let discharged = 0
      if (battery) {
        charged = Math.max(
          0,
          Math.min(spare, battery.chargeKw * stepHours, (battery.usableKwh - stored) / battery.efficiency),
        )
        stored += charged * battery.efficiency
        spare -= charged
        discharged = Math.max(
          0,
          Math.min(need, battery.dischargeKw * stepHours, (stored - floor) * battery.efficiency),
        )
        stored -= discharged / battery.efficiency
        need -= discharged
      }
      const sold = Math.min(spare, limit)
      out.usedDirect[i] = direct
      out.charged[i] = charged
      out.discharged[i] = discharged
      out.storedKwh[i] = stored
      out.sold[i] = sold
      out.curtailed[i] = spare - sold
      out.bought[i] = need
    }
  return out
}
