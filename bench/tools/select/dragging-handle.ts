import { heightUnderRay, rayLevel, rayPlane } from '@/core/geometry/ray'
import { snap } from '@/core/geometry/snap'
import { cross3, dot3, sub3, type Vec2, type Vec3 } from '@/core/geometry/vector'
import { linesOnPlane, snappedOnPlane } from '@/core/site/plane-snap'
import { type AnyObject, type KindName } from '@/core/kinds/index'
import { type Handle } from '@/core/kinds/standing'
import { Fault } from '@/core/model/fault'
import { type Sayer } from '@/words/sayer'
import { toast } from '../../store/session'
import { type Grip, type PointerInput, type ToolContext, ToolState } from '../chart'
import { standingObject, withChanged } from '../standing-objects'
import { previewReshaped } from './reshape'

/** Drags a grip; what that changes is for the object's kind to say. */
export class DraggingHandle extends ToolState {
  readonly #grip: Grip
  readonly #lift: number
  readonly #back: () => ToolState
  /** As it was before the drag. */
  #object: AnyObject | null = null

  constructor(context: ToolContext, grip: Grip, from: PointerInput, back: () => ToolState) {
    super(context)
    const { at } = grip.handle
    this.#grip = grip
    this.#lift = at[2] - heightUnderRay(from.ray, [at[0], at[1]])
    this.#back = back
  }

  override enter(): void {
    this.#object = standingObject(this.context, this.#grip.objectId)?.object ?? null
    this.context.documents.begin()
  }

  override move(input: PointerInput): void {
    const { objectId, handle } = this.#grip
    const found = standingObject(this.context, objectId)
    if (!found) return
    const to = {
      heightM: heightUnderRay(input.ray, [handle.at[0], handle.at[1]]) + this.#lift,
      at: levelPoint(handle, input),
      alongM: alongLine(handle, input),
      byM: overPlane(this.context, objectId, handle, input),
    }
    const { corners } = found.standing
    if (handle.corner === 'new' && corners?.insert) {
      // From the object as it was: each step of the drag sets the one corner anew.
      if (to.at)
        previewReshaped(
          this.context.documents,
          { documentId: found.documentId, objectId },
          corners.insert(this.#object ?? found.object, handle.index, to.at),
        )
      return
    }
    this.context.documents.preview(found.documentId, (before) =>
      withChanged(before, objectId, (object) => found.standing.drag(object, handle, to)),
    )
  }

  override release(): void {
    const { documents, session, sayer } = this.context
    const found = standingObject(this.context, this.#grip.objectId)
    try {
      if (found) found.standing.check(found.object)
      const { name } = this.#grip.handle
      const label = found && handleWord(sayer(), found.object.kind, name)
      const { fault } = documents.commit(label ?? name)
      if (fault) throw fault
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      documents.cancel()
      toast(session, sayer().fault(error))
    }
    this.go(this.#back())
  }

  override cancel(): void {
    this.context.documents.cancel()
    this.go(this.#back())
  }
}

function handleWord(sayer: Sayer, kind: KindName, name: string): string | undefined {
  const words = sayer.words.kinds[kind]
  // Its own grips, of whichever kind it is.
  return 'handles' in words ? (words.handles as Readonly<Record<string, string>>)[name] : undefined
}

/** How far along the handle's line the pointer is, from the line's origin. */
function alongLine({ line }: Handle, { ray }: PointerInput): number | null {
  const point = line && rayPlane(ray, line.origin, line.normal)
  return point ? dot3(sub3(point, line.origin), line.direction) : null
}

/** How far over its plane the pointer has taken a handle, snapped to what lies on that plane. */
function overPlane(
  context: ToolContext,
  objectId: string,
  { at, line, moves, spans }: Handle,
  { ray, reachM, shift }: PointerInput,
): Vec2 | null {
  const point = moves === 'plane' && line ? rayPlane(ray, line.origin, line.normal) : null
  if (!point || !line) return null
  const up = cross3(line.normal, line.direction)
  const on = (p: Vec3): Vec2 => [dot3(sub3(p, line.origin), line.direction), dot3(sub3(p, line.origin), up)]
  const [from, to] = [on(at), on(point)]
  const by: Vec2 = [to[0] - from[0], to[1] - from[1]]
  if (shift || !spans) return by
  return snappedOnPlane(from, by, spans, linesOnPlane(context.site(), objectId), reachM)
}

/** The point of the handle's level under the pointer, snapped where the handle asks for it. */
function levelPoint({ at, moves, beside }: Handle, { ray, reachM, shift }: PointerInput): Vec2 | null {
  const point = rayLevel(ray, at[2])
  if (!point) return null
  const pointer: Vec2 = [point[0], point[1]]
  if (moves !== 'level') return pointer
  const found = snap({ pointer, drawn: beside ?? [], outlines: [], reachM, off: shift })
  return found.kind === 'close' ? pointer : found.point
}
