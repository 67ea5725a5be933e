import { add3, scale3, type Vec3 } from '../geometry/vector'

/** So far out of what it looks from an eye stands, m: no plane stands in its own sight. */
const outM = 0.02

/** An eye a little out of the plane that a point lies on, or over it where it lies on none. */
export const eyeOver = (point: Vec3, normal: Vec3 | null): Vec3 =>
  add3(point, scale3(normal ?? [0, 0, 1], outM))
