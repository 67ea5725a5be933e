import { z } from 'zod'
import { idSchema, shareSchema, type DeepReadonly } from '../../model/object-base'
import { mostAdded } from '../load/load'
import { between, wholeBetween } from '../../model/rules'

export const storageId = 'storage'

/**
 * What a battery goes by: the house's own use alone, what a kWh costs and earns from hour to hour, without a forecast of sun
 * and house or with one, or the highest power.
 */
export const batteryRules = ['own-use', 'by-tariff', 'by-forecast', 'peak-shaving'] as const

/** The battery of an option and how it is run. One to an option. */
export const storageSchema = z.strictObject({
  id: z.literal(storageId),
  kind: z.literal('storage'),
  /** Null: no battery. */
  batteryId: idSchema.nullable(),
  count: wholeBetween(1, 10),
  /** Share of the usable energy that is kept for a power cut. */
  reserve: shareSchema,
  rule: z.enum(batteryRules),
  /** Whether the grid may fill it; a battery that goes by own use never would. */
  gridCharging: z.boolean(),
  /**
   * What stays on when the grid fails: kW all the time, added loads by their ids, and a share of all else that the house
   * uses. An id of none is nothing.
   */
  backup: z.strictObject({
    kw: between(0, 50, 'kW'),
    share: shareSchema,
    loads: z.array(idSchema).max(mostAdded),
  }),
  /** Share of the hours that shall be served in a house without grid. */
  offGridShare: shareSchema,
})
export type Storage = DeepReadonly<z.infer<typeof storageSchema>>

/** A fridge, lights, and what talks to the world. */
const usualBackup = { kw: 0.3, share: 0, loads: [] }
/** All but some three and a half days of a year. */
const usualOffGridShare = 0.99

export const storageVersion = 6
export const storageMigrations = [
  (value: Record<string, unknown>) => ({
    ...value,
    rule: 'own-use',
    gridCharging: false,
    backup: { kw: 0.3, share: 0 },
  }),
  // Another rule, and nothing else.
  (value: Record<string, unknown>) => value,
  (value: Record<string, unknown>) => ({ ...value, offGridShare: usualOffGridShare }),
  (value: Record<string, unknown>) => ({
    ...value,
    // What is no record is refused by the schema.
    backup: { ...(value['backup'] as Record<string, unknown> | undefined), loads: [] },
  }),
  // Another rule again.
  (value: Record<string, unknown>) => value,
]

export const defaultStorage: Storage = {
  id: storageId,
  kind: 'storage',
  batteryId: null,
  count: 1,
  reserve: 0.1,
  rule: 'own-use',
  gridCharging: false,
  backup: usualBackup,
  offGridShare: usualOffGridShare,
}
