import { ofKind } from '@/core/kinds/documents'
import { snap, type Snap } from '@/core/geometry/snap'
import { rayPlane } from '@/core/geometry/ray'
import { type Vec2 } from '@/core/geometry/vector'
import { toFrame, type PlaneFrame } from '@/core/layout/plane-frame'
import { type Sketch } from '../store/session'
import { type PointerInput, type ToolContext } from './chart'

/** Outlines a drawing can hold on to. */
export const outlinesOf = (context: ToolContext): (readonly Vec2[])[] =>
  ofKind(context.documents.house, 'volume').map((volume) => volume.outline)

export const showSketch = (context: ToolContext, sketch: Partial<Sketch>) =>
  context.session.setState({
    sketch: {
      on: null,
      points: [],
      pointer: null,
      tape: null,
      marks: [],
      snap: null,
      box: null,
      typed: '',
      message: null,
      ...sketch,
    },
  })

/** Where a pointer means to be, among what is drawn, the houses that stand, and the drawings under them. */
export const snapped = (
  context: ToolContext,
  { at, reachM, shift }: PointerInput,
  drawn: readonly Vec2[],
): Snap =>
  snap({
    pointer: at,
    drawn,
    outlines: outlinesOf(context),
    lines: context.linesNear(at, reachM),
    reachM,
    off: shift,
  })

/** A plane that is drawn on, and outlines there that a drawing can hold on to, in its own coordinates. */
export interface DrawnPlane {
  readonly frame: PlaneFrame
  readonly outlines: readonly (readonly Vec2[])[]
}

/** The same on a plane; null where the sight runs beside it. */
export function snappedOn(
  { frame, outlines }: DrawnPlane,
  { ray, reachM, shift }: PointerInput,
  drawn: readonly Vec2[],
): Snap | null {
  const point = rayPlane(ray, frame.origin, frame.normal)
  return point && snap({ pointer: toFrame(frame, point), drawn, outlines, reachM, off: shift })
}
