import { z } from 'zod'
import { idSchema, type DeepReadonly } from '../../model/object-base'
import { wholeBetween } from '../../model/rules'

export const electricalId = 'electrical'

/** The inverter and how the modules are strung to it. One to an option. */
export const electricalSchema = z.strictObject({
  id: z.literal(electricalId),
  kind: z.literal('electrical'),
  inverterId: idSchema,
  /** At each module; null for none. A microinverter needs none. */
  optimizerId: idSchema.nullable(),
  /** Greatest number of modules in a string or of microinverters on a branch; null lets what they bear decide. */
  modulesPerString: wholeBetween(1, 60).nullable(),
})
export type Electrical = DeepReadonly<z.infer<typeof electricalSchema>>

export const electricalVersion = 2
export const electricalMigrations = [(value: Record<string, unknown>) => ({ ...value, optimizerId: null })]

export const defaultElectrical: Electrical = {
  id: electricalId,
  kind: 'electrical',
  inverterId: 'halyard-7600',
  optimizerId: null,
  modulesPerString: null,
}
