import { type Walkway, defaultWalkway } from '../kinds/walkway/walkway'
import { type Rules } from '../setbacks/asked'
import { crossingOf, crossingsIn, type Crossing } from '../setbacks/crossings'
import { hasPathway, placesForPathway, type PathwayPlace } from '../setbacks/pathway'
import { isSamePlane, panelsOf, type Site } from '../site/site'

/** What came of keeping the ways free that rules ask for. */
export interface PathwaysKept {
  /** Walkways to draw; none where no way is missing. */
  readonly walkways: readonly Walkway[]
  /** The site with them, its arrays laid anew around them. */
  readonly site: Site
}

/** Places of one plane that are tried out. */
const mostTried = 8

/** A way over one plane, and the modules that are left on the roof with it. */
interface Way {
  readonly walkway: Walkway
  readonly left: number
}

/**
 * The walkways that give a roof the pathways its rules ask for, each where most modules stay once its plane is laid anew
 * around it, and on the planes that lose fewest.
 * @param siteWith the same site with walkways more
 */
export function keepPathways(
  site: Site,
  { pathways }: Pick<Rules, 'pathways'>,
  siteWith: (walkways: readonly Walkway[]) => Site,
  newId: () => string,
): PathwaysKept {
  const laid = site.arrays.filter(({ panels }) => panels.length > 0)
  if (!pathways || laid.length === 0) return { walkways: [], site }
  const { widthM, planes, besideArrays } = pathways
  const crossings = crossingsIn(site)
  const beside = new Set(besideArrays ? laid.map((array) => crossingOf(crossings, array)) : [])
  const found = crossings.map((crossing) => ({ crossing, way: hasPathway(crossing.crossed, widthM) }))
  const lacking = found.filter(({ way }) => way === false).map(({ crossing }) => crossing)
  const wayOver = (crossing: Crossing): Way[] => {
    const tried = worthTrying(placesForPathway(crossing.crossed, widthM), widthM).flatMap(({ middle }) => {
      const walkway = { ...defaultWalkway, id: newId(), center: middle, widthM }
      const then = siteWith([walkway])
      const there = crossingsIn(then).find(({ plane }) => isSamePlane(plane, crossing.plane))
      // Where roofs lie one over the other it may come to lie on another one.
      if (!there || !hasPathway(there.crossed, widthM)) return []
      return [{ walkway, left: panelsOf(then).length }]
    })
    return tried.length > 0 ? [tried.reduce((most, one) => (one.left > most.left ? one : most))] : []
  }
  const kept = lacking.filter((crossing) => beside.has(crossing)).flatMap(wayOver)
  // A roof of fewer planes cannot have more.
  const usable = found.filter(({ way }) => way !== null).length
  const missing = Math.min(planes, usable) - (usable - lacking.length) - kept.length
  const others =
    missing > 0
      ? lacking
          .filter((crossing) => !beside.has(crossing))
          .flatMap(wayOver)
          .sort((a, b) => b.left - a.left)
          .slice(0, missing)
      : []
  const walkways = [...kept, ...others].map(({ walkway }) => walkway)
  return walkways.length === 0 ? { walkways, site } : { walkways, site: siteWith(walkways) }
}

/**
 * Both ends of the plane, as one that is laid anew may have room there that it has not now, and the places that fewest
 * modules lie on; of those no two that share half their width.
 */
function worthTrying(places: readonly PathwayPlace[], widthM: number): readonly PathwayPlace[] {
  const chosen = [...new Set([...places.slice(0, 1), ...places.slice(-1)])]
  for (const place of [...places].sort((a, b) => a.modules - b.modules)) {
    if (chosen.length === mostTried) break
    if (chosen.slice(2).every(({ alongM }) => Math.abs(alongM - place.alongM) >= widthM / 2))
      chosen.push(place)
  }
  return chosen
}
