import { add2, rotate2, sub2, type Vec2 } from '../geometry/vector'
import { toRadians } from '../model/units'
import { wrappedDeg } from './mirror'
import { inWorld } from './place'

/** A point of the plan turned about another, clockwise as the compass counts. */
export const turnedPoint = (p: Vec2, about: Vec2, clockwiseDeg: number): Vec2 =>
  inWorld(add2(about, rotate2(sub2(p, about), toRadians(-clockwiseDeg))))

/** For what has a middle and a rotation, counted the other way round. */
export const turnedRound = <T extends { readonly center: Vec2; readonly rotationDeg: number }>(
  { center, rotationDeg }: T,
  about: Vec2,
  clockwiseDeg: number,
): { readonly center: Vec2; readonly rotationDeg: number } => ({
  center: turnedPoint(center, about, clockwiseDeg),
  // Hundredths, so that turned back it is what it was.
  rotationDeg: Number(wrappedDeg(rotationDeg - clockwiseDeg).toFixed(2)),
})
