import { withRemoved } from '@/core/kinds/removed'
import { type Vec2 } from '@/core/geometry/vector'
import { type AnyObject } from '@/core/kinds/index'
import { withObject } from '../../store/documents'
import { modulesOf, objectIdsOf, ofObjects, type ModuleRef } from '../../store/selection'
import { toast } from '../../store/session'
import { type ToolContext } from '../chart'
import { freeParty, previewMoved } from './company'
import { unlockedOf } from './lock'
import { standingObject, withChanged, type FoundObject } from '../standing-objects'

/** Deletes what is selected: modules leave empty places, objects go. */
export function removeSelected(context: ToolContext): boolean {
  const { selection } = context.session.getState()
  if (!selection) return false
  const modules = modulesOf(selection)
  if (modules.length > 0) removeModules(context, modules)
  else removeObjects(context, objectIdsOf(selection))
  return true
}

function removeModules(context: ToolContext, modules: readonly ModuleRef[]): void {
  const { documents, session } = context
  const label = modules.length === 1 ? 'Delete module' : `Delete ${modules.length} modules`
  const { step } = documents.edit(label, session.getState().optionId, (before) =>
    modules.reduce((after, { id, arrayId }) => {
      const slot = id.slice(arrayId.length + 1)
      return withRemoved(after, arrayId, (removed) => (removed.includes(slot) ? removed : [...removed, slot]))
    }, before),
  )
  session.setState({ selection: ofObjects(modules.map(({ arrayId }) => arrayId)) })
  if (!step) return
  const text =
    modules.length === 1
      ? 'Module deleted. Click its empty place to put one back.'
      : `${modules.length} modules deleted. Click an empty place to put one back.`
  toast(session, text, step)
}

/** Deletes objects, and leaves what stands on them. */
export function removeObjects(context: ToolContext, ids: readonly string[]): void {
  const { documents, session } = context
  const found = unlockedOf(
    context,
    ids.flatMap((id) => standingObject(context, id) ?? []),
  )
  const [first] = found
  if (!first) return
  documents.begin()
  for (const documentId of new Set(found.map((one) => one.documentId)))
    documents.preview(documentId, (before) =>
      found.reduce((after, { object }) => withObject(after, object.id, null), before),
    )
  const { step } = documents.commit('Delete')
  if (!step) return
  session.setState({ selection: null, hover: null })
  toast(
    session,
    `${found.length === 1 ? nameOf(context, first.object) : `${found.length} objects`} deleted.`,
    step,
  )
}

function nameOf(context: ToolContext, object: AnyObject): string {
  const sayer = context.sayer()
  return 'name' in object ? object.name : sayer.say(sayer.words.kinds[object.kind].named, { n: 1 })
}

export function restoreSlot(context: ToolContext, arrayId: string, slot: string): void {
  context.documents.edit('Restore module', context.session.getState().optionId, (before) =>
    withRemoved(before, arrayId, (removed) => removed.filter((other) => other !== slot)),
  )
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

/** The same along the eave and up the slope of what lies on planes; false where it fills its plane. */
function nudgeOnPlanes(context: ToolContext, found: readonly FoundObject[], by: Vec2): boolean {
  const { documents, session } = context
  const { fault, step } = documents.edit('Nudge', session.getState().optionId, (before) =>
    unlockedOf(context, found).reduce(
      (after, { object, standing }) =>
        withChanged(after, object.id, (one) => standing.shifted?.(one, by) ?? {}),
      before,
    ),
  )
  if (fault) toast(session, context.sayer().fault(fault))
  return step !== null
}

/** Moves what is selected a little, and no farther than the end of the world. */
export function nudge(context: ToolContext, key: string, shift: boolean): boolean {
  const { documents, session } = context
  const step = steps[key]
  if (!step) return false
  const length = nudgeM[context.units()] * (shift ? farther : 1)
  const ids = objectIdsOf(session.getState().selection)
  const onPlanes = ids.flatMap((id) => {
    const one = standingObject(context, id)
    return one?.standing.shifted ? [one] : []
  })
  if (onPlanes.length > 0 && onPlanes.length === ids.length)
    return nudgeOnPlanes(context, onPlanes, [step[0] * length, step[1] * length])
  const party = freeParty(context, ids)
  if (party.chosen.length === 0) return false
  documents.begin()
  previewMoved(context, party, [step[0] * length, step[1] * length])
  documents.commit('Nudge')
  return true
}
