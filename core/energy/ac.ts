import { inverterAc, type InverterCurve } from './inverter-curve'
import { type SunHours } from '../sun/sun-hours'
import { type DcYear } from './dc'

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
  const series = () => new Float64Array(sun.intervals)
  const out = series()
  const lostKwh = { inverter: series(), 'own-draw': series(), clipping: series(), downtime: series() }
  if (!any) return { kwhByInterval: out, lostKwh, kwh: 0, clippedKwh: 0, ownDrawKwh: 0 }
  const ownDraw = lostKwh['own-draw']
  const kwh = sun.stepMinutes / 60_000
  const night = inverter.nightW * kwh
  ownDraw.fill(night)
  out.fill(-night)
  let [clippedKwh, ownDrawKwh] = [0, night * (sun.intervals - dc.powerW.length)]
  for (let k = 0; k < dc.powerW.length; k++) {
    const i = sun.interval[k] as number
    const ac = inverterAc(dc.powerW[k] as number, inverter, dc.voltsV[k])
    // Below zero it takes more than its own losses: that much comes from the house.
    const drawn = Math.max(0, -ac.acW) * kwh
    ownDraw[i] = drawn
    ownDrawKwh += drawn
    lostKwh.inverter[i] = ac.lostW * kwh - drawn
    lostKwh.clipping[i] = ac.clippedW * kwh
    clippedKwh += ac.clippedW * kwh
    out[i] = ac.acW * kwh
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
