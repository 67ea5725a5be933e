import { kingAcW, type KingParameters } from './king-inverter'

/** What an inverter does to power, as far as its sheet tells. */
export interface InverterCurve {
  readonly acPowerW: number
  /** Weighted efficiency of the data sheet, for the curve below. */
  readonly efficiency: number
  readonly nightW: number
  /** Measured parameters; the curve when there are none. */
  readonly king?: KingParameters
}

/**
 * Part-load efficiency: King et al. 2007 where its parameters are known, else Dobos 2014
 * (NREL/TP-6A20-62641, eq. 11) scaled to the data sheet's weighted efficiency. Output is cut at the rated power.
 * @param dcV volts of the DC side; only the former asks for them
 * @returns `acW + clippedW + lostW` is `dcW`
 */
export function inverterAc(
  dcW: number,
  inverter: InverterCurve,
  dcV = 0,
): { acW: number; clippedW: number; lostW: number } {
  const { acPowerW, nightW } = inverter
  if (dcW <= 0 || acPowerW <= 0) return { acW: -nightW, clippedW: 0, lostW: nightW }
  const made = inverter.king
    ? kingAcW(inverter.king, dcW, dcV > 0 ? dcV : inverter.king.dcVoltsV)
    : dcW * partLoad(dcW, inverter)
  const free = Math.min(dcW, Math.max(-nightW, made))
  const acW = Math.min(free, acPowerW)
  return { acW, clippedW: free - acW, lostW: dcW - free }
}

/** Of the part-load curve: its own weighted efficiency, and what load, its inverse and neither weigh. */
export const partLoadCurve = { weighted: 0.9637, load: -0.0162, inverse: -0.0059, constant: 0.9858 } as const

function partLoad(dcW: number, { acPowerW, efficiency }: InverterCurve): number {
  const load = (dcW * efficiency) / acPowerW
  const { weighted, constant } = partLoadCurve
  return (efficiency / weighted) * (partLoadCurve.load * load + partLoadCurve.inverse / load + constant)
}
