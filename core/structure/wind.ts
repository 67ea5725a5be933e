/** What lies around a house for the wind: EN 1991-1-4:2005, table 4.1, categories 0 to IV. */
export const terrains = ['sea', 'open', 'farmland', 'suburb', 'city'] as const
export type Terrain = (typeof terrains)[number]

/** Over what the site's wind speed is a mean: codes give one or the other. */
export const windMeans = ['ten-minutes', 'three-seconds'] as const
export type WindMean = (typeof windMeans)[number]

/** Roughness length and the least height that the profile holds for, m. */
const roughness: Readonly<Record<Terrain, readonly [number, number]>> = {
  sea: [0.003, 1],
  open: [0.01, 1],
  farmland: [0.05, 2],
  suburb: [0.3, 5],
  city: [1, 10],
}

/** A gust of three seconds over the mean of ten minutes in open country, Durst 1960. */
const gustFactor = 1.43
const airKgPerM3 = 1.25

/** The site's wind as a mean of ten minutes in open country, m/s. */
export const meanWindMs = (windMs: number, mean: WindMean): number =>
  mean === 'three-seconds' ? windMs / gustFactor : windMs

/**
 * Peak velocity pressure, EN 1991-1-4:2005, 4.3 to 4.5, without hills and with a structural factor of 1.
 * @param meanMs basic wind velocity, m/s over ten minutes
 * @param heightM of the roof over the ground
 * @returns kN/m²
 */
export function peakPressureKpa(meanMs: number, terrain: Terrain, heightM: number): number {
  const [z0, leastM] = roughness[terrain]
  const log = Math.log(Math.max(heightM, leastM) / z0)
  const terrainFactor = 0.19 * (z0 / 0.05) ** 0.07
  const meanAtRoof = meanMs * terrainFactor * log
  // Turbulence is 1 / log.
  return ((1 + 7 / log) * 0.5 * airKgPerM3 * meanAtRoof ** 2) / 1000
}

/** Where on a roof: near a corner, an outer edge, a ridge or hip, or none. */
export const windZones = ['corner', 'edge', 'ridge', 'middle'] as const
export type WindZone = (typeof windZones)[number]

const pitchesDeg = [0, 5, 15, 30, 45, 60, 75]

/**
 * External pressure coefficients for 10 m² at `pitchesDeg`, the worst of all winds: EN 1991-1-4:2005, tables 7.2
 * (sharp eaves), 7.4a and 7.4b, zones F, G, H to J. Upwards and onto the roof, both as positive figures.
 */
const coefficients: Readonly<
  Record<WindZone, { readonly up: readonly number[]; readonly down: readonly number[] }>
> = {
  corner: { up: [1.8, 1.7, 1.3, 1.1, 1.1, 1.1, 1.1], down: [0, 0, 0.2, 0.7, 0.7, 0.7, 0.8] },
  edge: { up: [1.2, 1.3, 1.3, 1.4, 1.4, 1.2, 1.2], down: [0, 0, 0.2, 0.7, 0.7, 0.7, 0.8] },
  ridge: { up: [0.7, 0.7, 1, 0.8, 0.9, 0.8, 0.8], down: [0.2, 0.2, 0.2, 0.4, 0.6, 0.7, 0.8] },
  middle: { up: [0.7, 0.7, 0.6, 0.8, 0.9, 0.8, 0.8], down: [0.2, 0.2, 0.2, 0.4, 0.6, 0.7, 0.8] },
}

/** Straight between the values at ascending places, level beyond them. */
export function between(places: readonly number[], values: readonly number[], at: number): number {
  const after = places.findIndex((place) => place >= at)
  const [last, high] = [values.at(-1) ?? 0, values[after]]
  if (high === undefined) return last
  const [from, to, low] = [places[after - 1], places[after] ?? 0, values[after - 1]]
  return from === undefined || low === undefined ? high : low + ((at - from) / (to - from)) * (high - low)
}

/** Pressure coefficients of a zone of a roof, away from it and onto it. */
export const coefficientsOf = (
  zone: WindZone,
  pitchDeg: number,
): { readonly up: number; readonly down: number } => ({
  up: between(pitchesDeg, coefficients[zone].up, pitchDeg),
  down: between(pitchesDeg, coefficients[zone].down, pitchDeg),
})

/** What a parapet leaves of the uplift near the edges of a level roof, by its height over the roof's: table 7.2. */
const parapets = [0, 0.025, 0.05, 0.1]
const behindParapet: Readonly<Record<WindZone, readonly number[]>> = {
  corner: [1, 1.6 / 1.8, 1.4 / 1.8, 1.2 / 1.8],
  edge: [1, 1.1 / 1.2, 0.9 / 1.2, 0.8 / 1.2],
  ridge: [1, 1, 1, 1],
  middle: [1, 1, 1, 1],
}

export const parapetShare = (zone: WindZone, parapetM: number, roofM: number): number =>
  between(parapets, behindParapet[zone], roofM > 0 ? parapetM / roofM : 0)
