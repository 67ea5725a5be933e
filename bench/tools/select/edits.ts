import { withObject } from '../../store/documents'
import { toast } from '../../store/session'
import { type ToolContext } from '../chart'
import { companyOf, withMoved } from './company'
import { carrierOf, standingObject, withChanged } from '../standing-objects'

/** Deletes what is selected: a module leaves an empty place, an object goes. */
export function removeSelected(context: ToolContext): boolean {
  const { selection } = context.session.getState()
  if (!selection) return false
  if (selection.kind === 'object') {
    removeObject(context, selection.id)
    return true
  }
  const { arrayId } = selection
  const slot = selection.id.slice(arrayId.length + 1)
  const { step } = editRemoved(context, 'Delete module', arrayId, (removed) => [...removed, slot])
  context.session.setState({ selection: { kind: 'object', id: arrayId } })
  if (step) toast(context.session, 'Module deleted. Click its empty place to put one back.', step)
  return true
}

export function removeObject(context: ToolContext, id: string): void {
  const found = standingObject(context, id)
  if (!found) return
  const { object, documentId } = found
  const sayer = context.sayer()
  const name = 'name' in object ? object.name : sayer.say(sayer.words.kinds[object.kind].named, { n: 1 })
  const { step } = context.documents.edit('Delete', documentId, (before) => withObject(before, id, null))
  context.session.setState({ selection: null, hover: null })
  toast(context.session, `${name} deleted.`, step)
}

export function restoreSlot(context: ToolContext, arrayId: string, slot: string): void {
  editRemoved(context, 'Restore module', arrayId, (removed) => removed.filter((other) => other !== slot))
}

function editRemoved(
  context: ToolContext,
  label: string,
  arrayId: string,
  recipe: (removed: readonly string[]) => readonly string[],
) {
  return context.documents.edit(label, context.session.getState().optionId, (before) => {
    const carrier = carrierOf(before, arrayId)
    return carrier
      ? withChanged(before, arrayId, (object) => carrier.withRemoved(object, recipe(carrier.removed(object))))
      : before
  })
}

const steps: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}

/** A centimetre, or half an inch; ten times as far with shift. */
const nudgeM = { metric: 0.01, imperial: 0.0127 } as const
const farther = 10

/** Moves the selected object a little, and no farther than the end of the world. */
export function nudge(context: ToolContext, key: string, shift: boolean): boolean {
  const { selection } = context.session.getState()
  const step = steps[key]
  const found = selection?.kind === 'object' ? standingObject(context, selection.id) : undefined
  if (!step || !found?.standing.move) return false
  const length = nudgeM[context.units()] * (shift ? farther : 1)
  const company = companyOf(context, found.object).map(({ id }) => id)
  context.documents.edit('Nudge', found.documentId, (before) =>
    withMoved(before, found.object.id, company, [step[0] * length, step[1] * length]),
  )
  return true
}
