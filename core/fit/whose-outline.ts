import { centroid, containsPoint } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { awayFrom } from './rings'

/** An outline whose nearest side is farther from the site is another house's, m. */
const besideM = 5

/** Outlines as a reading of heights needs them, metres east and north of the site. */
export interface OutlinesFor {
  /** The house's; null where none is known. */
  readonly outline: readonly Vec2[] | null
  readonly others: readonly (readonly Vec2[])[]
}

/**
 * Which outline is the house's: the one that is drawn, else one of a survey in which or beside which the site's middle lies.
 * @param known by a survey, the nearest to the site first
 */
export function outlinesFor(drawn: readonly Vec2[] | null, known: readonly (readonly Vec2[])[]): OutlinesFor {
  const isMeant = (outline: readonly Vec2[]) =>
    containsPoint(outline, [0, 0]) || awayFrom([outline], [0, 0]) < besideM
  const outline = drawn ?? known.find(isMeant) ?? null
  const others = known.filter(
    (other) => other !== outline && !(drawn && containsPoint(drawn, centroid(other))),
  )
  return { outline, others }
}
