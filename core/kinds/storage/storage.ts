import { z } from 'zod'
import { idSchema, shareSchema, type DeepReadonly } from '../../model/object-base'
import { wholeBetween } from '../../model/rules'

export const storageId = 'storage'

/** The battery of an option, run for own use first. One to an option. */
export const storageSchema = z.strictObject({
  id: z.literal(storageId),
  kind: z.literal('storage'),
  /** Null: no battery. */
  batteryId: idSchema.nullable(),
  count: wholeBetween(1, 10),
  /** Share of the usable energy that is kept for a power cut. */
  reserve: shareSchema,
})
export type Storage = DeepReadonly<z.infer<typeof storageSchema>>

export const storageVersion = 1
export const storageMigrations = []

export const defaultStorage: Storage = {
  id: storageId,
  kind: 'storage',
  batteryId: null,
  count: 1,
  reserve: 0.1,
}
