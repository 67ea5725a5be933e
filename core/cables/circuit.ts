import { type Site } from '../kinds/site/site'

export type Grid = Pick<Site, 'gridPhases' | 'gridVoltageV'>

/** Current of a device in each conductor, A: power over volts, over the root of three for three phases. */
export const acCurrentA = (powerW: number, { gridPhases, gridVoltageV }: Grid): number =>
  powerW / (gridVoltageV * (gridPhases === 'three' ? Math.sqrt(3) : 1))

/** Volts that a small device of one phase is connected to: of three phases, between one of them and the neutral. */
export const phaseVoltageV = ({ gridPhases, gridVoltageV }: Grid): number =>
  gridVoltageV / (gridPhases === 'three' ? Math.sqrt(3) : 1)

/** Poles that a breaker opens: of one phase the live conductor and the neutral. */
export const polesOf = ({ gridPhases }: Pick<Grid, 'gridPhases'>): number => (gridPhases === 'three' ? 3 : 2)

/** What flows for hours is taken a quarter higher (NFPA 70-2023, 690.8). */
export const continuous = 1.25

/** Ratings that breakers are made in, A (IEC 60898-1 and NFPA 70-2023, 240.6, together). */
export const breakerRatings = [
  6, 10, 13, 15, 16, 20, 25, 30, 32, 35, 40, 45, 50, 60, 63, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225,
  250,
] as const

/** The smallest rating that bears a current all day, A; null where there is none so large. */
export const breakerFor = (currentA: number): number | null =>
  breakerRatings.find((rating) => rating >= currentA * continuous - 1e-9) ?? null

/** Three loaded copper conductors in conduit on a wall, PVC, air of 30 °C: mm² and what they bear, A (IEC 60364-5-52, table B.52.4, B1). */
const ampacities: readonly (readonly [number, number])[] = [
  [1.5, 15.5],
  [2.5, 21],
  [4, 28],
  [6, 36],
  [10, 50],
  [16, 68],
  [25, 89],
  [35, 110],
  [50, 134],
  [70, 171],
  [95, 207],
  [120, 239],
]

/** The smallest conductor that a breaker protects, mm²; null where none is so large. */
export const conductorFor = (breakerA: number): number | null =>
  ampacities.find(([, bears]) => bears >= breakerA)?.[0] ?? null

/** Copper by American gauge: what it bears at 75 °C, A, small ones what may protect them (NFPA 70-2023, 310.16 and 240.4(D)), and mm². */
const gauges: readonly (readonly [string, number, number])[] = [
  ['14', 15, 2.08],
  ['12', 20, 3.31],
  ['10', 30, 5.26],
  ['8', 50, 8.37],
  ['6', 65, 13.3],
  ['4', 85, 21.2],
  ['3', 100, 26.7],
  ['2', 115, 33.6],
  ['1', 130, 42.4],
  ['1/0', 150, 53.5],
  ['2/0', 175, 67.4],
  ['3/0', 200, 85],
  ['4/0', 230, 107],
]

/** The smallest American gauge that bears a current; null where none is so large. */
export const gaugeFor = (currentA: number): string | null =>
  gauges.find(([, bears]) => bears >= currentA)?.[0] ?? null

/** Of a string's short-circuit current in American practice: bright sun for hours, a quarter more twice over (690.8). */
export const stringGauge = (shortCircuitA: number): string | null => gaugeFor(shortCircuitA * continuous ** 2)

/** Copper that carries the current of strings on a house's roof, mm². */
export const dcConductors = [4, 6, 10, 16] as const
/** Two of them side by side on a surface, air of 60 °C, bear so much, A (EN 50618:2014, table A.3). */
const dcBears: Readonly<Record<(typeof dcConductors)[number], number>> = { 4: 44, 6: 57, 10: 79, 16: 107 }

/** The smallest that bears the short-circuit current of strings in bright sun, mm²; the largest where none does. */
export const dcConductorFor = (shortCircuitA: number): number =>
  dcConductors.find((one) => dcBears[one] >= shortCircuitA * continuous) ?? 16

/** Whether conductors are told by gauge or by mm². */
export type Sizing = 'gauge' | 'mm2'

const gaugesMm2: readonly number[] = gauges.map(([, , mm2]) => mm2)

/** Cross-sections to choose from for strings and for the house's circuits, mm². */
export const sizesOf = {
  mm2: { dc: dcConductors, ac: ampacities.map(([mm2]) => mm2) },
  // Strings of thinner ones than 12 are not made.
  gauge: { dc: gaugesMm2.slice(1, 6), ac: gaugesMm2 },
} as const satisfies Readonly<Record<Sizing, Readonly<Record<'dc' | 'ac', readonly number[]>>>>

/** The gauge of a cross-section, or the next thicker one. */
export const gaugeOf = (mm2: number): string =>
  (gauges.find(([, , area]) => area >= mm2 - 0.01) ?? gauges.at(-1) ?? ['4/0'])[0]

const areaOf = (gauge: string | null): number => gauges.find(([name]) => name === gauge)?.[2] ?? 107

/** Of strings whose short-circuit current it has to bear, mm². */
export const stringMm2 = (shortCircuitA: number, sizing: Sizing): number =>
  sizing === 'gauge'
    ? Math.max(areaOf('12'), areaOf(stringGauge(shortCircuitA)))
    : dcConductorFor(shortCircuitA)

/** Of a circuit that carries a current all day, mm²; the thickest where none bears it. */
export function circuitMm2(currentA: number, sizing: Sizing): number {
  const breakerA = breakerFor(currentA) ?? Infinity
  return sizing === 'gauge' ? areaOf(gaugeFor(breakerA)) : (conductorFor(breakerA) ?? 120)
}
