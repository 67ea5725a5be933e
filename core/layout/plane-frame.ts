import { type RoofPlane } from '../roof/plane'
import { toRadians } from '../model/units'
import { add3, cross3, dot3, scale3, sub3, unit3, type Vec2, type Vec3 } from '../geometry/vector'

/** Coordinates on a plane: u level (to the right seen from below the eave), v up the slope, metres. */
export interface PlaneFrame {
  readonly origin: Vec3
  readonly u: Vec3
  readonly v: Vec3
  readonly normal: Vec3
}

export function frameOf(plane: Pick<RoofPlane, 'corners' | 'normal'>): PlaneFrame {
  const normal = plane.normal
  const level: Vec3 = [-normal[1], normal[0], 0]
  // On a flat plane every direction is level: take the first edge.
  const first = unit3(sub3(plane.corners[1] ?? [1, 0, 0], plane.corners[0] ?? [0, 0, 0]))
  const u = Math.hypot(level[0], level[1]) < 1e-9 ? first : unit3(level)
  return { origin: plane.corners[0] ?? [0, 0, 0], u, v: cross3(normal, u), normal }
}

/** The frame turned about its origin, degrees clockwise as seen from above. */
export function turnedFrame(frame: PlaneFrame, clockwiseDeg: number): PlaneFrame {
  if (clockwiseDeg === 0) return frame
  const [cos, sin] = [Math.cos(toRadians(clockwiseDeg)), Math.sin(toRadians(clockwiseDeg))]
  const u = add3(scale3(frame.u, cos), scale3(frame.v, -sin))
  return { ...frame, u, v: cross3(frame.normal, u) }
}

export const toFrame = (frame: PlaneFrame, p: Vec3): Vec2 => {
  const d = sub3(p, frame.origin)
  return [dot3(d, frame.u), dot3(d, frame.v)]
}

/** A point of the frame in space, lifted off the plane along its normal. */
export const fromFrame = (frame: PlaneFrame, p: Vec2, liftM = 0): Vec3 =>
  [0, 1, 2].map(
    (axis) =>
      (frame.origin[axis] as number) +
      p[0] * (frame.u[axis] as number) +
      p[1] * (frame.v[axis] as number) +
      liftM * (frame.normal[axis] as number),
  ) as unknown as Vec3

/** A point of the plan straight up or down onto the plane, in the plane's frame. */
export function planOntoFrame(frame: PlaneFrame, p: Vec2): Vec2 {
  const { origin, normal } = frame
  const z = origin[2] - (normal[0] * (p[0] - origin[0]) + normal[1] * (p[1] - origin[1])) / normal[2]
  return toFrame(frame, [p[0], p[1], z])
}
