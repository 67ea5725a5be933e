/** A module and the array it belongs to. */
export interface ModuleRef {
  readonly id: string
  readonly arrayId: string
}

/** What is in hand: one thing or several, or modules. Several are always two or more. */
export type Selection =
  | { readonly kind: 'object'; readonly id: string }
  | { readonly kind: 'objects'; readonly ids: readonly string[] }
  | { readonly kind: 'panel'; readonly id: string; readonly arrayId: string }
  | { readonly kind: 'panels'; readonly panels: readonly ModuleRef[] }

/** More than one thing in hand. */
export type Several = Extract<Selection, { readonly kind: 'objects' | 'panels' }>

const unique = <T>(items: readonly T[], key: (item: T) => string): T[] => [
  ...new Map(items.map((item) => [key(item), item])).values(),
]

export function ofObjects(given: readonly string[]): Selection | null {
  const ids = unique(given, (id) => id)
  const [id] = ids
  if (id === undefined) return null
  return ids.length === 1 ? { kind: 'object', id } : { kind: 'objects', ids }
}

export function ofModules(given: readonly ModuleRef[]): Selection | null {
  const panels = unique(given, ({ id }) => id).map(({ id, arrayId }) => ({ id, arrayId }))
  const [first] = panels
  if (!first) return null
  return panels.length === 1 ? { kind: 'panel', ...first } : { kind: 'panels', panels }
}

/** Objects that are chosen as wholes. */
export function objectIdsOf(selection: Selection | null): readonly string[] {
  if (selection?.kind === 'object') return [selection.id]
  return selection?.kind === 'objects' ? selection.ids : []
}

export function modulesOf(selection: Selection | null): readonly ModuleRef[] {
  if (selection?.kind === 'panel') return [selection]
  return selection?.kind === 'panels' ? selection.panels : []
}

/** What is drawn as chosen: objects or modules. */
export const chosenIds = (selection: Selection | null): string[] => [
  ...objectIdsOf(selection),
  ...modulesOf(selection).map(({ id }) => id),
]

/** The objects it is about; modules belong to their arrays. */
export const ownerIds = (selection: Selection | null): string[] => [
  ...new Set([...objectIdsOf(selection), ...modulesOf(selection).map(({ arrayId }) => arrayId)]),
]

/** The one object that it is about; null for several. */
export function soleOwner(selection: Selection | null): string | null {
  const owners = ownerIds(selection)
  return owners.length === 1 ? (owners[0] ?? null) : null
}

/** Adds what is not chosen yet. Modules and whole objects do not go together: whichever is added stays. */
export function added(selection: Selection | null, more: Selection | null): Selection | null {
  if (!more) return selection
  const modules = modulesOf(more)
  return modules.length > 0
    ? ofModules([...modulesOf(selection), ...modules])
    : ofObjects([...objectIdsOf(selection), ...objectIdsOf(more)])
}

/** Adds something, or takes it out if it is chosen already. */
export function toggled(selection: Selection | null, one: Selection | null): Selection | null {
  const chosen = new Set(chosenIds(selection))
  const ids = chosenIds(one)
  if (ids.length === 0 || !ids.every((id) => chosen.has(id))) return added(selection, one)
  const left = new Set(ids)
  return modulesOf(selection).length > 0
    ? ofModules(modulesOf(selection).filter(({ id }) => !left.has(id)))
    : ofObjects(objectIdsOf(selection).filter((id) => !left.has(id)))
}
