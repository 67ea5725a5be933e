import { cross3, dot3, unit3, type Vec3 } from '../geometry/vector'
import { toRadians } from '../model/units'
import { type SunHours } from './sun-hours'

/** How a plane turns after the sun. */
export type Tracker =
  | {
      readonly kind: 'one-axis'
      /** Of the axis: rise from the horizontal towards its azimuth. */
      readonly axisTiltDeg: number
      readonly axisAzimuthDeg: number
      /** Greatest turn to either side. */
      readonly limitDeg: number
      /** Module width over row pitch; with backtracking rows turn back before they shade each other. */
      readonly groundCover: number
      readonly backtracking: boolean
    }
  | { readonly kind: 'two-axis'; readonly limitDeg: number }

/** Upward unit normal of a plane: tilt from the horizontal, azimuth clockwise from north. */
export function normalOf(tiltDeg: number, azimuthDeg: number): Vec3 {
  const [t, a] = [toRadians(tiltDeg), toRadians(azimuthDeg)]
  return [Math.sin(t) * Math.sin(a), Math.sin(t) * Math.cos(a), Math.cos(t)]
}

const up: Vec3 = [0, 0, 1]

/**
 * Which way the plane faces in every entry of `SunHours`. One axis: the ideal turn after Marion & Dobos 2013 ("Rotation
 * angle for the optimum tracking of one-axis trackers", NREL/TP-6A20-58891, eq. 4); backtracking on even ground after
 * Anderson & Mikofski 2020 ("Slope-aware backtracking for single-axis trackers", NREL/TP-5K00-76626, eq. 14).
 * @returns three numbers an entry: east, north, up
 */
export function trackedNormals(tracker: Tracker, sun: Pick<SunHours, 'direction'>): Float64Array {
  const out = new Float64Array(sun.direction.length)
  const facing = tracker.kind === 'one-axis' ? oneAxis(tracker) : twoAxis(tracker.limitDeg)
  for (let k = 0; k < out.length; k += 3) {
    const normal = facing([
      sun.direction[k] as number,
      sun.direction[k + 1] as number,
      sun.direction[k + 2] as number,
    ])
    out.set(normal, k)
  }
  return out
}

function oneAxis(tracker: Extract<Tracker, { kind: 'one-axis' }>): (sun: Vec3) => Vec3 {
  const [t, a] = [toRadians(tracker.axisTiltDeg), toRadians(tracker.axisAzimuthDeg)]
  const axis: Vec3 = [Math.cos(t) * Math.sin(a), Math.cos(t) * Math.cos(a), Math.sin(t)]
  const across = unit3(cross3(axis, up))
  const rest = cross3(across, axis)
  const limit = toRadians(tracker.limitDeg)
  return (sun) => {
    const ideal = Math.atan2(dot3(sun, across), dot3(sun, rest))
    // Rows shade each other once the light's width across them is less than their own.
    const reach = Math.abs(Math.cos(ideal)) / tracker.groundCover
    const back = tracker.backtracking && reach < 1 ? Math.sign(ideal) * Math.acos(reach) : 0
    const turn = Math.max(-limit, Math.min(limit, ideal - back))
    const [s, c] = [Math.sin(turn), Math.cos(turn)]
    return [0, 1, 2].map((i) => s * (across[i] as number) + c * (rest[i] as number)) as unknown as Vec3
  }
}

function twoAxis(limitDeg: number): (sun: Vec3) => Vec3 {
  const limit = toRadians(limitDeg)
  return (sun) => {
    const tilt = Math.acos(Math.max(-1, Math.min(1, sun[2])))
    if (tilt <= limit) return sun
    const level = Math.hypot(sun[0], sun[1])
    const [s, c] = [Math.sin(limit), Math.cos(limit)]
    return [(sun[0] / level) * s, (sun[1] / level) * s, c]
  }
}
