import { type Vec2 } from '@/core/geometry/vector'
import { topFaceAt } from '@/core/kinds/below'
import { type AnyObject } from '@/core/kinds/index'
import { type Geometry } from '@/core/kinds/standing'
import { standingById } from '@/core/site/site'
import { objectIdsOf, ofObjects } from '../../store/selection'
import { toast } from '../../store/session'
import { type ToolContext } from '../chart'
import { withPart } from '../arrays/with-part'
import { standingObject } from '../standing-objects'
import { spanAlong } from './align'
import { partyOf, type Party } from './company'
import { originalsOf, previewCopies } from './copies'

/** Room between an object and its copy, m. */
const besideM = 0.5

/**
 * Puts a copy of what is selected beside it, along the eave where it stands on a roof, with what stands on it and the
 * modules that lie on it, and selects the copy.
 */
export function duplicateSelected(context: ToolContext): boolean {
  const { documents, session } = context
  const ids = objectIdsOf(session.getState().selection)
  const party = partyOf(context, ids)
  if (party.chosen.length === 0) {
    if (withPart(context, (deeds, array) => deeds.copyBeside(context, array))) return true
    if (!ids.some((id) => standingObject(context, id))) return false
    toast(session, 'Modules are laid on their plane: lay them on the other one as well.')
    return true
  }
  const chosen = party.chosen.map(({ object }) => object)
  documents.begin()
  const copyIds = previewCopies(
    context,
    originalsOf(context, [...chosen, ...party.company]),
    beside(context, party),
  )
  const { fault, step } = documents.commit('Duplicate')
  if (fault) {
    toast(session, context.sayer().fault(fault))
    return true
  }
  session.setState({ selection: ofObjects(chosen.map(({ id }) => copyIds.get(id) ?? id)) })
  const text =
    chosen.length === 1
      ? 'Copied beside it. Drag the copy where it belongs.'
      : 'Copied beside them. Drag the copies where they belong.'
  toast(session, text, step)
  return true
}

/** How far a copy is put away, m. */
function beside(context: ToolContext, { chosen }: Party): Vec2 {
  const [first] = chosen
  if (!first?.standing.move) return [besideM, 0]
  const way = eastOrEave(context, first.object, first.standing.move.middle(first.object))
  const geometries = chosen.flatMap(({ object }) => standingById(context.site(), object.id)?.geometry ?? [])
  const farM = widthAlong(geometries, way) + besideM
  return [way[0] * farM, way[1] * farM]
}

/** To the right along the eave of the plane under an object, or to the east where there is none. */
function eastOrEave(context: ToolContext, { id }: AnyObject, middle: Vec2): Vec2 {
  const objects = context.site().objects.filter((other) => other.id !== id)
  const [x, y] = topFaceAt({ objects }, middle)?.normal ?? [0, 0]
  const length = Math.hypot(x, y)
  return length < 1e-9 ? [1, 0] : [-y / length, x / length]
}

function widthAlong(geometries: readonly Geometry[], way: Vec2): number {
  const { low, high } = spanAlong(geometries, way)
  return high > low ? high - low : 0
}
