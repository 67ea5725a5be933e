/**
 * Cell temperature: Faiman 2008, "Assessing the outdoor operating temperature of photovoltaic modules", eq. 4:
 * air + G / (u0 + u1 wind).
 */
export interface HeatLoss {
  /** W/m²K, and W/m²K for each m/s of wind. */
  readonly u0: number
  readonly u1: number
}

/** Free air on both sides: Faiman's own mean values. */
export const openRack: HeatLoss = { u0: 25, u1: 6.84 }

/**
 * Close to a roof: straight line through the rises that King, Boyson & Kratochvil 2004 (SAND2004-3535, table 1,
 * insulated back: a = -2.81, b = -0.0455) give at 0 and 5 m/s: 16.6 and 20.9 W/m²K.
 */
export const closeRoof: HeatLoss = { u0: 16.6, u1: 0.85 }

export const cellTemperatureC = (airC: number, irradianceWm2: number, windMs: number, loss: HeatLoss) =>
  airC + irradianceWm2 / (loss.u0 + loss.u1 * windMs)
