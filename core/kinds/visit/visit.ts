import { z } from 'zod'
import { daySchema } from '../../model/day'
import { idSchema, type DeepReadonly } from '../../model/object-base'

/** Somebody of the team was there, or will be. */
export const visitSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('visit'),
  on: daySchema,
  /** Who went. */
  by: z.string().max(120),
  /** What was agreed, measured, found: for the team alone. */
  notes: z.string().max(4000),
})
export type Visit = DeepReadonly<z.infer<typeof visitSchema>>

export const visitVersion = 1
export const visitMigrations = []
