import { keepOutsOn } from '../kinds/below'
import { type RoofPlane } from '../roof/plane'
import { isRoofed, isSamePlane, type Site } from '../site/site'
import { flatBelowDeg } from './edges'
import { type Crossed } from './pathway'

/** A pitched plane of a building that people may have to go up. */
export interface Crossing {
  readonly plane: RoofPlane
  readonly crossed: Crossed
}

/** The pitched planes of the customer's buildings with what lies and stands on them. */
export function crossingsIn(site: Site): Crossing[] {
  const isWay = ({ kind }: Site['objects'][number]) => kind === 'walkway'
  const below = {
    objects: site.objects
      .filter((object) => !isWay(object))
      .map(({ id, whole }) => ({ id, geometry: whole })),
    module: null,
    setbacksM: { eave: 0, ridge: 0, rake: 0, hip: 0, valley: 0, wall: 0, flat: null },
  }
  const walkways = site.objects
    .filter(isWay)
    .flatMap(({ geometry }) => geometry.keepOuts.map(({ base }) => base))
  return site.objects
    .filter((object) => object.kind === 'volume' && isRoofed(object))
    .flatMap(({ id, whole }) =>
      whole.faces
        .filter(({ pitchDeg }) => pitchDeg >= flatBelowDeg)
        .map((plane) => ({
          plane,
          crossed: {
            plane,
            obstructions: keepOutsOn(below, id, plane).map(({ base }) => base),
            walkways,
            modules: site.arrays
              .filter(({ margins }) => margins !== null && isSamePlane(margins.plane, plane))
              .flatMap(({ panels }) => panels.map(({ corners }) => corners)),
          },
        })),
    )
}

/** The crossing of the plane that an array lies on; undefined for racks and level roofs. */
export const crossingOf = (
  crossings: readonly Crossing[],
  { margins }: Pick<Site['arrays'][number], 'margins'>,
): Crossing | undefined =>
  margins ? crossings.find(({ plane }) => isSamePlane(plane, margins.plane)) : undefined
