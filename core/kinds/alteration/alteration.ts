import { z } from 'zod'
import { idSchema, type DeepReadonly } from '../../model/object-base'
import { between } from '../../model/rules'
import { highestTreeM, lowestTreeM } from '../tree/tree'

/** What an option may try with something that the house has and that casts shade. */
export const alterings = ['gone', 'trimmed', 'grown'] as const

const mostYears = 50

/** One thing of the house as this option has it: the house, and all other options, keep it as it stands. */
export const alterationSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('alteration'),
  /** The object of the house. */
  of: idSchema,
  what: z.enum(alterings),
  /** Where it is trimmed: what is left of its height, ground to top. */
  heightM: between(lowestTreeM, highestTreeM, 'm'),
  /** Where it has grown: for how long. */
  years: between(0, mostYears, 'years'),
})
export type Alteration = DeepReadonly<z.infer<typeof alterationSchema>>

export const alterationVersion = 1
export const alterationMigrations = []

/** Of each object there is one at most, so that two hands who alter it alter the same. */
export const alterationId = (of: string): string => `as-${of}`.slice(0, 64)
