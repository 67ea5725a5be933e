import { type LaidArray } from '../site/site'
import { heatAt } from './array-heat'

/** The same for faces of one direction and tilt that are warmed alike. */
export function directionOf(face: LaidArray): string {
  const { u0, u1 } = heatAt(face)
  const near = [...face.plane.normal, u0, u1].map((value) => value.toFixed(3))
  return [...near, JSON.stringify(face.tracker)].join(' ')
}

/** Faces whose modules may share an input: one direction, one tilt, warmed alike. */
export function facesByDirection(faces: readonly LaidArray[]): LaidArray[][] {
  const groups = new Map<string, LaidArray[]>()
  for (const face of faces) {
    const key = directionOf(face)
    groups.set(key, [...(groups.get(key) ?? []), face])
  }
  return [...groups.values()]
}

/**
 * Arrays that no string can be made of: their modules, with all others that face their way, are fewer than it needs.
 * @param fewest modules of a string
 * @returns their ids
 */
export const tooFewForString = (arrays: readonly LaidArray[], fewest: number): ReadonlySet<string> =>
  new Set(
    facesByDirection(arrays)
      .filter((faces) => faces.reduce((sum, { panels }) => sum + panels.length, 0) < fewest)
      .flatMap((faces) => faces.map(({ id }) => id)),
  )
