import { type PanelArray } from '@/core/kinds/array/array'
import { emptiedLike, mirroredArray, type Over } from '@/core/kinds/array/mirrored'
import { ofKind, type Objects } from '@/core/kinds/documents'
import { type RoofPlane } from '@/core/roof/plane'
import { type Site } from '@/core/site/site'
import { type ToolContext } from '../chart'

/** Corners this close are the same one; documents hold places to the millimetre, m. */
const closeM = 0.02

/** The plane that is another's image. Where several sides lie in one plane, its number is not that of a side's image. */
const imageAmong = (faces: readonly RoofPlane[], was: RoofPlane, over: Over): RoofPlane | undefined =>
  faces.find(
    ({ corners }) =>
      corners.length === was.corners.length &&
      was.corners.every(([x, y, z]) => {
        const [ix, iy] = over([x, y])
        return corners.some((c) => Math.hypot(c[0] - ix, c[1] - iy, c[2] - z) < closeM)
      }),
  )

/** Whether anything of an option lies on some objects. */
export const hasArraysOn = (option: Objects, owners: ReadonlySet<string>): boolean =>
  ofKind(option, 'array').some(({ volumeId }) => owners.has(volumeId))

/**
 * An option whose arrays are the images of what they were: what they lie on has been mirrored, and they lie on the same
 * planes.
 * @param before the site as it was with this option
 */
export function withMirroredArrays(
  context: Pick<ToolContext, 'siteWith' | 'module'>,
  option: Objects,
  owners: ReadonlySet<string>,
  before: Site,
  over: Over,
): Objects {
  const module = context.module(option)
  if (!module) return option
  const { objects } = context.siteWith(option)
  const images = ofKind(option, 'array').flatMap((array): PanelArray[] => {
    const was = before.arrays.find(({ id }) => id === array.id)?.margins?.plane
    const is =
      was && imageAmong(objects.find(({ id }) => id === array.volumeId)?.whole.faces ?? [], was, over)
    if (!was || !is || !owners.has(array.volumeId)) return []
    const { edgeIndex, step } = is
    return [mirroredArray({ ...array, edgeIndex, step }, was, is, module, over)]
  })
  const withAll = (arrays: readonly PanelArray[]): Objects => ({
    ...option,
    ...Object.fromEntries(arrays.map((array) => [array.id, array])),
  })
  // What is filled is laid anew: empty places are those that lie where the old ones' images do.
  const isFilled = ({ part, removed }: PanelArray) => part?.is !== 'rows' && removed.length > 0
  if (!images.some(isFilled)) return withAll(images)
  const whole = context.siteWith(
    withAll(images.map((array) => (isFilled(array) ? { ...array, removed: [] } : array))),
  )
  return withAll(
    images.map((array) => {
      if (!isFilled(array)) return array
      const empty = before.arrays.find(({ id }) => id === array.id)?.empty ?? []
      const places = whole.arrays.find(({ id }) => id === array.id)?.places ?? []
      return { ...array, removed: emptiedLike(empty, places, module, over) }
    }),
  )
}
