import { z } from 'zod'
import { idSchema, type DeepReadonly } from '../../model/object-base'
import { ruleFields } from '../../setbacks/rule-set'

/** Rules of an authority as the designer wrote them for a job. */
export const rulesSchema = z.strictObject({ id: idSchema, kind: z.literal('rules'), ...ruleFields })
export type Rules = DeepReadonly<z.infer<typeof rulesSchema>>

export const rulesVersion = 1
export const rulesMigrations = []
