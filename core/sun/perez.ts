import { toRadians } from '../model/units'

/**
 * Sky diffuse on a tilted plane: Perez, Ineichen, Seals, Michalsky & Stewart 1990, "Modeling daylight availability
 * and irradiance components from direct and global irradiance", Solar Energy 44, eq. 9; all-sites composite
 * coefficients (rows of f11 f12 f13 f21 f22 f23 by clearness).
 */
const clearnessEdges = [1.065, 1.23, 1.5, 1.95, 2.8, 4.5, 6.2]
const coefficients: readonly (readonly [number, number, number, number, number, number])[] = [
  [-0.0083117, 0.5877285, -0.0620636, -0.0596012, 0.0721249, -0.0220216],
  [0.1299457, 0.6825954, -0.1513752, -0.0189325, 0.065965, -0.0288748],
  [0.3296958, 0.4868735, -0.2210958, 0.055414, -0.0639588, -0.0260542],
  [0.5682053, 0.1874525, -0.295129, 0.1088631, -0.1519229, -0.0139754],
  [0.873028, -0.3920403, -0.3616149, 0.2255647, -0.4620442, 0.0012448],
  [1.1326077, -1.2367284, -0.4118494, 0.2877813, -0.8230357, 0.0558651],
  [1.0601591, -1.5999137, -0.3589221, 0.2642124, -1.127234, 0.1310694],
  [0.677747, -0.3272588, -0.2504286, 0.1561313, -1.3765031, 0.2506212],
]

export interface SkyParts {
  /** From around the sun: follows the beam. W/m² on the plane. */
  circumsolar: number
  /** From the dome, the same from everywhere. */
  dome: number
  /** From the band along the horizon; may be below zero. */
  horizon: number
}

/** Kasten & Young 1989, relative air mass; zenith in degrees (apparent). */
export const relativeAirMass = (zenithDeg: number) =>
  1 / (Math.cos(toRadians(zenithDeg)) + 0.50572 * (96.07995 - Math.min(zenithDeg, 93)) ** -1.6364)

/** Spencer 1971: irradiance outside the atmosphere across the beam, W/m²; solar constant 1361. */
export function extraterrestrialWm2(dayOfYear: number): number {
  const b = (2 * Math.PI * (dayOfYear - 1)) / 365
  return (
    1361 *
    (1.00011 +
      0.034221 * Math.cos(b) +
      0.00128 * Math.sin(b) +
      0.000719 * Math.cos(2 * b) +
      0.000077 * Math.sin(2 * b))
  )
}

/** How bright the sky is around the sun (f1) and along the horizon (f2), as shares of the diffuse. */
export interface SkyFactors {
  f1: number
  f2: number
}

/** The cosine that the circumsolar part is divided by is not let below this one's. */
export const perezFloor = Math.cos(toRadians(85))

/** F1 and F2 of a sky: the part of the model that no plane has to do with. Written into `out`. */
export function perezFactors(
  dhi: number,
  dni: number,
  zenithRad: number,
  airMass: number,
  extraWm2: number,
  out: SkyFactors,
): void {
  if (dhi <= 0) {
    out.f1 = 0
    out.f2 = 0
    return
  }
  const z = Math.min(zenithRad, Math.PI / 2)
  const kappa = 1.041 * z * z * z
  const clearness = ((dhi + dni) / dhi + kappa) / (1 + kappa)
  let bin = 0
  while (bin < clearnessEdges.length && clearness >= (clearnessEdges[bin] as number)) bin++
  const f = coefficients[bin] as (typeof coefficients)[number]
  const brightness = (dhi * airMass) / extraWm2
  out.f1 = Math.max(0, f[0] + f[1] * brightness + f[2] * z)
  out.f2 = f[3] + f[4] * brightness + f[5] * z
}

/**
 * @param cosIncidence of the sun on the plane
 * @param extraWm2 outside the atmosphere
 * @returns W/m² on the plane, summing to the sky diffuse
 */
export function perezSky(
  dhi: number,
  dni: number,
  zenithDeg: number,
  cosIncidence: number,
  tiltDeg: number,
  extraWm2: number,
): SkyParts {
  const factors = { f1: 0, f2: 0 }
  perezFactors(dhi, dni, toRadians(zenithDeg), relativeAirMass(zenithDeg), extraWm2, factors)
  const cosZenith = Math.max(perezFloor, Math.cos(toRadians(zenithDeg)))
  return skyOnPlane(dhi, factors, cosZenith, Math.max(0, cosIncidence), toRadians(tiltDeg))
}

/** The diffuse of a sky with these factors on a plane. */
export function skyOnPlane(
  dhi: number,
  { f1, f2 }: SkyFactors,
  cosZenith: number,
  cosIncidence: number,
  tiltRad: number,
): SkyParts {
  const circumsolar = (dhi * f1 * cosIncidence) / cosZenith
  const dome = (dhi * (1 - f1) * (1 + Math.cos(tiltRad))) / 2
  const horizon = dhi * f2 * Math.sin(tiltRad)
  // A steep plane away from a low sun can come out below nothing; the horizon's share gives way.
  return { circumsolar, dome, horizon: Math.max(horizon, -(circumsolar + dome)) }
}
