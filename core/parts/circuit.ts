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
const continuous = 1.25

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

/** Copper by American gauge at 75 °C and what it bears, A; small ones what may protect them (NFPA 70-2023, 310.16 and 240.4(D)). */
const gauges: readonly (readonly [string, number])[] = [
  ['14', 15],
  ['12', 20],
  ['10', 30],
  ['8', 50],
  ['6', 65],
  ['4', 85],
  ['3', 100],
  ['2', 115],
  ['1', 130],
  ['1/0', 150],
  ['2/0', 175],
  ['3/0', 200],
  ['4/0', 230],
]

/** The smallest American gauge that bears a current; null where none is so large. */
export const gaugeFor = (currentA: number): string | null =>
  gauges.find(([, bears]) => bears >= currentA)?.[0] ?? null

/** Of a string's short-circuit current in American practice: bright sun for hours, a quarter more twice over (690.8). */
export const stringGauge = (shortCircuitA: number): string | null => gaugeFor(shortCircuitA * continuous ** 2)
