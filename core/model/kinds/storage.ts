import { z } from 'zod'
import { idSchema, type ObjectBase, type ObjectKind } from '../object-kind'

/** The battery of an option, run for own use first. One to an option. */
export interface Storage extends ObjectBase {
  readonly kind: 'storage'
  /** Null: no battery. */
  readonly batteryId: string | null
  readonly count: number
  /** Share of the usable energy that is kept for a power cut. */
  readonly reserve: number
}

export const storageId = 'storage'

export const storageKind: ObjectKind<Storage> = {
  kind: 'storage',
  document: 'option',
  schema: z.strictObject({
    id: z.literal(storageId),
    kind: z.literal('storage'),
    batteryId: idSchema.nullable(),
    count: z.number().int('a whole number').min(1, 'at least 1').max(10, 'at most 10'),
    reserve: z.number().min(0, 'not below 0 %').max(1, 'at most 100 %'),
  }),
  version: 1,
  migrations: [],
}

export const defaultStorage: Storage = {
  id: storageId,
  kind: 'storage',
  batteryId: null,
  count: 1,
  reserve: 0.1,
}
