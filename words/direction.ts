import { type Words } from './words'

const sides = [
  'n',
  'ne',
  'e',
  'se',
  's',
  'sw',
  'w',
  'nw',
] as const satisfies readonly (keyof Words['compass'])[]

/** The nearest of eight directions. @param azimuthDeg clockwise from north, 0 to 360 */
export const sideOf = (azimuthDeg: number): keyof Words['compass'] =>
  sides[Math.round(azimuthDeg / 45) % 8] ?? 'n'

/** The way something looks, in words. @param azimuthDeg clockwise from north, 0 to 360 */
const directionOf = (azimuthDeg: number, { compass }: Pick<Words, 'compass'>): string =>
  compass[sideOf(azimuthDeg)]

/** A slope of less than this has no direction, degrees. */
const levelDeg = 0.05
export const isLevel = ({ pitchDeg }: { readonly pitchDeg: number }): boolean => pitchDeg < levelDeg

/** The way a plane looks, or that it is level. */
export const looksOf = (
  plane: { readonly pitchDeg: number; readonly azimuthDeg: number },
  words: Pick<Words, 'compass' | 'roofForms'>,
): string => (isLevel(plane) ? words.roofForms.level : directionOf(plane.azimuthDeg, words))
