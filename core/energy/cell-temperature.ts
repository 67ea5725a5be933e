import { windShare } from './wind'

/**
 * Cell temperature: Faiman 2008, "Assessing the outdoor operating temperature of photovoltaic modules", Progress in
 * Photovoltaics 16, eq. 4: air + G / (u0 + u1 wind), with the wind at the modules.
 */
export interface HeatLoss {
  /** W/m²K, and W/m²K for each m/s of wind. */
  readonly u0: number
  readonly u1: number
}

/** In the open, as on a rack: Faiman's own mean values. */
export const openHeat: HeatLoss = { u0: 25, u1: 6.84 }

/**
 * Close to a roof and without air behind, as straight lines through the rises that King, Boyson & Kratochvil 2004
 * (SAND2004-3535, table 1) give at 0 and 5 m/s for "close roof mount" (a = -2.98, b = -0.0471: 19.7 and 24.9 W/m²K) and
 * "insulated back" (a = -2.81, b = -0.0455: 16.6 and 20.9 W/m²K). Their wind is that of 10 m in open country; at the 2 m
 * of their modules it is 0.79 of it.
 */
const openCountryAt2m = windShare(2, 'open')
const closeHeat: HeatLoss = { u0: 19.7, u1: 1.04 / openCountryAt2m }
const insulatedHeat: HeatLoss = { u0: 16.6, u1: 0.85 / openCountryAt2m }

/**
 * How much hotter than on a rack modules become near a roof: kelvins over the nominal operating temperature by the gap
 * behind them, inches of 0.0254 m, from Fuentes 1987 (SAND85-0330, table of mountings); a rack stands at -3 K.
 */
const hotterByGap: readonly (readonly [gapM: number, kelvins: number])[] = [
  [0, 18],
  [0.0254, 11],
  [0.0762, 2],
  [0.1524, -1],
  [0.3, -3],
]
const rackKelvins = -3
/** The published close roof mount is as much hotter than a rack as an inch of gap makes it (1.6 times the rise). */
const closeKelvins = 11
const insulatedKelvins = 18

/**
 * Heat loss of modules flat over a roof by the gap behind them: between rack, close roof mount and insulated back, the
 * rises at 0 and 5 m/s in the measure of `hotterByGap`.
 * @param gapM from the roof to the modules; no less than 0
 */
export function heatOverRoof(gapM: number): HeatLoss {
  const hotter = kelvinsAt(gapM)
  return hotter <= closeKelvins
    ? between(openHeat, closeHeat, (hotter - rackKelvins) / (closeKelvins - rackKelvins))
    : between(closeHeat, insulatedHeat, (hotter - closeKelvins) / (insulatedKelvins - closeKelvins))
}

function kelvinsAt(gapM: number): number {
  let [gap, kelvins] = [0, insulatedKelvins]
  for (const [next, value] of hotterByGap) {
    if (gapM <= next && next > gap) return kelvins + ((value - kelvins) * (gapM - gap)) / (next - gap)
    gap = next
    kelvins = value
  }
  return kelvins
}

/** The rise over the air's temperature mixed of two, at both ends of a range of wind. */
function between(cool: HeatLoss, hot: HeatLoss, share: number): HeatLoss {
  const at = (wind: number) =>
    1 / ((1 - share) / (cool.u0 + cool.u1 * wind) + share / (hot.u0 + hot.u1 * wind))
  return { u0: at(0), u1: (at(5) - at(0)) / 5 }
}

/** Gap of modules that lie flat on a roof, where nothing else is said. */
export const usualGapM = 0.12

/** Heat losses by a name for how modules stand. */
export const mountHeat = {
  close: heatOverRoof(usualGapM),
  raised: heatOverRoof(0.2),
  open: openHeat,
} as const
export type Mount = keyof typeof mountHeat

/** Conditions of the nominal operating cell temperature (IEC 61215): 800 W/m², 20 °C, 1 m/s, open rack. */
const noct = { irradianceWm2: 800, airC: 20, windMs: 1 } as const

/** Heat loss in the open from a sheet that gives only its nominal operating cell temperature; wind as Faiman's share. */
export function heatFromNoct(noctC: number): HeatLoss {
  const whole = noct.irradianceWm2 / (noctC - noct.airC)
  const scale = whole / (openHeat.u0 + openHeat.u1 * noct.windMs)
  return { u0: openHeat.u0 * scale, u1: openHeat.u1 * scale }
}

export const cellTemperatureC = (airC: number, irradianceWm2: number, windMs: number, loss: HeatLoss) =>
  airC + irradianceWm2 / (loss.u0 + loss.u1 * windMs)

/** Sun and wind at the modules for the hot end of what they have to stand. */
const hottest = { irradianceWm2: 1000, windMs: 1 } as const

/** Rise over the air's temperature in full sun and little wind, K. */
export const hottestRiseK = (loss: HeatLoss) =>
  cellTemperatureC(0, hottest.irradianceWm2, hottest.windMs, loss)
