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

/**
 * Lays modules until an option has as many as wanted: whole planes in the order given, of the last one only what is
 * still missing, in unbroken rows from the eave up.
 * @param siteOf an option as geometry
 */
export function layWanted(
  option: Objects,
  planes: readonly PanelArray[],
  wanted: number,
  siteOf: (option: Objects) => Site,
): WantedLaid {
  let missing = Math.max(0, wanted - panelsOf(siteOf(option)).length)
  let next = option
  const arrays: { id: string; count: number }[] = []
  for (const array of planes) {
    if (missing === 0) break
    const panels =
      siteOf({ ...next, [array.id]: array }).arrays.find(({ id }) => id === array.id)?.panels ?? []
    if (panels.length === 0) continue
    const lowest = panels.map((panel) => ({ ...panel, worth: 1 - rowOf(panel) / 1000 }))
    const kept = mostWorth(lowest, missing, { unbroken: true })
    const removed = panels.filter(({ id }) => !kept.has(id)).map(({ slot }) => slot)
    next = { ...next, [array.id]: { ...array, removed } }
    arrays.push({ id: array.id, count: kept.size })
    missing -= kept.size
  }
  return { option: next, arrays, missing }
}
