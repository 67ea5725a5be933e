import { add3, cross3, scale3, sub3, unit3, type Vec3 } from '../geometry/vector'
import { type Racking } from './racking'
import { type Foot, type Rail } from './rail'

type Quad = readonly [Vec3, Vec3, Vec3, Vec3]

/** Plates of feet as they are drawn, m. */
const plateM = 0.1

function quad(a: Vec3, b: Vec3, normal: Vec3, widthM: number): Quad {
  const side = scale3(unit3(cross3(normal, sub3(b, a))), widthM / 2)
  return [sub3(a, side), sub3(b, side), add3(b, side), add3(a, side)]
}

/** A rail's four corners, as wide as it is. */
export const railOutline = (
  { ends: [a, b] }: Rail,
  { normal, mounting }: Pick<Racking, 'normal' | 'mounting'>,
): Quad => quad(a, b, normal, mounting.rail.widthM)

/** The plate of a foot under its rail. */
export function footOutline({ at }: Foot, { ends: [a, b] }: Rail, { normal }: Pick<Racking, 'normal'>): Quad {
  const half = scale3(unit3(sub3(b, a)), plateM / 2)
  return quad(sub3(at, half), add3(at, half), normal, plateM)
}
