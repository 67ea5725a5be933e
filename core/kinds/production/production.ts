import { z } from 'zod'
import { daySchema } from '../../model/day'
import { nameSchema, type DeepReadonly } from '../../model/object-base'
import { ruleMessage, wholeBetween } from '../../model/rules'

export const productionId = 'production'

export const productionGrains = ['hours', 'days', 'months'] as const

/** As many spans as a job keeps: three years of hours. */
export const mostKept = 3 * 366 * 24
/** Two bytes each, in base 64. */
const mostLetters = 4 * Math.ceil((2 * mostKept) / 3)

/** What the meter or the monitoring has recorded of what the modules made. At most one to a house document. */
export const productionSchema = z.strictObject({
  id: z.literal(productionId),
  kind: z.literal('production'),
  /** Of the file. */
  name: nameSchema,
  grain: z.enum(productionGrains),
  /** When the first span begins, in hours since 1970 by the clock of the file, in standard time. */
  fromHour: wholeBetween(0, 1_000_000),
  /** What one stands for in the spans. */
  unitWh: wholeBetween(1, 100_000_000),
  /** A whole number for each hour, day or calendar month, 65,535 where nothing was measured: 16 bits, low byte first, in base 64. */
  spans: z
    .string()
    .min(4, ruleMessage('production-spans'))
    .max(mostLetters, ruleMessage('production-spans'))
    .regex(
      /^(?:[A-Za-z0-9+/]{4})*(?:[A-Za-z0-9+/]{2}==|[A-Za-z0-9+/]{3}=)?$/,
      ruleMessage('production-spans'),
    ),
  /** The day on which the modules began to run; null for the first one measured. */
  since: daySchema.nullable(),
})
export type Production = DeepReadonly<z.infer<typeof productionSchema>>

export const productionVersion = 1
export const productionMigrations = []
