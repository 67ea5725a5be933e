/**
 * An inverter as King, Gonzalez, Galbraith & Boyson 2007 measured them ("Performance model for grid-connected
 * photovoltaic inverters", SAND2007-5036, eq. 1 to 4). Power in W, volts in V.
 */
export interface KingParameters {
  /** Rated AC power. */
  readonly acPowerW: number
  /** DC power and volts at which it is reached. */
  readonly dcPowerW: number
  readonly dcVoltsV: number
  /** DC power that starts it. */
  readonly startW: number
  /** Curvature of AC over DC, 1/W. */
  readonly c0PerW: number
  /** Changes with the DC volts of rated DC power, start power and curvature, 1/V. */
  readonly c1PerV: number
  readonly c2PerV: number
  readonly c3PerV: number
}

/** AC power before clipping; below zero where the inverter takes more than it gives. */
export function kingAcW(p: KingParameters, dcW: number, dcV: number): number {
  const dV = dcV - p.dcVoltsV
  const a = p.dcPowerW * (1 + p.c1PerV * dV)
  const b = p.startW * (1 + p.c2PerV * dV)
  const c = p.c0PerW * (1 + p.c3PerV * dV)
  return (p.acPowerW / (a - b) - c * (a - b)) * (dcW - b) + c * (dcW - b) ** 2
}
