import { withRemoved } from '@/core/kinds/removed'
import { type PanelArray } from '@/core/kinds/array/array'
import { besides, flippedPart, joinedRows, setOut, type SetOutOn } from '@/core/kinds/array/set-out'
import { ofKind } from '@/core/kinds/documents'
import { isPaired } from '@/core/layout/tilt'
import { newId } from '@/core/model/new-id'
import { type LaidArray } from '@/core/site/site'
import { later } from '@/words/en/later'
import { type Outcome } from '../../store/documents'
import { ofObjects, type ModuleRef } from '../../store/selection'
import { toast } from '../../store/session'
import { type ToolContext } from '../chart'

const words = later.arrayDeeds

const laidOf = (context: ToolContext, id: string): LaidArray | undefined =>
  context.site().arrays.find((array) => array.id === id)

/** What an array is set out on; null while its plane or its module is missing. */
function groundOf(context: ToolContext, laid: LaidArray | undefined): SetOutOn | null {
  const module = context.module()
  return laid?.margins && module ? { plane: laid.margins.plane, module } : null
}

const onSamePlane = (one: PanelArray, other: PanelArray): boolean =>
  one.volumeId === other.volumeId && one.edgeIndex === other.edgeIndex && one.step === other.step

const fresh = (context: ToolContext) => newId('array', context.random)

/** Says how an edit ended, and selects what came of it. */
function ended(context: ToolContext, { fault, step }: Outcome, said: string, ids: readonly string[]): void {
  const { session } = context
  if (fault) {
    toast(session, context.sayer().fault(fault))
    return
  }
  session.setState({ selection: ofObjects(ids) })
  toast(session, said, step)
}

/** An array's modules as rows; the first of them is the array itself. */
function rowsOf(
  context: ToolContext,
  array: PanelArray,
  panels: LaidArray['panels'],
  on: SetOutOn,
): PanelArray[] {
  let first = true
  return setOut(array, panels, on, () => {
    const id = first ? array.id : fresh(context)
    first = false
    return id
  })
}

/** Makes rows of what a search has laid: the same modules, which can then be moved, counted and turned by hand. */
export function setOutAsRows(context: ToolContext, array: PanelArray): void {
  const laid = laidOf(context, array.id)
  const on = groundOf(context, laid)
  if (!laid || !on || laid.panels.length === 0) return
  const rows = rowsOf(context, array, laid.panels, on)
  const outcome = context.documents.edit(words.setOut, context.session.getState().optionId, (before) => ({
    ...before,
    ...Object.fromEntries(rows.map((one) => [one.id, one])),
  }))
  const said = context.sayer().say(words.setOutDone, { n: rows.length })
  ended(
    context,
    outcome,
    said,
    rows.map(({ id }) => id),
  )
}

/** Fills the whole of its plane with an array again. */
export function fillPlane(context: ToolContext, { part: _part, ...array }: PanelArray): void {
  const filled: PanelArray = { ...array, removed: [] }
  // Of two that fill it the earlier one would have all, and the other nothing.
  const isFilled = ofKind(context.option(), 'array').some(
    (other) => other.id !== array.id && !other.part && onSamePlane(other, array),
  )
  if (isFilled) {
    toast(context.session, words.noneLeft)
    return
  }
  const outcome = context.documents.edit(words.fill, context.session.getState().optionId, (before) => ({
    ...before,
    [array.id]: filled,
  }))
  ended(context, outcome, words.filled, [array.id])
}

/** Puts a copy beside an array, on the side where most of it fits. */
export function copyBeside(context: ToolContext, array: PanelArray): void {
  const module = context.module()
  const { name: _name, ...unnamed } = array
  const { part } = array
  if (!part || !module) return
  const id = fresh(context)
  const option = context.option()
  const tried = besides(array, part, module).map((moved) => {
    const copy: PanelArray = { ...unnamed, id, part: moved }
    const site = context.siteWith({ ...option, [id]: copy })
    return { copy, fits: site.arrays.find((one) => one.id === id)?.panels.length ?? 0 }
  })
  const best = tried.reduce((one, other) => (other.fits > one.fits ? other : one))
  if (best.fits === 0) {
    toast(context.session, words.noRoom)
    return
  }
  const outcome = context.documents.edit(words.copy, context.session.getState().optionId, (before) => ({
    ...before,
    [id]: best.copy,
  }))
  ended(context, outcome, words.copied, [id])
}

/** Turns an array over where it lies. */
export function flipArray(context: ToolContext, array: PanelArray, along: 'eave' | 'slope'): void {
  const outcome = context.documents.edit(words.flip, context.session.getState().optionId, (before) => ({
    ...before,
    [array.id]: { ...array, ...flippedPart(array, along) },
  }))
  ended(context, outcome, words.flipped, [array.id])
}

/** Makes an array of its own of some modules of another, where they lie. */
export function splitOff(context: ToolContext, array: PanelArray, modules: readonly ModuleRef[]): void {
  const laid = laidOf(context, array.id)
  const on = groundOf(context, laid)
  if (isPaired(array.tilt)) {
    toast(context.session, words.pairs)
    return
  }
  const ids = new Set(modules.map(({ id }) => id))
  const panels = laid?.panels.filter(({ id }) => ids.has(id)) ?? []
  if (!on || panels.length === 0) return
  const { name: _name, ...unnamed } = array
  const rows = setOut(unnamed, panels, on, () => fresh(context))
  const slots = panels.map(({ slot }) => slot)
  const left = laid?.panels.filter(({ id }) => !ids.has(id)) ?? []
  if (left.length === 0) {
    setOutAsRows(context, array)
    return
  }
  // What a search fills would be laid anew around them: the others become rows as well, and stay where they are.
  const others = array.part?.is === 'rows' ? [] : rowsOf(context, array, left, on)
  const outcome = context.documents.edit(words.split, context.session.getState().optionId, (before) => ({
    ...withRemoved(before, array.id, (removed) => [...removed, ...slots]),
    ...Object.fromEntries([...others, ...rows].map((one) => [one.id, one])),
  }))
  ended(
    context,
    outcome,
    context.sayer().say(words.splitDone, { n: panels.length }),
    rows.map(({ id }) => id),
  )
}

/** Makes one array of several whose modules are in line on one plane. */
export function joinArrays(context: ToolContext, arrays: readonly PanelArray[]): void {
  const laid = arrays.map(({ id }) => laidOf(context, id))
  const [first] = arrays
  const on = groundOf(context, laid[0])
  const samePlane = arrays.every(
    (array) =>
      first !== undefined &&
      onSamePlane(array, first) &&
      array.gapM === first.gapM &&
      (array.turnDeg ?? 0) === (first.turnDeg ?? 0) &&
      JSON.stringify(array.tilt) === JSON.stringify(first.tilt),
  )
  const one =
    on && samePlane && !isPaired(first?.tilt)
      ? joinedRows(
          arrays,
          laid.flatMap((other) => other?.panels ?? []),
          on,
        )
      : null
  if (!one) {
    toast(context.session, words.notInLine)
    return
  }
  const outcome = context.documents.edit(words.join, context.session.getState().optionId, (before) => ({
    ...Object.fromEntries(Object.entries(before).filter(([id]) => !arrays.some((array) => array.id === id))),
    [one.id]: one,
  }))
  ended(context, outcome, words.joined, [one.id])
}
