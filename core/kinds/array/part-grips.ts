import { centroid, selfCrossing } from '../../geometry/polygon'
import { add2, dot2, length3, scale2, sub3, type Vec2 } from '../../geometry/vector'
import { rowsSize } from '../../layout/lay-rows'
import { type Slot } from '../../layout/lay'
import { frameOf, fromFrame, toFrame, turnedFrame, type PlaneFrame } from '../../layout/plane-frame'
import { type Orientation } from '../../layout/strips'
import { Fault } from '../../model/fault'
import { toRadians } from '../../model/units'
import { inWorld } from '../place'
import { type Geometry, type Handle, type Reshape } from '../standing'
import { type PanelArray } from './array'
import {
  mostCorners,
  mostInRow,
  mostRows,
  movedPart,
  type ArrayPart,
  type FieldPart,
  type RowsPart,
} from './part'

/** How the modules of rows lie: what would be chosen by its count is upright. */
export const lieOf = ({ orientation }: Pick<PanelArray, 'orientation'>): Orientation =>
  orientation === 'landscape' ? 'landscape' : 'portrait'

/** Grips of a part: its corners and new ones between them, or its last row and column; and one that moves all of it. */
export function partGrips(part: ArrayPart, array: PanelArray, { field }: Geometry): Handle[] {
  if (!field?.margins) return []
  const frame = frameOf(field.margins.plane)
  if (part.is === 'field') return fieldGrips(part, frame)
  const [slot] = [...field.slots, ...(field.unfit ?? [])]
  return slot ? rowsGrips(part, array, frame, sizeOf(slot)) : []
}

const gripAt = (
  frame: PlaneFrame,
  at: Vec2,
  own: Pick<Handle, 'name' | 'index' | 'corner' | 'spans' | 'stepM' | 'aim'>,
): Handle => ({
  ...own,
  at: fromFrame(frame, at),
  moves: 'plane',
  line: { origin: frame.origin, direction: frame.u, normal: frame.normal },
})

const here = { u: [0], v: [0] }

function fieldGrips({ corners }: FieldPart, frame: PlaneFrame): Handle[] {
  const middle = centroid(corners)
  return [
    ...corners.map((at, index) => gripAt(frame, at, { name: 'corner', index, corner: 'own', spans: here })),
    ...(corners.length < mostCorners
      ? corners.map((a, index) => {
          const b = corners[(index + 1) % corners.length] ?? a
          return gripAt(frame, scale2(add2(a, b), 0.5), {
            name: 'new-corner',
            index,
            corner: 'new',
            spans: here,
          })
        })
      : []),
    gripAt(frame, middle, {
      name: 'move',
      index: 0,
      spans: {
        u: corners.map(([u]) => u - middle[0]),
        v: corners.map(([, v]) => v - middle[1]),
      },
    }),
  ]
}

/** A module as it lies in space: the short side of its corners comes first. */
function sizeOf({ corners: [a, b, c] }: Slot) {
  return { widthM: length3(sub3(b, a)), lengthM: length3(sub3(c, b)) }
}

function rowsGrips(
  part: RowsPart,
  array: PanelArray,
  own: PlaneFrame,
  module: ReturnType<typeof sizeOf>,
): Handle[] {
  const frame = turnedFrame(own, array.turnDeg ?? 0)
  const { overallU, overallV, pitchU, pitchV } = rowsSize({
    ...array,
    ...part,
    module,
    orientation: lieOf(array),
  })
  const [u, v] = toFrame(frame, fromFrame(own, part.at))
  const at = (right: number, up: number) => toFrame(own, fromFrame(frame, [u + right, v + up]))
  const half: Vec2 = [overallU / 2, overallV / 2]
  return [
    gripAt(own, at(overallU, half[1]), { name: 'columns', index: 0, stepM: pitchU, aim: frame.u }),
    gripAt(own, at(half[0], overallV), { name: 'rows', index: 0, stepM: pitchV, aim: frame.v }),
    gripAt(own, at(...half), {
      name: 'move',
      index: 0,
      // What is turned has no side along the eave.
      spans: array.turnDeg ? here : { u: [-half[0], 0, half[0]], v: [-half[1], half[1]] },
    }),
  ]
}

/**
 * A part with one of its grips dragged.
 * @param byM from the grip's first place, m along the eave and up the slope
 */
export function draggedPart(
  array: PanelArray,
  part: ArrayPart,
  { name, index, stepM }: Pick<Handle, 'name' | 'index' | 'stepM'>,
  byM: Vec2,
): Partial<PanelArray> {
  if (name === 'move') return { part: movedPart(part, byM) }
  if (part.is === 'field') {
    const corners = [...part.corners]
    const [a, b] = [corners[index], corners[(index + 1) % corners.length]]
    if (!a || !b) return {}
    if (name === 'corner') corners[index] = inWorld(add2(a, byM))
    else corners.splice(index + 1, 0, inWorld(add2(scale2(add2(a, b), 0.5), byM)))
    return { part: { ...part, corners } }
  }
  if (stepM === undefined) return {}
  const turn = toRadians(array.turnDeg ?? 0)
  const along = dot2(byM, [Math.cos(turn), -Math.sin(turn)])
  const up = dot2(byM, [Math.sin(turn), Math.cos(turn)])
  const { counts } = part
  if (name === 'columns') {
    // All rows by as many; the longest says how far that goes, and none is left without a module.
    const more = Math.max(
      1 - Math.max(...counts),
      Math.min(mostInRow - Math.max(...counts), Math.round(along / stepM)),
    )
    return { part: { ...part, counts: counts.map((count) => Math.max(1, count + more)) } }
  }
  const rows = Math.max(1, Math.min(mostRows, counts.length + Math.round(up / stepM)))
  const last = counts.at(-1) ?? 1
  return { part: { ...part, counts: Array.from({ length: rows }, (_, row) => counts[row] ?? last) } }
}

/** A field with one of its corners taken out; null where too few would be left. */
export function withoutCorner(part: ArrayPart | undefined, corner: number): Reshape<PanelArray> | null {
  if (part?.is !== 'field' || part.corners.length <= 3) return null
  return {
    fields: { part: { ...part, corners: part.corners.filter((_, k) => k !== corner) } },
    sideAfter: (side) => side,
  }
}

/** @throws Fault `crossing-outline` with the numbers of both sides, from 1 */
export function checkPart({ part }: PanelArray): void {
  const crossed = part?.is === 'field' ? selfCrossing(part.corners) : null
  if (crossed) throw new Fault('crossing-outline', { side: crossed[0] + 1, other: crossed[1] + 1 }, 'part')
}
