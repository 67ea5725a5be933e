/**
 * The single-diode model: I = IL - I0 (exp((V + I Rs) / a) - 1) - (V + I Rs) / Rsh, with its parameters carried to other
 * light and temperature after De Soto, Klein & Beckman 2006, "Improvement and validation of a model for photovoltaic
 * array performance", Solar Energy 80, eq. 7 to 13. Beyond that article the series resistance may change with
 * temperature, so that a sheet's power coefficient can be met beside the other two.
 */
export interface DiodeParameters {
  /** Light current, A. */
  readonly lightA: number
  /** Diode saturation current, A. */
  readonly saturationA: number
  readonly seriesOhm: number
  readonly shuntOhm: number
  /** n Ns k T / q, V. */
  readonly thermalV: number
}

/** Parameters at standard test conditions and what carries them elsewhere. */
export interface DiodeModel extends DiodeParameters {
  /** Of the short-circuit current, A a kelvin. */
  readonly lightAPerK: number
  /** Growth of the series resistance, the exponent of a kelvin. */
  readonly seriesPerK: number
}

const stcK = 298.15
const stcWm2 = 1000
/** Boltzmann's constant, eV/K, and silicon's band gap at 25 °C with its change (De Soto 2006, eq. 10 and 11). */
const boltzmannEv = 8.617333262e-5
const gapEv = 1.121
const gapPerK = -0.0002677

/** Parameters at an irradiance behind the glass and a cell temperature. */
export function diodeAt(model: DiodeModel, irradianceWm2: number, cellC: number): DiodeParameters {
  const kelvin = cellC + 273.15
  const dT = kelvin - stcK
  const light = irradianceWm2 / stcWm2
  const gap = gapEv * (1 + gapPerK * dT)
  return {
    lightA: light * (model.lightA + model.lightAPerK * dT),
    saturationA:
      model.saturationA *
      (kelvin / stcK) ** 3 *
      Math.exp(gapEv / (boltzmannEv * stcK) - gap / (boltzmannEv * kelvin)),
    seriesOhm: model.seriesOhm * Math.exp(model.seriesPerK * dT),
    shuntOhm: model.shuntOhm / light,
    thermalV: model.thermalV * (kelvin / stcK),
  }
}

export interface OperatingPoint {
  readonly voltsV: number
  readonly currentA: number
  readonly powerW: number
}

/**
 * Current by the voltage over the junction, V + I Rs: explicit, so that every other quantity follows without solving.
 */
const currentAt = (p: DiodeParameters, junctionV: number) =>
  p.lightA - p.saturationA * Math.expm1(junctionV / p.thermalV) - junctionV / p.shuntOhm

const slopeAt = (p: DiodeParameters, junctionV: number) =>
  -(p.saturationA / p.thermalV) * Math.exp(junctionV / p.thermalV) - 1 / p.shuntOhm

/** Where a falling function crosses zero, by Newton steps kept inside a bracket. */
function crossing(
  low: number,
  high: number,
  value: (x: number) => number,
  slope: (x: number) => number,
): number {
  let [a, b] = [low, high]
  let x = (a + b) / 2
  for (let k = 0; k < 60 && b - a > 1e-12 * high; k++) {
    const y = value(x)
    if (y > 0) a = x
    else b = x
    const next = x - y / slope(x)
    if (Math.abs(next - x) < 1e-12 * high) return next
    x = next > a && next < b ? next : (a + b) / 2
  }
  return x
}

/** Open-circuit volts; 0 in the dark. */
export function openCircuitV(p: DiodeParameters): number {
  if (!(p.lightA > 0)) return 0
  const highest = p.thermalV * Math.log1p(p.lightA / p.saturationA)
  return crossing(
    0,
    highest,
    (v) => currentAt(p, v),
    (v) => slopeAt(p, v),
  )
}

/** Short-circuit current, A. */
export function shortCircuitA(p: DiodeParameters): number {
  if (!(p.lightA > 0)) return 0
  // At V = 0 the junction has I Rs.
  const junction = crossing(
    0,
    Math.max(1e-9, p.lightA * p.seriesOhm * 1.01),
    (v) => currentAt(p, v) * p.seriesOhm - v,
    (v) => slopeAt(p, v) * p.seriesOhm - 1,
  )
  return currentAt(p, junction)
}

/** The point of greatest power; nothing in the dark. */
export function maximumPower(p: DiodeParameters): OperatingPoint {
  const highest = openCircuitV(p)
  if (highest <= 0) return { voltsV: 0, currentA: 0, powerW: 0 }
  const rs = p.seriesOhm
  // P = I (Vj - I Rs); its slope I' Vj + I - 2 I I' Rs falls from IL to below zero.
  const junction = crossing(
    0,
    highest,
    (v) => {
      const current = currentAt(p, v)
      const slope = slopeAt(p, v)
      return slope * v + current - 2 * current * slope * rs
    },
    (v) => {
      const current = currentAt(p, v)
      const slope = slopeAt(p, v)
      const bend = -(p.saturationA / p.thermalV ** 2) * Math.exp(v / p.thermalV)
      return bend * v + 2 * slope - 2 * rs * (slope * slope + current * bend)
    },
  )
  const currentA = currentAt(p, junction)
  const voltsV = junction - currentA * rs
  return { voltsV, currentA, powerW: voltsV * currentA }
}
