import { type Mount } from '../kinds/standing'

/**
 * Cell temperature: Faiman 2008, "Assessing the outdoor operating temperature of photovoltaic modules", Progress in
 * Photovoltaics 16, eq. 4: air + G / (u0 + u1 wind).
 */
export interface HeatLoss {
  /** W/m²K, and W/m²K for each m/s of wind. */
  readonly u0: number
  readonly u1: number
}

/**
 * How modules stand, as far as the air behind them goes. The open rack has Faiman's own mean values. The two on a roof
 * are straight lines through the rises that King, Boyson & Kratochvil 2004 (SAND2004-3535, table 1) give at 0 and 5 m/s
 * of wind: raised after their close roof mount (a = -2.98, b = -0.0471: 19.7 and 24.9 W/m²K), close after their
 * insulated back (a = -2.81, b = -0.0455: 16.6 and 20.9 W/m²K).
 */
export const mountHeat = {
  close: { u0: 16.6, u1: 0.85 },
  raised: { u0: 19.7, u1: 1.04 },
  open: { u0: 25, u1: 6.84 },
} as const satisfies Readonly<Record<Mount, HeatLoss>>

/** Conditions of the nominal operating cell temperature (IEC 61215): 800 W/m², 20 °C, 1 m/s, open rack. */
const noct = { irradianceWm2: 800, airC: 20, windMs: 1 } as const

/** Heat loss in the open from a sheet that gives only its nominal operating cell temperature; wind as Faiman's share. */
export function heatFromNoct(noctC: number): HeatLoss {
  const whole = noct.irradianceWm2 / (noctC - noct.airC)
  const scale = whole / (mountHeat.open.u0 + mountHeat.open.u1 * noct.windMs)
  return { u0: mountHeat.open.u0 * scale, u1: mountHeat.open.u1 * scale }
}

export const cellTemperatureC = (airC: number, irradianceWm2: number, windMs: number, loss: HeatLoss) =>
  airC + irradianceWm2 / (loss.u0 + loss.u1 * windMs)
