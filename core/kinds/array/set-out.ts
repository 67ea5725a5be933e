import { type Vec2 } from '../../geometry/vector'
import { asRows } from '../../layout/as-rows'
import { type Slot } from '../../layout/lay'
import { rowsSize } from '../../layout/lay-rows'
import { frameOf, turnedFrame } from '../../layout/plane-frame'
import { type RoofPlane } from '../../roof/plane'
import { inWorld } from '../place'
import { type ModuleSize } from '../standing'
import { type PanelArray } from './array'
import { type ArrayPart, movedPart } from './part'
import { lieOf } from './part-grips'

/** What arrays are set out anew on. */
export interface SetOutOn {
  readonly plane: Pick<RoofPlane, 'corners' | 'normal'>
  readonly module: ModuleSize
}

/** Modules as arrays of rows that hold them where they lie, with all else as their array has it. */
export function setOut(
  array: PanelArray,
  panels: readonly Pick<Slot, 'corners' | 'orientation'>[],
  { plane, module }: SetOutOn,
  newId: () => string,
): PanelArray[] {
  const own = frameOf(plane)
  const frame = turnedFrame(own, array.turnDeg ?? 0)
  return asRows(panels, own, frame, { ...array, module }).map(({ at, counts, orientation, removed }) => ({
    ...array,
    id: newId(),
    orientation,
    part: { is: 'rows', at: inWorld(at), counts, align: 'left' },
    removed,
  }))
}

/** How far the part of an array reaches on its plane, m along the eave and up the slope as its rows are turned. */
export function reachOf(array: PanelArray, part: ArrayPart, module: ModuleSize): Vec2 {
  if (part.is === 'rows') {
    const { overallU, overallV } = rowsSize({ ...array, ...part, module, orientation: lieOf(array) })
    return [overallU, overallV]
  }
  const along = (axis: 0 | 1) => part.corners.map((corner) => corner[axis])
  return [Math.max(...along(0)) - Math.min(...along(0)), Math.max(...along(1)) - Math.min(...along(1))]
}

/** The same beside itself on every side, a gap away: to the right, to the left, above, below. */
export function besides(array: PanelArray, part: ArrayPart, module: ModuleSize): ArrayPart[] {
  const [wide, high] = reachOf(array, part, module).map((reach) => reach + array.gapM) as [number, number]
  const steps: readonly Vec2[] = [
    [wide, 0],
    [-wide, 0],
    [0, high],
    [0, -high],
  ]
  return steps.map((by) => movedPart(part, by))
}

/** An array turned over where it lies: left for right along the eave, or top for bottom. */
export function flippedPart(
  { part, removed }: Pick<PanelArray, 'part' | 'removed'>,
  along: 'eave' | 'slope',
): Pick<PanelArray, 'removed'> & { readonly part?: ArrayPart } {
  if (!part) return { removed }
  if (part.is === 'field') {
    const axis = along === 'eave' ? 0 : 1
    const values = part.corners.map((corner) => corner[axis])
    const sum = Math.min(...values) + Math.max(...values)
    const corners = part.corners.map(([u, v]) => inWorld(axis === 0 ? [sum - u, v] : [u, sum - v]))
    // Places in it are counted anew; what was taken out of it is another then.
    return { part: { ...part, corners: corners.reverse() }, removed: [] }
  }
  const { counts } = part
  const moved = removed.map((place) => {
    const [row = 0, column = 0] = place.split(':').map(Number)
    return along === 'eave'
      ? `${row}:${(counts[row] ?? column + 1) - 1 - column}`
      : `${counts.length - 1 - row}:${column}`
  })
  const turned = { left: 'right', center: 'center', right: 'left' } as const
  return {
    part:
      along === 'eave' ? { ...part, align: turned[part.align] } : { ...part, counts: counts.toReversed() },
    removed: moved,
  }
}

/**
 * Arrays of one plane as a single one, where all their modules are in line.
 * @returns null where they are not
 */
export function joinedRows(
  arrays: readonly PanelArray[],
  panels: readonly Pick<Slot, 'corners' | 'orientation'>[],
  on: SetOutOn,
): PanelArray | null {
  const [first] = arrays
  if (!first) return null
  const found = setOut(first, panels, on, () => first.id)
  return found.length === 1 ? (found[0] ?? null) : null
}
