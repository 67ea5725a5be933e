import { add2, distance2, rotate2, scale2, sub2, type Vec2 } from '../../geometry/vector'
import { Fault } from '../../model/fault'
import { toDegrees, toRadians } from '../../model/units'
import { wrappedDeg } from '../mirror'
import { inWorld } from '../place'
import { longestUnitM, shortestUnitM, type Underlay } from './underlay'

/** How a sheet lies: what its points are on the ground. */
export type Lie = Pick<Underlay, 'metresPerUnit' | 'center' | 'rotationDeg'>

/** A point of a sheet, in its units right and up of its middle, on the ground. */
export const onGround = ({ metresPerUnit, center, rotationDeg }: Lie, p: Vec2): Vec2 =>
  add2(center, rotate2(scale2(p, metresPerUnit), toRadians(rotationDeg)))

/** A point of the ground, in units of a sheet right and up of its middle. */
export const onSheet = ({ metresPerUnit, center, rotationDeg }: Lie, p: Vec2): Vec2 =>
  scale2(rotate2(sub2(p, center), toRadians(-rotationDeg)), 1 / metresPerUnit)

/** Two points nearer than this say nothing of a scale, m. */
export const nearestM = 1e-3
/** Lengths are known to this many figures. */
const figures = 9

/**
 * A sheet drawn larger or smaller so that two of its points are so far apart; the first stays where it is.
 * @param azimuthDeg from the first to the second, clockwise from north; null leaves the sheet as it is turned
 * @throws Fault `points-too-near`, `scale-out-of-range`
 */
export function calibrated(
  lie: Lie,
  [from, to]: readonly [Vec2, Vec2],
  lengthM: number,
  azimuthDeg: number | null,
): Lie {
  const measuredM = distance2(from, to)
  if (measuredM < nearestM) throw new Fault('points-too-near')
  const metresPerUnit = Number(((lie.metresPerUnit * lengthM) / measuredM).toPrecision(figures))
  if (!(metresPerUnit >= shortestUnitM && metresPerUnit <= longestUnitM))
    throw new Fault('scale-out-of-range')
  const [x, y] = sub2(to, from)
  const nowDeg = toDegrees(Math.atan2(x, y))
  const turnDeg = azimuthDeg === null ? 0 : nowDeg - azimuthDeg
  const rotationDeg = Number(wrappedDeg(lie.rotationDeg + turnDeg).toFixed(4))
  // By what was kept of scale and turn, so that the first point stays to the millimetre.
  const corner = onSheet(lie, from)
  const center = sub2(from, onGround({ metresPerUnit, center: [0, 0], rotationDeg }, corner))
  return { metresPerUnit, rotationDeg, center: inWorld(center) }
}
