import { z } from 'zod'
import { idSchema, lockedSchema, nameSchema, point2Schema, type DeepReadonly } from '../../model/object-base'
import { between } from '../../model/rules'
import { horizonSchema } from '../site/site'

export const highestReadingM = 30
/** A device that is laid on a roof sees from a hand's width above it. */
export const usualReadingM = 0.1

/** A horizon as it was measured at a point of the site: whatever stands in the way there, near and far. */
export const readingSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('reading'),
  name: nameSchema,
  locked: lockedSchema,
  /** Where it was taken, in plan. */
  center: point2Schema,
  /** How high over the roof or the ground. */
  heightM: between(0, highestReadingM, 'm'),
  /** Azimuth (clockwise from north) and elevation. */
  heights: horizonSchema.min(2),
})
export type Reading = DeepReadonly<z.infer<typeof readingSchema>>

export const readingVersion = 1
export const readingMigrations = []
