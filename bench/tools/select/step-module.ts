import { modulesOf, soleOwner } from '../../store/selection'
import { type ToolContext } from '../chart'

const steps: Readonly<Record<string, { readonly row: number; readonly column: number }>> = {
  ArrowLeft: { row: 0, column: -1 },
  ArrowRight: { row: 0, column: 1 },
  // Rows are counted from the eave.
  ArrowUp: { row: 1, column: 0 },
  ArrowDown: { row: -1, column: 0 },
}

const placeOf = (slot: string) => {
  const [row = 0, column = 0] = slot.split(':').map(Number)
  return { row, column }
}

/**
 * Goes from module to module: from a chosen array to its first, from a module to the next one that way, over places
 * left empty. Rows need not begin below each other: up and down go to the module whose column is nearest.
 * @returns whether there was somewhere to go
 */
export function stepModule(context: ToolContext, key: string): boolean {
  const { selection } = context.session.getState()
  const step = steps[key]
  const arrayId = soleOwner(selection)
  if (!step || arrayId === null) return false
  const panels = context.site().arrays.find((array) => array.id === arrayId)?.panels ?? []
  const chosen = modulesOf(selection).at(-1)?.id
  const here = panels.find((panel) => panel.id === chosen)
  const next = here ? nextOf(panels, here.slot, step) : panels[0]
  if (!next) return false
  context.session.setState({ selection: { kind: 'panel', id: next.id, arrayId } })
  return true
}

function nextOf<T extends { readonly slot: string }>(
  panels: readonly T[],
  slot: string,
  step: { readonly row: number; readonly column: number },
): T | undefined {
  const from = placeOf(slot)
  let best: T | undefined
  let nearest = Infinity
  for (const panel of panels) {
    const at = placeOf(panel.slot)
    const ahead = (at.row - from.row) * step.row + (at.column - from.column) * step.column
    const aside = Math.abs(step.row === 0 ? at.row - from.row : at.column - from.column)
    // Along a row nothing but the row; across rows the nearest row first.
    if (ahead <= 0 || (step.row === 0 && aside > 0)) continue
    const away = ahead * 1000 + aside
    if (away < nearest) [best, nearest] = [panel, away]
  }
  return best
}
