import { ofKind } from '@/core/kinds/documents'
import { snap, type Snap } from '@/core/geometry/snap'
import { type Vec2 } from '@/core/geometry/vector'
import { type Sketch } from '../store/session'
import { type PointerInput, type ToolContext } from './chart'

/** Outlines a drawing can hold on to. */
export const outlinesOf = (context: ToolContext): (readonly Vec2[])[] =>
  ofKind(context.documents.house, 'volume').map((volume) => volume.outline)

export const showSketch = (context: ToolContext, sketch: Partial<Sketch>) =>
  context.session.setState({
    sketch: {
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
