import { type OptimizerType } from '../electrical/catalogue'
import { inverterAc, type InverterCurve } from './inverter-curve'
import { type PanelLight } from './panel-light'
import {
  emptyYear,
  inSeriesInto,
  type ArrayConditions,
  type DeviceYear,
  type StringRequest,
  type StringYear,
} from './string-year'

/** Modules with electronics of their own, each held at its own best point. */
export interface OwnString {
  readonly panels: readonly { readonly light: PanelLight; readonly conditions: ArrayConditions }[]
  readonly connected: boolean
}

/** What holds a string of optimizers back. */
export interface OptimizerLimits extends Pick<
  OptimizerType,
  'powerW' | 'outputV' | 'outputCurrentA' | 'efficiency'
> {
  /** Volts that the inverter's input may have the string at. */
  readonly stringLowV: number
  readonly stringHighV: number
}

/** What a string of optimizers gives. */
export interface Together {
  powerW: number
  voltsV: number
}

/**
 * Optimizers in series: one current through all, and each puts out its module's power at the volts that makes. The
 * inverter has the string at volts of its window where they lose least. A module that gives so much more than the mean
 * that its optimizer would have to go over its greatest volts is held there; so is all by the greatest current.
 * @param madeW of each optimizer, W, after its own loss and its own limit
 * @param out overwritten
 */
export function inOneString(
  madeW: Float64Array,
  { outputV, outputCurrentA, stringLowV, stringHighV }: Omit<OptimizerLimits, 'powerW' | 'efficiency'>,
  out: Together,
): Together {
  const mostW = outputV * outputCurrentA
  let [sum, top] = [0, 0]
  for (let m = 0; m < madeW.length; m++) {
    const watts = Math.min(madeW[m] as number, mostW)
    sum += watts
    if (watts > top) top = watts
  }
  out.powerW = out.voltsV = 0
  // Too few of them never reach what the inverter starts at.
  if (sum <= 0 || madeW.length * outputV < stringLowV) return out
  // The lower the string's volts, the fewer each must make and the greater the current.
  const volts = Math.min(stringHighV, Math.max(stringLowV, sum / outputCurrentA))
  out.voltsV = volts
  if ((top * volts) / sum <= outputV && sum <= volts * outputCurrentA) {
    out.powerW = sum
    return out
  }
  out.powerW = heldTogether(madeW, volts, outputV, outputCurrentA)
  return out
}

/**
 * The greatest current at which optimizers make `volts` together, none over its own: at a current each gives the lesser
 * of its own power and `outputV` times it, and the more current, the fewer volts they come to.
 */
function heldTogether(madeW: Float64Array, volts: number, outputV: number, mostA: number): number {
  const at = (amperes: number) => {
    let power = 0
    for (const watts of madeW) power += Math.min(watts, outputV * amperes)
    return power
  }
  if (at(mostA) >= volts * mostA) return volts * mostA
  let [low, high] = [0, mostA]
  for (let step = 0; step < 50; step++) {
    const middle = (low + high) / 2
    if (at(middle) >= volts * middle) low = middle
    else high = middle
  }
  return at(low)
}

/** A year of modules each at its own best point, one entry after the other, and what is then made of their watts. */
function ownYear(
  { panels, connected }: OwnString,
  request: StringRequest,
  out: StringYear,
  then: (entry: number, watts: Float64Array) => void,
): StringYear {
  const modules = panels.map(({ light, conditions }) =>
    inSeriesInto(out, { panels: [light], conditions, connected }, request),
  )
  const watts = new Float64Array(modules.length)
  const weights = new Array<number>(modules.length).fill(0)
  for (let k = 0; k < request.sun.interval.length; k++) {
    modules.forEach((module, m) => {
      const made = (watts[m] = module.read(k) ? module.work().powerW : 0)
      module.book()
      weights[m] = (weights[m] ?? 0) + made
    })
    if (connected) then(k, watts)
  }
  return { ...out, weights }
}

/**
 * A year of a string with an optimizer at each module. What they take and what their limits keep back is the string's
 * loss `optimizers`.
 */
export function optimizedYear(
  string: OwnString,
  request: StringRequest,
  optimizer: OptimizerLimits,
): StringYear {
  const out = emptyYear(request.sun.interval.length, request.withVolts)
  const made = new Float64Array(string.panels.length)
  const together: Together = { powerW: 0, voltsV: 0 }
  return ownYear(string, request, out, (k, watts) => {
    let all = 0
    for (let m = 0; m < watts.length; m++) {
      const taken = watts[m] as number
      all += taken
      made[m] = Math.min(taken, optimizer.powerW) * optimizer.efficiency
    }
    const { powerW, voltsV } = inOneString(made, optimizer, together)
    out.powerW[k] = powerW
    out.lostW.optimizers[k] = all - powerW
    if (request.withVolts) out.voltWatts[k] = powerW * voltsV
  })
}

/** Microinverters under modules. */
export interface UnderModules {
  readonly curve: InverterCurve
  /** Modules on each, in the order of the string. */
  readonly devices: readonly number[]
  /** What the entered losses leave of the direct current. */
  readonly left: number
}

/** A year of a branch of microinverters: each converts and clips what its own modules give. */
export function branchYear(
  string: OwnString,
  request: StringRequest,
  { curve, devices, left }: UnderModules,
): StringYear {
  const entries = request.sun.interval.length
  const out = emptyYear(entries, false)
  const series = () => new Float64Array(entries)
  const ac: DeviceYear = {
    devices: devices.length,
    acW: series(),
    clippedW: series(),
    lostW: series(),
    drawnW: series(),
  }
  const year = ownYear(string, { ...request, withVolts: false }, out, (k, watts) => {
    let first = 0
    let [dcW, acW, clippedW, lostW, drawnW] = [0, 0, 0, 0, 0]
    for (const modules of devices) {
      let own = 0
      for (let m = first; m < first + modules; m++) own += watts[m] as number
      first += modules
      dcW += own
      const made = inverterAc(own * left, curve)
      acW += made.acW
      clippedW += made.clippedW
      lostW += made.lostW
      drawnW += Math.max(0, -made.acW)
    }
    out.powerW[k] = dcW
    ac.acW[k] = acW
    ac.clippedW[k] = clippedW
    ac.lostW[k] = lostW
    ac.drawnW[k] = drawnW
  })
  return { ...year, ac }
}
