import { tooFewForString } from '../energy/directions'
import { type PanelArray } from '../kinds/array/array'
import { type Objects } from '../kinds/documents'
import { mostWorth } from '../layout/trim'
import { panelsOf, type Panel, type Site } from '../site/site'

/** What came of laying so many modules. */
export interface WantedLaid {
  readonly option: Objects
  /** The arrays that were laid, and how many modules each holds. */
  readonly arrays: readonly { readonly id: string; readonly count: number }[]
  /** Modules that found no place. */
  readonly missing: number
}

const rowOf = ({ slot }: Pick<Panel, 'slot'>) => Number(slot.split(':')[0])

/** An array with so many of its modules left, in unbroken rows from the eave up. */
interface Laid {
  readonly array: PanelArray
  /** All that it has room for. */
  readonly panels: readonly Panel[]
  readonly count: number
}

function fromTheEave(array: PanelArray, panels: readonly Panel[], most: number): Laid {
  const lowest = panels.map((panel) => ({ ...panel, worth: 1 - rowOf(panel) / 1000 }))
  const kept = mostWorth(lowest, most, { unbroken: true })
  const removed = panels.filter(({ id }) => !kept.has(id)).map(({ slot }) => slot)
  return { array: { ...array, removed }, panels, count: kept.size }
}

/**
 * Lays modules until an option has as many as wanted: whole planes in the order given, of the last one only what is
 * still missing, in unbroken rows from the eave up. Where that is less than a string needs, a plane before it that can
 * spare them gives it some, and where none can it stays empty. Where nothing comes to a string, all is laid as if one
 * module were enough.
 * @param siteOf an option as geometry
 * @param fewest modules of a string
 */
export function layWanted(
  option: Objects,
  planes: readonly PanelArray[],
  wanted: number,
  siteOf: (option: Objects) => Site,
  fewest: number,
): WantedLaid {
  let missing = Math.max(0, wanted - panelsOf(siteOf(option)).length)
  let laid: readonly Laid[] = []
  const withAll = (some: readonly Laid[]): Objects => ({
    ...option,
    ...Object.fromEntries(some.map(({ array }) => [array.id, array])),
  })
  for (const array of planes) {
    if (missing === 0) break
    const panels =
      siteOf({ ...withAll(laid), [array.id]: array }).arrays.find(({ id }) => id === array.id)?.panels ?? []
    if (panels.length === 0) continue
    const there = fromTheEave(array, panels, missing)
    const filled = [...laid, there]
    const isShort = tooFewForString(siteOf(withAll(filled)).arrays, fewest).has(array.id)
    const found = isShort ? shared(laid, there, fewest) : filled
    if (!found) continue
    laid = found
    missing -= there.count
  }
  // Where no plane has a string the inverter is the wrong one: what it is to be comes later.
  if (laid.length === 0 && missing > 0 && fewest > 1) return layWanted(option, planes, wanted, siteOf, 1)
  return {
    option: withAll(laid),
    arrays: laid.map(({ array: { id }, count }) => ({ id, count })),
    missing,
  }
}

/** A last array filled up to a string with modules of one before it; null where that has none to spare. */
function shared(laid: readonly Laid[], last: Laid, fewest: number): Laid[] | null {
  const filled = fromTheEave(last.array, last.panels, fewest)
  const more = fewest - last.count
  const giver = laid.filter(({ count }) => count - more >= fewest).at(-1)
  if (!giver || filled.count < fewest) return null
  const rest = fromTheEave(giver.array, giver.panels, giver.count - more)
  return [...laid.map((one) => (one === giver ? rest : one)), filled]
}
