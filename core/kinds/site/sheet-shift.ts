import { type Vec2 } from '../../geometry/vector'

/**
 * Over an aerial picture that was taken at a slant, things lie displaced by their height. Shifted as a whole it sits
 * right at one height, and everywhere when it was taken from straight above.
 */

/** To the millimetre. */
const rounded = (metres: number): number => Math.round(metres * 1000) / 1000 + 0

/**
 * The height over the ground at which a picture sits right, m.
 * @param leanM how far east and north a thing a metre tall is displaced in it, m
 * @param shiftM by how much it is shifted east and north, m
 */
export function rightAtM(leanM: Vec2, shiftM: Vec2): number {
  const square = leanM[0] ** 2 + leanM[1] ** 2
  return square === 0 ? 0 : rounded(-(shiftM[0] * leanM[0] + shiftM[1] * leanM[1]) / square)
}

/** The shift with which a picture sits right at a height, m: what it was shifted across its lean besides stays. */
export function shiftFor(leanM: Vec2, shiftM: Vec2, heightM: number): [number, number] {
  const more = heightM - rightAtM(leanM, shiftM)
  return [rounded(shiftM[0] - more * leanM[0]), rounded(shiftM[1] - more * leanM[1])]
}

/** The shift with which what lies at one place comes to lie at another, m. */
export const shiftFromTo = (shiftM: Vec2, from: Vec2, to: Vec2): [number, number] => [
  rounded(shiftM[0] + to[0] - from[0]),
  rounded(shiftM[1] + to[1] - from[1]),
]
