import { type InverterType } from '../electrical/catalogue'
import { inverterAc } from '../energy/inverter-curve'
import { type SunHours } from '../sun/sun-hours'

export interface AcYear {
  /** kWh in every interval of the year; a little below zero at night. */
  readonly kwhByInterval: Float64Array
  readonly inverterLostKwh: number
  readonly nightKwh: number
  readonly clippedKwh: number
  readonly unavailableKwh: number
  readonly kwh: number
}

export function acYear(
  powerW: Float64Array,
  sun: SunHours,
  inverter: InverterType,
  unavailable: number,
  any: boolean,
): AcYear {
  const out = new Float64Array(sun.intervals)
  if (!any)
    return { kwhByInterval: out, inverterLostKwh: 0, nightKwh: 0, clippedKwh: 0, unavailableKwh: 0, kwh: 0 }
  const kwh = sun.stepMinutes / 60_000
  const up = 1 - unavailable
  out.fill(-inverter.nightW * kwh * up)
  let lost = 0
  let clipped = 0
  let made = 0
  for (let k = 0; k < powerW.length; k++) {
    const ac = inverterAc(powerW[k] as number, inverter.acPowerW, inverter.efficiency, inverter.nightW)
    lost += ac.lostW
    clipped += ac.clippedW
    made += ac.acW
    out[sun.interval[k] as number] = ac.acW * kwh * up
  }
  const nightW = (sun.intervals - powerW.length) * inverter.nightW
  const before = (made - nightW) * kwh
  return {
    kwhByInterval: out,
    inverterLostKwh: lost * kwh,
    nightKwh: nightW * kwh,
    clippedKwh: clipped * kwh,
    unavailableKwh: before * unavailable,
    kwh: before * up,
  }
}
