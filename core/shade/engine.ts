import { type Body } from '../geometry/body'
import { type Vec3 } from '../geometry/vector'
import { type SunHours } from '../sun/sun-hours'

/** A flat rectangle that light falls on: corners counter-clockwise seen from its front, first side across the strips. */
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
  /**
   * Blocked share of the beam by what blocks it, in the order of the casters; shared evenly where several block one
   * point. Null for a caster that never does.
   */
  readonly blockedBy: readonly (Float32Array | null)[]
}

/** Memory that a year of shade takes. */
export const shadeBytes = ({ shaded, litWorst, litMean, blockedBy }: ReceiverShade): number =>
  400 + [shaded, litWorst, litMean, ...blockedBy].reduce((sum, series) => sum + (series?.byteLength ?? 0), 0)

/**
 * Computes a year of beam and sky shade. The one place to put a faster method: the chain knows only this interface.
 */
export interface ShadeEngine {
  readonly name: string
  /** Changes whenever results may. */
  readonly version: number
  /** Points of a module that light is sought at. */
  readonly pointsOn: (groups: CellGroups) => number
  readonly shade: (
    receiver: Receiver,
    groups: CellGroups,
    normal: Vec3,
    casters: readonly Caster[],
    sun: SunHours,
    /** Nothing is hidden by one that is not given. What it hides is charged to no caster. */
    horizon?: Horizon,
  ) => ReceiverShade
}
