import { houseId, withObject } from '../../store/documents'
import { toast } from '../../store/session'
import { type ToolContext } from '../chart'
import { movable } from '../movable'

/** Deletes what is selected: a module leaves an empty place, an object goes. */
export function removeSelected(context: ToolContext): boolean {
  const { selection, optionId } = context.session.getState()
  if (!selection) return false
  if (selection.kind === 'panel') {
    const slot = selection.id.slice(selection.arrayId.length + 1)
    context.documents.edit('Delete module', optionId, (before) => {
      const array = before[selection.arrayId]
      return array?.kind === 'array' || array?.kind === 'rack'
        ? { ...before, [array.id]: { ...array, removed: [...array.removed, slot] } }
        : before
    })
    context.session.setState({ selection: { kind: 'object', id: selection.arrayId } })
    toast(context.session, 'Module deleted. Its place stays: click it to put one back.', true)
    return true
  }
  removeObject(context, selection.id)
  return true
}

export function removeObject(context: ToolContext, id: string): void {
  const { optionId } = context.session.getState()
  const inHouse = context.documents.house[id]
  const object = inHouse ?? context.option()[id]
  if (!object || !['volume', 'chimney', 'tree', 'array', 'rack'].includes(object.kind)) return
  const name = 'name' in object ? object.name : 'Array'
  context.documents.edit(`Delete ${name}`, inHouse ? houseId : optionId, (before) =>
    withObject(before, id, null),
  )
  context.session.setState({ selection: null, hover: null })
  toast(context.session, `${name} deleted.`, true)
}

export function restoreSlot(context: ToolContext, arrayId: string, slot: string): void {
  context.documents.edit('Restore module', context.session.getState().optionId, (before) => {
    const array = before[arrayId]
    return array?.kind === 'array' || array?.kind === 'rack'
      ? { ...before, [arrayId]: { ...array, removed: array.removed.filter((s) => s !== slot) } }
      : before
  })
}

const steps: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}

/** Moves the selected object by a centimetre or half an inch, ten times as far with shift. */
export function nudge(context: ToolContext, key: string, shift: boolean): boolean {
  const { selection } = context.session.getState()
  const step = steps[key]
  const found = selection?.kind === 'object' ? movable(context, selection.id) : undefined
  if (!step || !found) return false
  const { object, documentId } = found
  const length = (context.units() === 'metric' ? 0.01 : 0.0127) * (shift ? 10 : 1)
  context.documents.edit('Nudge', documentId, (before) => ({
    ...before,
    [object.id]: {
      ...object,
      center: [object.center[0] + step[0] * length, object.center[1] + step[1] * length],
    },
  }))
  return true
}
