import { z } from 'zod'
import { selfCrossing } from '../../geometry/polygon'
import { type Vec2 } from '../../geometry/vector'
import { point2Schema, type DeepReadonly } from '../../model/object-base'
import { ruleMessage, wholeBetween } from '../../model/rules'
import { movedTogether } from '../place'

export const mostRows = 60
export const mostInRow = 200
export const mostCorners = 60

/**
 * The part of its plane an array is laid in, in the plane's own coordinates: metres along the eave and up the slope from
 * the plane's first corner, so that it goes with the house wherever that is moved or turned. A field is a drawn outline
 * that is filled; rows are set out one by one, the lowest first, from their lower left corner.
 */
export const partSchema = z.discriminatedUnion('is', [
  z.strictObject({
    is: z.literal('field'),
    corners: z
      .array(point2Schema)
      .min(3, ruleMessage('outline-corners', { limit: 3 }))
      .max(mostCorners, ruleMessage('most-corners', { limit: mostCorners }))
      .refine((corners) => selfCrossing(corners) === null, ruleMessage('field-crossing')),
  }),
  z.strictObject({
    is: z.literal('rows'),
    at: point2Schema,
    /** Places in each row, those left empty among them. */
    counts: z.array(wholeBetween(1, mostInRow)).min(1).max(mostRows),
    /** Where rows stand that are shorter than the longest. */
    align: z.enum(['left', 'center', 'right']),
  }),
])
export type ArrayPart = DeepReadonly<z.infer<typeof partSchema>>
export type FieldPart = Extract<ArrayPart, { readonly is: 'field' }>
export type RowsPart = Extract<ArrayPart, { readonly is: 'rows' }>

/** The part moved on its plane, m along the eave and up the slope. */
export function movedPart(part: ArrayPart, by: Vec2): ArrayPart {
  if (part.is === 'field') return { ...part, corners: movedTogether(part.corners, by) }
  const [at = part.at] = movedTogether([part.at], by)
  return { ...part, at }
}
