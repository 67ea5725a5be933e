import { type Vec3 } from '../geometry/vector'
import { type Body } from './body'
import { type SunHours } from '../sun/sun-hours'

/** A flat rectangle that light falls on: corners counter-clockwise seen from its front, first side across the strips. */
export interface Receiver {
  readonly id: string
  readonly corners: readonly [Vec3, Vec3, Vec3, Vec3]
}

/** Cell groups behind bypass diodes: strips along the long side, each cut in two halves in half-cut modules. */
export interface CellGroups {
  readonly strips: number
  readonly halves: 1 | 2
}

/** A year of shade on one receiver. Arrays by group hold `entry * groups + group`, entries as in `SunHours`. */
export interface ReceiverShade {
  readonly id: string
  readonly groups: number
  /** Lit share of the beam at the worst sampled cell of each group, 0..1. */
  readonly litWorst: Float32Array
  /** Lit share of the beam over the whole receiver, one an entry. */
  readonly litMean: Float32Array
  /** Share of the unobstructed dome, cosine-weighted, that is seen. */
  readonly domeSeen: number
  /** The same for the lowest band of the sky. */
  readonly horizonSeen: number
  /** Blocked share of the beam by what blocks it, one an entry; shared evenly where several block one point. */
  readonly blockedBy: ReadonlyMap<string, Float32Array>
}

/**
 * Computes a year of beam and sky shade. The one place to put a faster method: the pipeline knows only this interface.
 */
export interface ShadeEngine {
  readonly name: string
  /** Changes whenever results may. */
  readonly version: number
  shade(
    receiver: Receiver,
    groups: CellGroups,
    normal: Vec3,
    bodies: readonly Body[],
    sun: SunHours,
  ): ReceiverShade
}
