import { z } from 'zod'
import { idSchema, lockedSchema, nameSchema, worldM, type DeepReadonly } from '../../model/object-base'
import { between } from '../../model/rules'

export const lowestEndM = -50
export const highestEndM = 200

const endSchema = z.tuple([
  between(-worldM, worldM, 'm'),
  between(-worldM, worldM, 'm'),
  between(lowestEndM, highestEndM, 'm'),
])

/** A distance that was measured and stays in the drawing: from end to end in space, metres. */
export const dimensionSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('dimension'),
  name: nameSchema,
  locked: lockedSchema,
  from: endSchema,
  to: endSchema,
})
export type Dimension = DeepReadonly<z.infer<typeof dimensionSchema>>

export const dimensionVersion = 1
export const dimensionMigrations = []
