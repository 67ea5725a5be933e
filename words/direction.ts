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

/** The way something looks, in words. @param azimuthDeg clockwise from north, 0 to 360 */
export const directionOf = (azimuthDeg: number, { compass }: Pick<Words, 'compass'>): string =>
  compass[sides[Math.round(azimuthDeg / 45) % 8] ?? 'n']
