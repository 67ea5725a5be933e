import { tooFewForString } from '../energy/directions'
import { type PanelArray } from '../kinds/array/array'
import { type Site } from '../site/site'

/** What came of filling planes; `Ways` is what keeps pathways over the roof free. */
export interface PlanesLaid<Ways> {
  readonly laid: readonly PanelArray[]
  /** Modules on them. */
  readonly modules: number
  /** Planes with room for modules, but not for a string. */
  readonly left: readonly PanelArray[]
  /** Modules that would have had room there. */
  readonly modulesLeft: number
  /** Planes that the ways take whole, which are therefore ways themselves. */
  readonly emptied: readonly PanelArray[]
  readonly ways: Ways
}

/**
 * Fills planes that have room for a string, with pathways kept free: a plane that they leave less than a string, or
 * nothing, stays empty, and those of the others are looked for anew. Where no plane has a string all that have room for a module are laid.
 * @param siteWith the site with arrays, and with ways where there are any yet
 * @param waysFor the ways that the roof needs with arrays
 * @param fewest modules of a string
 * @returns null where no module fits beside the ways
 */
export function layPlanes<Ways>(
  planes: readonly PanelArray[],
  siteWith: (arrays: readonly PanelArray[], ways: Ways | null) => Site,
  waysFor: (arrays: readonly PanelArray[]) => Ways,
  fewest: number,
): PlanesLaid<Ways> | null {
  const modulesOn = (some: readonly PanelArray[], { arrays }: Site) =>
    arrays
      .filter(({ id }) => some.some((array) => array.id === id))
      .reduce((sum, { panels }) => sum + panels.length, 0)
  const inStrings = (some: readonly PanelArray[], ways: Ways | null) => {
    const short = tooFewForString(siteWith(some, ways).arrays, fewest)
    return some.filter(({ id }) => !short.has(id))
  }
  const filled = siteWith(planes, null)
  const withRoom = planes.filter((plane) => modulesOn([plane], filled) > 0)
  if (withRoom.length === 0) return null
  const long = inStrings(withRoom, null)
  // Where no plane has room for a string the inverter is the wrong one: what it is to be comes later.
  let laid = long.length > 0 ? long : withRoom
  let ways = waysFor(laid)
  const emptied: PanelArray[] = []
  for (;;) {
    const there = siteWith(laid, ways)
    const isEmptied = (plane: PanelArray) => modulesOn([plane], there) === 0
    emptied.push(...laid.filter(isEmptied))
    const withModules = laid.filter((plane) => !isEmptied(plane))
    if (withModules.length === 0) return null
    const strung = long.length > 0 ? inStrings(withModules, ways) : withModules
    const still = strung.length > 0 ? strung : withModules
    if (still.length === laid.length) break
    laid = still
    ways = waysFor(laid)
  }
  const left = withRoom.filter((plane) => !laid.includes(plane) && !emptied.includes(plane))
  return {
    laid,
    modules: modulesOn(laid, siteWith(laid, ways)),
    left,
    modulesLeft: modulesOn(left, filled),
    emptied,
    ways,
  }
}
