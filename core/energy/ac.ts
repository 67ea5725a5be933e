import { inverterAc, type InverterCurve } from './inverter-curve'
import { type SunHours } from '../sun/sun-hours'
import { type DcYear } from './dc'
import { type DeviceYear } from './string-year'

/** Stages from the inverter's input to its output, in their order. */
export const acLosses = ['inverter', 'own-draw', 'clipping', 'downtime'] as const
export type AcLoss = (typeof acLosses)[number]

/** A year behind the inverter; arrays have one entry an interval of the year. */
export interface AcYear {
  /** kWh; a little below zero at night. */
  readonly kwhByInterval: Float64Array
  readonly lostKwh: Readonly<Record<AcLoss, Float64Array>>
  /** Sums over the year. */
  readonly kwh: number
  readonly clippedKwh: number
  /** What the inverter itself takes while it gives nothing. */
  readonly ownDrawKwh: number
}

/** What comes out at an entry, W; what is made, clipped and lost adds up to what went in. */
interface AcStep {
  readonly acW: number
  readonly clippedW: number
  readonly lostW: number
}

/**
 * @param unavailable share of the time it is down
 * @param any whether there is anything to convert at all; without modules there is no inverter
 */
export function acYear(
  dc: Pick<DcYear, 'powerW' | 'voltsV'>,
  sun: SunHours,
  inverter: InverterCurve,
  unavailable: number,
  any: boolean,
): AcYear {
  if (!any) return gathered(sun, 0, unavailable, 0, () => [{ acW: 0, clippedW: 0, lostW: 0 }, 0])
  return gathered(sun, inverter.nightW, unavailable, dc.powerW.length, (k) => {
    const step = inverterAc(dc.powerW[k] as number, inverter, dc.voltsV[k])
    // Below zero it takes more than its own losses: that much comes from the house.
    return [step, Math.max(0, -step.acW)]
  })
}

/** Many small inverters together, by branch. @param nightW of one of them */
export function devicesAcYear(
  branches: readonly DeviceYear[],
  sun: SunHours,
  nightW: number,
  unavailable: number,
): AcYear {
  const step = { acW: 0, clippedW: 0, lostW: 0 }
  const all = branches.reduce((sum, { devices }) => sum + devices, 0)
  return gathered(sun, all * nightW, unavailable, sun.interval.length, (k) => {
    step.acW = step.clippedW = step.lostW = 0
    let drawnW = 0
    for (const branch of branches) {
      step.acW += branch.acW[k] as number
      step.clippedW += branch.clippedW[k] as number
      step.lostW += branch.lostW[k] as number
      drawnW += branch.drawnW[k] as number
    }
    return [step, drawnW]
  })
}

/** @param at what comes out at an entry, and what is drawn from the house of it */
function gathered(
  sun: SunHours,
  nightW: number,
  unavailable: number,
  entries: number,
  at: (entry: number) => readonly [AcStep, drawnW: number],
): AcYear {
  const series = () => new Float64Array(sun.intervals)
  const out = series()
  const lostKwh = { inverter: series(), 'own-draw': series(), clipping: series(), downtime: series() }
  const ownDraw = lostKwh['own-draw']
  const kwh = sun.stepMinutes / 60_000
  const night = nightW * kwh
  ownDraw.fill(night)
  out.fill(0 - night)
  let [clippedKwh, ownDrawKwh] = [0, night * (sun.intervals - entries)]
  for (let k = 0; k < entries; k++) {
    const i = sun.interval[k] as number
    const [{ acW, clippedW, lostW }, drawnW] = at(k)
    const drawn = drawnW * kwh
    ownDraw[i] = drawn
    ownDrawKwh += drawn
    lostKwh.inverter[i] = lostW * kwh - drawn
    lostKwh.clipping[i] = clippedW * kwh
    clippedKwh += clippedW * kwh
    out[i] = acW * kwh
  }
  let total = 0
  for (let i = 0; i < out.length; i++) {
    const made = out[i] as number
    lostKwh.downtime[i] = made * unavailable
    out[i] = made * (1 - unavailable)
    total += out[i] as number
  }
  return { kwhByInterval: out, lostKwh, kwh: total, clippedKwh, ownDrawKwh }
}
