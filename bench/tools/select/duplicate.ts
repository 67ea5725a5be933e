import { type Vec2 } from '@/core/geometry/vector'
import { topFaceAt } from '@/core/kinds/below'
import { type AnyObject } from '@/core/kinds/index'
import { inWorld } from '@/core/kinds/place'
import { type Geometry } from '@/core/kinds/standing'
import { newId } from '@/core/model/new-id'
import { standingById } from '@/core/site/site'
import { toast } from '../../store/session'
import { type ToolContext } from '../chart'
import { nameAmong } from '../placing'
import { standingObject } from '../standing-objects'

/** Room between an object and its copy, m. */
const besideM = 0.5

/** Puts a copy of what is selected beside it, along the eave where it stands on a roof, and selects the copy. */
export function duplicateSelected(context: ToolContext): boolean {
  const { selection } = context.session.getState()
  const found = selection?.kind === 'object' ? standingObject(context, selection.id) : undefined
  const geometry = found && standingById(context.site(), found.object.id)?.geometry
  if (!found || !geometry) return false
  const { object, documentId, standing } = found
  if (!standing.move) {
    toast(
      context.session,
      'Only what stands by itself can be duplicated: a dormer, a fixture, a tree, a rack.',
    )
    return true
  }
  const middle = standing.move.middle(object)
  const way = eastOrEave(context, object, middle)
  const farM = widthAlong(geometry, way) + besideM
  const id = newId(object.kind, context.random)
  const { fault, step } = context.documents.edit('Duplicate', documentId, (before) => {
    const others = Object.values(before).filter(({ kind }) => kind === object.kind)
    const copy = {
      ...object,
      ...standing.move?.to(object, inWorld([middle[0] + way[0] * farM, middle[1] + way[1] * farM])),
      id,
      ...('name' in object ? { name: nameAmong(context, object.kind, others) } : {}),
      // The copy is still of the object's own kind.
    } as AnyObject
    return { ...before, [id]: copy }
  })
  if (fault) {
    toast(context.session, context.sayer().fault(fault))
    return true
  }
  context.session.setState({ selection: { kind: 'object', id } })
  toast(context.session, 'Copied beside it. Drag the copy where it belongs.', step)
  return true
}

/** To the right along the eave of the plane under an object, or to the east where there is none. */
function eastOrEave(context: ToolContext, { id }: AnyObject, middle: Vec2): Vec2 {
  const objects = context.site().objects.filter((other) => other.id !== id)
  const [x, y] = topFaceAt({ objects }, middle)?.normal ?? [0, 0]
  const length = Math.hypot(x, y)
  return length < 1e-9 ? [1, 0] : [-y / length, x / length]
}

/** How wide an object is along a way, from its outline above or its crown. */
function widthAlong({ plan, crowns, frame }: Geometry, [wx, wy]: Vec2): number {
  const points = [...plan.flatMap((shape) => shape.points), ...frame]
  const along = points.map(([x, y]) => x * wx + y * wy)
  const span = along.length > 0 ? Math.max(...along) - Math.min(...along) : 0
  return Math.max(span, ...crowns.map(({ crownRadiusM }) => 2 * crownRadiusM))
}
