import { type DrawnString } from '../kinds/electrical/electrical'
import { byInput } from './rules'
import { FreeInputs } from './side-by-side'
import { stringUp, type PanelString } from './stringing'
import { type StringLimits } from './string-search'

/** Strings drawn by hand as far as their modules are laid, and what of them is not. */
export interface StillDrawn {
  /** In the order they were drawn; `drawn` is their place in it. */
  readonly kept: readonly {
    readonly drawn: number
    readonly input: number | null
    readonly panelIds: readonly string[]
  }[]
  /** Modules that are drawn and no longer laid. */
  readonly gone: readonly string[]
}

/** @param laid modules that lie there now */
export function stillDrawn(drawn: readonly DrawnString[], laid: ReadonlySet<string>): StillDrawn {
  const kept = drawn.map(({ input, panelIds }, k) => ({
    drawn: k,
    input,
    panelIds: panelIds.filter((id) => laid.has(id)),
  }))
  return {
    kept: kept.filter(({ panelIds }) => panelIds.length > 0),
    gone: drawn.flatMap(({ panelIds }) => panelIds.filter((id) => !laid.has(id))),
  }
}

/**
 * Strings drawn by hand on their inputs, and all other modules strung on the inputs that are left. A drawn string without
 * an input, or with one that this inverter does not have, takes the first that is free; where none is, one that it may
 * share: as long as what hangs there, of modules that face the same way, and no more strings than `parallel`.
 * @param groups panel ids by direction and tilt, in the order they are strung in
 * @returns by their inputs, those without one last, numbered in that order
 */
export function stringUpWith(
  drawn: readonly DrawnString[],
  groups: readonly (readonly string[])[],
  limits: StringLimits,
): { readonly strings: PanelString[]; readonly gone: readonly string[] } {
  const groupOf = new Map(groups.flatMap((ids, g) => ids.map((id) => [id, g] as const)))
  const { kept, gone } = stillDrawn(drawn, new Set(groupOf.keys()))
  const used = new Map<number, StillDrawn['kept'][number][]>()
  const inverters = limits.inverters ?? 1
  const free = new FreeInputs({ inverters, mppInputs: limits.inputs / inverters })
  const hang = (input: number, string: StillDrawn['kept'][number]) => {
    if (input < 0) return
    used.set(input, [...(used.get(input) ?? []), string])
    free.hang(input, string.panelIds.length)
  }
  const inputOf = new Map<number, number>()
  const isHad = (input: number | null): input is number => input !== null && free.has(input)
  for (const string of kept)
    if (isHad(string.input)) {
      inputOf.set(string.drawn, string.input)
      hang(string.input, string)
    }
  const inputs = Array.from({ length: limits.inputs }, (_, input) => input)
  const facing = (panelIds: readonly string[]) => [...new Set(panelIds.map((id) => groupOf.get(id)))].join()
  for (const string of kept) {
    if (isHad(string.input)) continue
    const shared = inputs.find((input) => {
      const there = used.get(input) ?? []
      return (
        there.length < limits.parallel &&
        there.every(
          ({ panelIds }) =>
            panelIds.length === string.panelIds.length && facing(panelIds) === facing(string.panelIds),
        )
      )
    })
    const input = free.next() ?? shared ?? -1
    inputOf.set(string.drawn, input)
    hang(input, string)
  }
  const taken = new Set(kept.flatMap(({ panelIds }) => panelIds))
  const others = shareOut(
    groups.map((ids) => ids.filter((id) => !taken.has(id))),
    { ...limits, inputs: free.count, inverters },
    free,
  )
  const all = [
    ...kept.map((string) => ({
      input: inputOf.get(string.drawn) ?? -1,
      panelIds: string.panelIds,
      drawn: string.drawn,
    })),
    ...others,
  ]
  const place = ({ input }: { readonly input: number }) => (input < 0 ? limits.inputs : input)
  return {
    strings: all
      .map((string, at) => ({ string, at }))
      .sort((a, b) => place(a.string) - place(b.string) || a.at - b.at)
      .map(({ string }, k) => ({ id: `S${k + 1}`, ...string })),
    gone,
  }
}

/** Of the even share: an inverter with no more than that is not worth another string. */
const evenEnough = 1.2
/** With more modules than these the first way is taken: it is no house any more. */
const mostWeighed = 400

/**
 * Modules strung on the inputs that are free. Where several inverters share them and the fewest strings leave one far
 * fuller than another, shorter ones are tried: none that leave more modules without an input.
 */
function shareOut(
  groups: readonly (readonly string[])[],
  limits: StringLimits & { readonly inverters: number },
  free: FreeInputs,
): Pick<PanelString, 'input' | 'panelIds'>[] {
  const { inverters, fewest } = limits
  const modules = groups.reduce((sum, ids) => sum + ids.length, 0)
  const even = (evenEnough * (modules + free.modules)) / inverters
  const shortest = inverters > 1 && modules <= mostWeighed ? Math.max(1, fewest) : limits.most
  let best = hangOn(free.copy(), stringUp(groups, limits), inverters)
  for (let most = limits.most - 1; most >= shortest && best.fullest > even; most--) {
    const other = hangOn(free.copy(), stringUp(groups, { ...limits, most }), inverters)
    if (other.left <= best.left && other.fullest < best.fullest) best = other
  }
  return best.strings
}

/** Strings on their inputs, the fullest first where several inverters share them. @param free is used up */
function hangOn(free: FreeInputs, strings: readonly PanelString[], inverters: number) {
  const modules = new Map<number, number>()
  for (const { input, panelIds } of strings)
    if (input >= 0) modules.set(input, (modules.get(input) ?? 0) + panelIds.length)
  const order = [...modules].sort(([a, own], [b, other]) => (inverters > 1 ? other - own : 0) || a - b)
  const found = new Map<number, number>()
  for (const [input, own] of order) {
    const next = free.next()
    if (next === null) break
    free.hang(next, own)
    found.set(input, next)
  }
  const hung = strings.map(({ input, panelIds }) => ({ input: found.get(input) ?? -1, panelIds }))
  return {
    strings: hung,
    fullest: free.fullest,
    left: hung.reduce((sum, { input, panelIds }) => sum + (input < 0 ? panelIds.length : 0), 0),
  }
}

/** An input whose modules do not all face one way; its strings cannot all be at their best. */
export interface MixedInput {
  readonly input: number
  readonly directions: number
  readonly panelIds: readonly string[]
}

/** @param groups as in `stringUpWith` */
export function mixedInputs(
  strings: readonly PanelString[],
  groups: readonly (readonly string[])[],
): MixedInput[] {
  const groupOf = new Map(groups.flatMap((ids, g) => ids.map((id) => [id, g] as const)))
  return [...byInput(strings)].flatMap(([input, own]) => {
    const panelIds = own.flatMap((string) => string.panelIds)
    const directions = new Set(panelIds.map((id) => groupOf.get(id))).size
    return directions > 1 ? [{ input, directions, panelIds }] : []
  })
}
