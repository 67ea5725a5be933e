import { containsPoint } from '@/core/geometry/polygon'
import { type Vec2 } from '@/core/geometry/vector'
import { type Objects } from '@/core/kinds/documents'
import { kindOf, type AnyObject } from '@/core/kinds/index'
import { inWorld } from '@/core/kinds/place'
import { planOf } from '@/core/roof/plane'
import { standingById } from '@/core/site/site'
import { type ToolContext } from '../chart'
import { withChanged } from '../standing-objects'

/** What stands on an object and goes where it goes: its chimneys, dormers and windows. */
export function companyOf(context: ToolContext, object: AnyObject): AnyObject[] {
  const faces = standingById(context.site(), object.id)?.geometry.faces ?? []
  if (faces.length === 0 || kindOf(object).document !== 'house') return []
  return Object.values(context.documents.house).filter((other) => {
    const { standing } = kindOf(other)
    if (other.id === object.id || !standing?.move) return false
    if (standing.rank !== 'roof' && standing.rank !== 'dormer') return false
    const middle = standing.move.middle(other)
    return faces.some(({ corners }) => containsPoint(planOf(corners), middle))
  })
}

/** An object moved by so much, where it can be moved. */
export function movedBy(object: AnyObject, [dx, dy]: Vec2): Partial<AnyObject> {
  const movement = kindOf(object).standing?.move
  if (!movement) return {}
  const [x, y] = movement.middle(object)
  return movement.to(object, inWorld([x + dx, y + dy]))
}

/** The house with several of its objects moved by so much. */
export const withMoved = (objects: Objects, ids: readonly string[], by: Vec2): Objects =>
  ids.reduce((after, id) => withChanged(after, id, (object) => movedBy(object, by)), objects)
