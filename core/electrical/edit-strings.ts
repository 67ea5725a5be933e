import { longestDrawn, mostDrawn, type DrawnString } from '../kinds/electrical/electrical'
import { type PanelString } from './stringing'

type Strung = Pick<PanelString, 'input' | 'panelIds'>

/** A string as it is, drawn by hand. */
export const asDrawn = ({ input, panelIds }: Strung): DrawnString => ({
  input: input < 0 ? null : input,
  panelIds,
})

/** A branch of microinverters hangs on a breaker of its own: it has no input to keep. */
export const withoutInput = <T extends Strung>(branch: T): T => ({ ...branch, input: -1 })

/**
 * What is drawn by hand once some strings have become others: their modules leave every other drawn string, strings
 * that are left with none go, and modules in no drawn string are strung automatically.
 * @param was strings that are replaced, drawn or automatic; what is drawn is told by their first module
 * @param parts what becomes of them, in the place of the first of them that was drawn
 * @returns null where a string would be too long, or too many are drawn
 */
export function strungAs(
  drawn: readonly DrawnString[],
  was: readonly Pick<PanelString, 'panelIds'>[],
  parts: readonly DrawnString[],
): readonly DrawnString[] | null {
  const firsts = new Set(was.map(({ panelIds }) => panelIds[0]))
  const places = new Set(
    drawn.flatMap(({ panelIds }, place) => (panelIds.some((id) => firsts.has(id)) ? [place] : [])),
  )
  const taken = new Set(parts.flatMap(({ panelIds }) => panelIds))
  const at = Math.min(drawn.length, ...places)
  const left = drawn.map((string, place) => ({
    ...string,
    panelIds: places.has(place) ? [] : string.panelIds.filter((id) => !taken.has(id)),
  }))
  const all = [...left.slice(0, at), ...parts, ...left.slice(at)].filter(
    ({ panelIds }) => panelIds.length > 0,
  )
  const fits = all.length <= mostDrawn && all.every(({ panelIds }) => panelIds.length <= longestDrawn)
  return fits ? all : null
}

/** What is drawn of a string; none where it is strung automatically. */
export const drawnOf = (
  drawn: readonly DrawnString[],
  { panelIds: [first] }: Pick<PanelString, 'panelIds'>,
): DrawnString | undefined => drawn.find(({ panelIds }) => first !== undefined && panelIds.includes(first))

/** A string as it was drawn, with modules that are no longer laid, and on no input where none was chosen for it. */
export function wholeOf(drawn: readonly DrawnString[], string: Strung): Strung {
  const own = drawnOf(drawn, string)
  return own ? { input: own.input ?? -1, panelIds: own.panelIds } : string
}

/** The same string from its other end. */
export const reversed = (string: Strung): DrawnString => ({
  ...asDrawn(string),
  panelIds: string.panelIds.toReversed(),
})

/** Two strings of one; the second takes the next input that is free. @param first modules of the first of them */
export const splitAfter = (string: Strung, first: number): DrawnString[] => [
  { ...asDrawn(string), panelIds: string.panelIds.slice(0, first) },
  { input: null, panelIds: string.panelIds.slice(first) },
]

/** One string of two, the second after the first, on the input of the first that has one. */
export const joined = (one: Strung, other: Strung): DrawnString => ({
  input: asDrawn(one).input ?? asDrawn(other).input,
  panelIds: [...one.panelIds, ...other.panelIds],
})

/** With more modules at its end. */
export const withModules = (string: Strung, panelIds: readonly string[]): DrawnString => {
  const more = new Set(panelIds)
  return {
    ...asDrawn(string),
    panelIds: [...string.panelIds.filter((id) => !more.has(id)), ...more],
  }
}
