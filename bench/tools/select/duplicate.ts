import { type Vec2 } from '@/core/geometry/vector'
import { topFaceAt } from '@/core/kinds/below'
import { type AnyObject } from '@/core/kinds/index'
import { type Geometry } from '@/core/kinds/standing'
import { newId } from '@/core/model/new-id'
import { standingById } from '@/core/site/site'
import { toast } from '../../store/session'
import { type ToolContext } from '../chart'
import { nameAmong } from '../placing'
import { standingObject } from '../standing-objects'
import { companyOf, movedBy } from './company'

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
    toast(context.session, 'Modules are laid on their plane: lay them on the other one as well.')
    return true
  }
  const way = eastOrEave(context, object, standing.move.middle(object))
  const farM = widthAlong(geometry, way) + besideM
  const by: Vec2 = [way[0] * farM, way[1] * farM]
  let copyId = ''
  const { fault, step } = context.documents.edit('Duplicate', documentId, (before) =>
    [object, ...companyOf(context, object)].reduce((after, original, i) => {
      const others = Object.values(after).filter(({ kind }) => kind === original.kind)
      const id = newId(original.kind, context.random)
      if (i === 0) copyId = id
      const copy = {
        ...original,
        ...movedBy(original, by),
        id,
        ...('name' in original ? { name: nameAmong(context, original.kind, others) } : {}),
        // The copy is still of its original's own kind.
      } as AnyObject
      return { ...after, [id]: copy }
    }, before),
  )
  if (fault) {
    toast(context.session, context.sayer().fault(fault))
    return true
  }
  context.session.setState({ selection: { kind: 'object', id: copyId } })
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
