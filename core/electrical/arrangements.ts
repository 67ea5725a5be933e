import { type DrawnString } from '../kinds/electrical/electrical'
import { stringUpWith } from './by-hand'
import { asDrawn } from './edit-strings'
import { thereAndBack } from './electronics'
import { type StringLimits } from './string-search'
import { type PanelString } from './stringing'

/** What comes after what in strings: rows there and back, columns up and down, or the most light first. */
export type ArrangedBy = 'rows' | 'columns' | 'light'

/** One way to string all modules. */
export interface StringsWay {
  readonly by: ArrangedBy
  /** By their inputs; those without one last. */
  readonly strings: readonly PanelString[]
}

interface Placed {
  readonly id: string
  /** "row:column" */
  readonly slot: string
}

/** As many as are worth a run of the chain each. */
export const mostWays = 30

const idsOf = (panels: readonly Placed[]) => thereAndBack(panels).map(({ id }) => id)
/** The same with columns for rows. */
const idsAcross = (panels: readonly Placed[]) =>
  idsOf(panels.map(({ id, slot }) => ({ id, slot: slot.split(':').reverse().join(':') })))

/**
 * Other ways to string modules on the same inputs, each once: with the longest strings and shorter ones, the largest
 * group in two unequal strings, and each of these by rows, by columns and by light, so that modules in shade can have a
 * string of their own. Ways that leave more modules without an input than others do are left out.
 * @param groups faces of each direction, with their modules
 * @param light kWh/m² of each module in a year, by its id
 */
export function stringWays(
  groups: readonly (readonly (readonly Placed[])[])[],
  light: ReadonlyMap<string, number>,
  limits: StringLimits,
): StringsWay[] {
  const rows = groups.map((faces) => faces.flatMap(idsOf))
  const orders: Readonly<Record<ArrangedBy, readonly (readonly string[])[]>> = {
    rows,
    columns: groups.map((faces) => faces.flatMap(idsAcross)),
    light: rows.map((ids) => ids.toSorted((a, b) => (light.get(b) ?? 0) - (light.get(a) ?? 0))),
  }
  const found = new Map<string, StringsWay>()
  const add = (by: ArrangedBy, drawn: readonly DrawnString[], own: StringLimits) => {
    const { strings } = stringUpWith(drawn, orders[by], own)
    const key = signature(strings)
    if (!found.has(key)) found.set(key, { by, strings: strings.map(({ drawn: _, ...string }) => string) })
  }
  const all = ['rows', 'columns', 'light'] as const
  const fewest = Math.max(1, limits.fewest)
  for (const by of all) for (let most = limits.most; most >= fewest; most--) add(by, [], { ...limits, most })
  const sizes = orders.rows.map(({ length }) => length)
  const largest = sizes.indexOf(Math.max(...sizes))
  const count = sizes[largest] ?? 0
  if (limits.inputs > sizes.filter((size) => size > 0).length)
    for (let first = fewest; first <= count - fewest; first++)
      for (const by of ['light', 'rows'] as const) {
        const ids = orders[by][largest] ?? []
        if (first > limits.most || count - first > limits.most) continue
        add(
          by,
          [
            { input: null, panelIds: ids.slice(0, first) },
            { input: null, panelIds: ids.slice(first) },
          ],
          limits,
        )
      }
  const ways = [...found.values()]
  const without = ({ strings }: StringsWay) =>
    strings.filter(({ input }) => input < 0).reduce((sum, { panelIds }) => sum + panelIds.length, 0)
  const least = Math.min(...ways.map(without))
  return ways.filter((way) => without(way) === least).slice(0, mostWays)
}

/** The same for strings that differ in nothing but their numbers, their inputs and the order of their modules. */
export function signature(strings: readonly Pick<PanelString, 'input' | 'panelIds'>[]): string {
  const inputs = new Map<number, string[]>()
  for (const { input, panelIds } of strings)
    inputs.set(input, [...(inputs.get(input) ?? []), panelIds.toSorted().join(' ')])
  return [...inputs]
    .map(([input, own]) => `${input < 0 ? '-' : '+'} ${own.sort().join(' | ')}`)
    .sort()
    .join(' || ')
}

/** As it is set where one is taken. */
export const drawnWay = ({ strings }: StringsWay): DrawnString[] => strings.map(asDrawn)
