import { sub2, type Vec2 } from '@/core/geometry/vector'
import { topFaceAt } from '@/core/kinds/below'
import { type Objects } from '@/core/kinds/documents'
import { kindOf, type AnyObject } from '@/core/kinds/index'
import { inWorld } from '@/core/kinds/place'
import { type ToolContext } from '../chart'
import { withChanged } from '../standing-objects'

/** What stands on an object, or on what stands on it, and goes where it goes: its dormers, chimneys and windows. */
export function companyOf(context: ToolContext, object: AnyObject): AnyObject[] {
  const { objects } = context.site()
  const others = Object.values(context.documents.house).filter(({ id }) => id !== object.id)
  const company = new Set([object.id])
  // Dormers stand on the ground's roofs, everything else on either.
  for (const rank of ['dormer', 'roof'] as const)
    for (const other of others) {
      const { standing } = kindOf(other)
      if (standing?.rank !== rank || !standing.move) continue
      const below = {
        objects: objects.flatMap(({ id, whole }) => (id === other.id ? [] : [{ id, geometry: whole }])),
      }
      const face = topFaceAt(below, standing.move.middle(other))
      const owner = face && objects.find(({ whole }) => whole.faces.includes(face))
      if (owner && company.has(owner.id)) company.add(other.id)
    }
  return others.filter(({ id }) => company.has(id))
}

/** An object moved by so much, where it can be moved. */
export function movedBy(object: AnyObject, [dx, dy]: Vec2): Partial<AnyObject> {
  const movement = kindOf(object).standing?.move
  if (!movement) return {}
  const [x, y] = movement.middle(object)
  return movement.to(object, inWorld([x + dx, y + dy]))
}

/** The house with an object moved by so much, and its company as far as it went itself. */
export function withMoved(objects: Objects, id: string, company: readonly string[], by: Vec2): Objects {
  const object = objects[id]
  const movement = object && kindOf(object).standing?.move
  if (!movement) return objects
  const moved = withChanged(objects, id, () => movedBy(object, by))
  const gone = moved[id] ?? object
  const went = sub2(movement.middle(gone), movement.middle(object))
  return company.reduce((after, one) => withChanged(after, one, (other) => movedBy(other, went)), moved)
}
