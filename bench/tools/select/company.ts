import { containsPoint, nearestOnSegment } from '@/core/geometry/polygon'
import { type Vec2 } from '@/core/geometry/vector'
import { topFaceAt } from '@/core/kinds/below'
import { type Objects } from '@/core/kinds/documents'
import { kindOf, type AnyObject } from '@/core/kinds/index'
import { inWorld } from '@/core/kinds/place'
import { houseId } from '../../store/documents'
import { type ToolContext } from '../chart'
import { standingObject, withChanged, type FoundObject } from '../standing-objects'
import { unlockedOf } from './lock'

/** Objects that are moved, copied or turned as one, and what stands on them and goes along. */
export interface Party {
  readonly chosen: readonly FoundObject[]
  readonly company: readonly AnyObject[]
}

const found = (context: ToolContext, ids: readonly string[]): FoundObject[] =>
  ids.flatMap((id) => {
    const one = standingObject(context, id)
    return one?.standing.move ? [one] : []
  })

export const partyOf = (context: ToolContext, ids: readonly string[]): Party =>
  withCompany(context, found(context, ids))

/** The same of what hands may move: locked things stay, unless they stand on what is moved. */
export const freeParty = (context: ToolContext, ids: readonly string[]): Party =>
  withCompany(context, unlockedOf(context, found(context, ids)))

const withCompany = (context: ToolContext, chosen: readonly FoundObject[]): Party => ({
  chosen,
  company: companyOf(
    context,
    chosen.map(({ object }) => object),
  ),
})

/**
 * What stands on some objects, or on what stands on them, and goes where they go: their dormers, chimneys and windows,
 * and what is measured on them.
 * They themselves are not among it.
 */
export function companyOf(context: ToolContext, chosen: readonly AnyObject[]): AnyObject[] {
  const { objects } = context.site()
  const own = new Set(chosen.map(({ id }) => id))
  const others = Object.values(context.documents.house).filter(({ id }) => !own.has(id))
  const company = new Set(own)
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
  // What is measured on them stays the same measure.
  const outlines = objects
    .filter(({ id }) => company.has(id))
    .flatMap(({ whole }) => whole.plan.map(({ points }) => points))
  for (const other of others) {
    const ends = kindOf(other).standing?.holds?.(other)
    if (ends?.every((end) => outlines.some((outline) => isOn(outline, end)))) company.add(other.id)
  }
  return others.filter(({ id }) => company.has(id))
}

/** A point this far off an outline is on it, m: the tape holds on to corners, and documents to millimetres. */
const onM = 0.02

const isOn = (outline: readonly Vec2[], p: Vec2): boolean =>
  containsPoint(outline, p) ||
  outline.some((a, i) => nearestOnSegment(a, outline[(i + 1) % outline.length] ?? a, p).distanceM < onM)

/** An object moved by so much, where it can be moved. */
export function movedBy(object: AnyObject, [dx, dy]: Vec2): Partial<AnyObject> {
  const movement = kindOf(object).standing?.move
  if (!movement) return {}
  const [x, y] = movement.middle(object)
  return movement.to(object, inWorld([x + dx, y + dy]))
}

/** As far as all of them get before one is at the end of the world, m. */
function commonStep(chosen: readonly FoundObject[], by: Vec2): Vec2 {
  const went = chosen.map(({ object, standing }): Vec2 => {
    const [x, y] = standing.move?.middle(object) ?? [0, 0]
    const [tx, ty] = standing.move?.middle({ ...object, ...movedBy(object, by) } as AnyObject) ?? [0, 0]
    return [tx - x, ty - y]
  })
  const least = (axis: 0 | 1) => {
    const steps = went.map((one) => one[axis])
    return steps.find((step) => Math.abs(step) === Math.min(...steps.map(Math.abs))) ?? 0
  }
  return [least(0), least(1)]
}

/** Shows a party moved by so much from where its objects stand in it, and no farther than the world. */
export function previewMoved(context: ToolContext, party: Party, by: Vec2): void {
  const step = commonStep(party.chosen, by)
  previewChanged(context, party, (object) => movedBy(object, step))
}

/** Shows every object of a party changed, in whichever document it is. */
export function previewChanged(
  context: ToolContext,
  { chosen, company }: Party,
  fields: (object: AnyObject) => Partial<AnyObject>,
): void {
  const { documents } = context
  const byDocument = new Map<string, AnyObject[]>([[houseId, [...company]]])
  for (const { object, documentId } of chosen)
    byDocument.set(documentId, [...(byDocument.get(documentId) ?? []), object])
  for (const [documentId, objects] of byDocument)
    if (objects.length > 0)
      documents.preview(documentId, (before) =>
        objects.reduce((after: Objects, one) => withChanged(after, one.id, () => fields(one)), before),
      )
}
