import { type Body } from '../geometry/body'
import { type Vec3 } from '../geometry/vector'

/**
 * A flat parallelogram that light falls on: corners counter-clockwise seen from its front, first side across the strips.
 */
export type Receiver = readonly [Vec3, Vec3, Vec3, Vec3]

/** Cell groups behind bypass diodes: strips along the long side, each cut in two halves in half-cut modules. */
export interface CellGroups {
  readonly strips: number
  readonly halves: 1 | 2
}

/** One thing that casts shade, as bodies that are stopped by once. */
export type Caster = readonly Body[]

/** Whether a far horizon hides what lies in a direction. */
export type Horizon = (dx: number, dy: number, dz: number) => boolean

/** Whom what a far horizon hides is charged to, as a caster beside the objects of a job. */
export const farHorizonId = 'far-horizon'
/** The same of horizons that were measured on site, in the place of everything that is drawn. */
export const readingsId = 'horizon-readings'

/** What one caster takes from a receiver; shared evenly where several block one point. */
export interface Taken {
  readonly caster: string
  /** Entries of `SunHours` in which it takes some of the beam, and the share that it blocks. */
  readonly at: Int32Array
  readonly share: Float32Array
  /** Share of the dome, cosine-weighted, and the same of the lowest band of the sky. */
  readonly dome: number
  readonly horizon: number
}

/**
 * A year of shade on one receiver. It tells only of the entries of `SunHours` in which some of the beam is blocked while
 * the sun stands before the receiver; all others are fully lit. Arrays have one entry to each of `shaded`, those by
 * group `entry * groups + group`.
 */
export interface ReceiverShade {
  readonly groups: number
  /** Which entries of `SunHours`, ascending. */
  readonly shaded: Int32Array
  /** Lit share of the beam at the worst sampled cell of each group, 0..1. */
  readonly litWorst: Float32Array
  /** Lit share of the beam over the whole receiver. */
  readonly litMean: Float32Array
  /** Share of the unobstructed dome, cosine-weighted, that is seen. */
  readonly domeSeen: number
  /** The same for the lowest band of the sky. */
  readonly horizonSeen: number
  /** By what takes it, the objects first and then a far horizon where there is one. */
  readonly takenBy: readonly Taken[]
}

/** Memory that a year of shade takes. */
export const shadeBytes = ({ shaded, litWorst, litMean, takenBy }: ReceiverShade): number =>
  400 +
  [shaded, litWorst, litMean, ...takenBy.flatMap(({ at, share }) => [at, share])].reduce(
    (sum, series) => sum + series.byteLength,
    0,
  )
