import { z } from 'zod'
import { idSchema, lockedSchema, nameSchema, point2Schema, type DeepReadonly } from '../../model/object-base'
import { between } from '../../model/rules'

export const narrowestM = 0.3
export const widestM = 5

/** A strip of a roof plane that stays free of modules from its lower edge to its upper, for people to go along. */
export const walkwaySchema = z.strictObject({
  id: idSchema,
  kind: z.literal('walkway'),
  name: nameSchema,
  locked: lockedSchema,
  /** A point of its middle line in plan: the way goes through it straight up the slope. */
  center: point2Schema,
  widthM: between(narrowestM, widestM, 'm'),
})
export type Walkway = DeepReadonly<z.infer<typeof walkwaySchema>>

export const walkwayVersion = 1
export const walkwayMigrations = []

export const defaultWalkway = { kind: 'walkway', name: 'Walkway', widthM: 0.9 } as const
