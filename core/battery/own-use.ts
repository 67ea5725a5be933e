import { type BatteryRun, type HouseYear } from './battery-run'
import { clippedFor, limitsOf, outBeside } from './limits'

export interface Dispatch {
  /** kWh in each interval. */
  readonly bought: Float64Array
  readonly sold: Float64Array
  /** Of the yield: used in the house at once. */
  readonly usedDirect: Float64Array
  readonly charged: Float64Array
  /** Of what was charged: what the inverter would have clipped, and is no yield. */
  readonly fromClipping: Float64Array
  readonly discharged: Float64Array
  /** Inside the battery at the interval's end. */
  readonly storedKwh: Float64Array
  /** Yield that neither house, battery nor grid could take. */
  readonly curtailed: Float64Array
}

/** A dispatch of so many intervals in which nothing happens yet. */
export function emptyDispatch(intervals: number): Dispatch {
  const series = () => new Float64Array(intervals)
  return {
    bought: series(),
    sold: series(),
    usedDirect: series(),
    charged: series(),
    fromClipping: series(),
    discharged: series(),
    storedKwh: series(),
    curtailed: series(),
  }
}

/** What becomes of one interval; overwritten by the next. */
interface OwnUse {
  direct: number
  charged: number
  fromClipping: number
  discharged: number
  stored: number
  bought: number
  sold: number
  curtailed: number
}

/**
 * Own use first: yield serves the house, then fills the battery, then goes out up to the limit; the battery serves the
 * house before the grid does. Interval after interval from an empty battery, or from what is inside at the start; the
 * result is the same object each time.
 */
function ownUse(
  stepHours: number,
  battery: BatteryRun | null,
  exportLimitKw: number | null,
  startKwh = 0,
): (yieldKwh: number, loadKwh: number, clippedKwh: number) => OwnUse {
  // Without a battery nothing goes in and nothing comes out.
  const limits = limitsOf(battery, stepHours)
  const { chargeMost, dischargeMost } = limits
  const sharesInverter = battery?.dcSide !== undefined
  const usableKwh = battery?.usableKwh ?? 0
  const chargeEfficiency = battery?.chargeEfficiency ?? 1
  const dischargeEfficiency = battery?.dischargeEfficiency ?? 1
  const floor = usableKwh * (battery?.reserve ?? 0)
  const limit = exportLimitKw === null ? Infinity : exportLimitKw * stepHours
  const out = {
    direct: 0,
    charged: 0,
    fromClipping: 0,
    discharged: 0,
    stored: Math.max(floor, startKwh),
    bought: 0,
    sold: 0,
    curtailed: 0,
  }
  return (made, load, clipped) => {
    // Below zero at night: the inverter itself is a load.
    const produced = Math.max(0, made)
    const wanted = load + Math.max(0, -made)
    out.direct = Math.min(produced, wanted)
    let spare = produced - out.direct
    let need = wanted - out.direct
    if (battery) {
      const room = (usableKwh - out.stored) / chargeEfficiency
      let mostOut = dischargeMost
      if (sharesInverter) {
        // What would be clipped goes in first: all else can go elsewhere.
        out.charged = Math.max(0, Math.min(spare + clipped, chargeMost, room))
        out.fromClipping = Math.min(clipped, out.charged)
        spare = Math.max(0, spare - (out.charged - out.fromClipping))
        mostOut = outBeside(limits, made, clipped)
      } else {
        out.charged = Math.max(0, Math.min(spare, chargeMost, room))
        spare -= out.charged
      }
      out.stored += out.charged * chargeEfficiency
      out.discharged = Math.max(0, Math.min(need, mostOut, (out.stored - floor) * dischargeEfficiency))
      out.stored -= out.discharged / dischargeEfficiency
      need -= out.discharged
    }
    out.sold = Math.min(spare, limit)
    out.curtailed = spare - out.sold
    out.bought = need
    return out
  }
}

/**
 * What a year of own use does to the energy inside: every interval fills it up to a point or draws it down to one, and
 * all of them together shift it, and keep it between two bounds. Where it ends as it begins follows from these.
 */
function roundStart(given: HouseYear, battery: BatteryRun): number {
  const { yieldKwh, loadKwh, stepHours } = given
  const { usableKwh, chargeEfficiency, dischargeEfficiency } = battery
  const limits = limitsOf(battery, stepHours)
  const { chargeMost, dischargeMost } = limits
  const sharesInverter = battery.dcSide !== undefined
  const clipped = clippedFor(battery, given)
  const floor = usableKwh * battery.reserve
  let [shift, low, high] = [0, floor, usableKwh]
  for (let i = 0; i < yieldKwh.length; i++) {
    const made = yieldKwh[i] as number
    const over = clipped ? (clipped[i] as number) : 0
    const spare = made - (loadKwh[i] as number)
    const mostOut = sharesInverter ? outBeside(limits, made, over) : dischargeMost
    const change =
      spare > 0 || over > 0
        ? Math.min(Math.max(0, spare) + over, chargeMost) * chargeEfficiency
        : -Math.min(-spare, mostOut) / dischargeEfficiency
    shift += change
    low = Math.max(floor, Math.min(usableKwh, low + change))
    high = Math.max(floor, Math.min(usableKwh, high + change))
  }
  return shift > 0 ? high : low
}

/**
 * A year of `ownUse`, interval by interval.
 * @param out overwritten by it
 */
export function dispatchOwnUse(
  given: HouseYear,
  battery: BatteryRun | null,
  out: Dispatch = emptyDispatch(given.yieldKwh.length),
): Dispatch {
  const { yieldKwh, loadKwh, stepHours, exportLimitKw } = given
  const n = yieldKwh.length
  const start = given.startKwh ?? (battery ? roundStart(given, battery) : 0)
  const next = ownUse(stepHours, battery, exportLimitKw, start)
  const clipped = clippedFor(battery, given)
  for (let i = 0; i < n; i++) {
    const step = next(yieldKwh[i] as number, loadKwh[i] as number, clipped ? (clipped[i] as number) : 0)
    out.usedDirect[i] = step.direct
    out.charged[i] = step.charged
    out.fromClipping[i] = step.fromClipping
    out.discharged[i] = step.discharged
    out.storedKwh[i] = step.stored
    out.sold[i] = step.sold
    out.curtailed[i] = step.curtailed
    out.bought[i] = step.bought
  }
  return out
}
