import { type RoofPlane } from '../roof/plane'
import { flatBelowDeg } from '../setbacks/edges'
import { type Mounting, type RoofCovering } from './mounting'

/** What an option has chosen to fix modules with; null for the first that suits. */
export interface ChosenMountings {
  readonly mountingId: string | null
  readonly flatMountingId: string | null
}

const pitchedOnly: ReadonlySet<RoofCovering> = new Set(['shingle', 'tile', 'flat-tile'])

/** What a plane is covered with: shingles and tiles do not keep a flat roof dry. */
export const coveringOn = (
  { pitchDeg }: Pick<RoofPlane, 'pitchDeg'>,
  covering: RoofCovering,
): RoofCovering => (pitchDeg < flatBelowDeg && pitchedOnly.has(covering) ? 'membrane' : covering)

/** The mounting for a covering: the one that is chosen, else the first that suits; undefined where none does. */
export function mountingOn(
  mountings: readonly Mounting[],
  { mountingId, flatMountingId }: ChosenMountings,
  covering: RoofCovering,
): Mounting | undefined {
  const id = covering === 'membrane' ? flatMountingId : mountingId
  return id === null
    ? mountings.find(({ coverings }) => coverings.includes(covering))
    : mountings.find((mounting) => mounting.id === id)
}
