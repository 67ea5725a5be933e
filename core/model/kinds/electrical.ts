import { z } from 'zod'
import { idSchema, type ObjectBase, type ObjectKind } from '../object-kind'

/** The inverter and how the modules are strung to it. One to an option. */
export interface Electrical extends ObjectBase {
  readonly kind: 'electrical'
  readonly inverterId: string
  /** Greatest number of modules in a string; null lets the voltage window and the input count decide. */
  readonly modulesPerString: number | null
}

export const electricalId = 'electrical'

export const electricalKind: ObjectKind<Electrical> = {
  kind: 'electrical',
  document: 'option',
  schema: z.strictObject({
    id: z.literal(electricalId),
    kind: z.literal('electrical'),
    inverterId: idSchema,
    modulesPerString: z.number().int('a whole number').min(1, 'at least 1').max(60, 'at most 60').nullable(),
  }),
  version: 1,
  migrations: [],
}

export const defaultElectrical: Electrical = {
  id: electricalId,
  kind: 'electrical',
  inverterId: 'halyard-7600',
  modulesPerString: null,
}
