import { z } from 'zod'
import { idSchema, lockedSchema, nameSchema, point2Schema, type DeepReadonly } from '../../model/object-base'
import { ruleMessage } from '../../model/rules'

export const fewestLotCorners = 3
export const mostLotCorners = 60

/** Where its lines are from. Once a hand has moved one they are by hand. */
export const lotSources = ['survey', 'file', 'hand'] as const
export type LotSource = (typeof lotSources)[number]

/** A piece of land within its legal lines. No figure is computed from it; the site plan is held against it. */
export const lotSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('lot'),
  name: nameSchema,
  locked: lockedSchema,
  /** Counter-clockwise. */
  outline: z
    .array(point2Schema)
    .min(fewestLotCorners, ruleMessage('outline-corners', { limit: fewestLotCorners }))
    .max(mostLotCorners, ruleMessage('most-corners', { limit: mostLotCorners })),
  source: z.enum(lotSources),
})
export type Lot = DeepReadonly<z.infer<typeof lotSchema>>

export const lotVersion = 1
export const lotMigrations = []
