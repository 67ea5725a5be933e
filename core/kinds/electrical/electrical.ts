import { z } from 'zod'
import { idSchema, type DeepReadonly } from '../../model/object-base'
import { wholeBetween } from '../../model/rules'

export const electricalId = 'electrical'

/** The inverter and how the modules are strung to it. One to an option. */
export const electricalSchema = z.strictObject({
  id: z.literal(electricalId),
  kind: z.literal('electrical'),
  inverterId: idSchema,
  /** Greatest number of modules in a string; null lets the voltage window and the input count decide. */
  modulesPerString: wholeBetween(1, 60).nullable(),
})
export type Electrical = DeepReadonly<z.infer<typeof electricalSchema>>

export const electricalVersion = 1
export const electricalMigrations = []

export const defaultElectrical: Electrical = {
  id: electricalId,
  kind: 'electrical',
  inverterId: 'halyard-7600',
  modulesPerString: null,
}
