import { z } from 'zod'
import { idSchema, shareSchema, type DeepReadonly } from '../../model/object-base'
import { between } from '../../model/rules'

export const coverId = 'cover'

const setback = between(0, 10, 'm')

/** Which module is laid and how far it keeps from the plane's edges. One to an option. */
export const coverSchema = z.strictObject({
  id: z.literal(coverId),
  kind: z.literal('cover'),
  moduleId: idSchema,
  setbacksM: z.strictObject({ eave: setback, ridge: setback, hip: setback, valley: setback, rake: setback }),
  /** Modules that have less of the year's light than this share of what no shade would leave are told of; `usualSunAccess` where none is set. */
  leastSunAccess: shareSchema.exactOptional(),
})
export type Cover = DeepReadonly<z.infer<typeof coverSchema>>

/** Less than three quarters of the light seldom pays for a module. */
export const usualSunAccess = 0.75

export const coverVersion = 1
export const coverMigrations = []

export const defaultCover: Cover = {
  id: coverId,
  kind: 'cover',
  moduleId: 'lumenfold-420',
  setbacksM: { eave: 0.3, ridge: 0.45, hip: 0.45, valley: 0.45, rake: 0.3 },
}
