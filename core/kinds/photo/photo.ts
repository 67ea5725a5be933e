import { z } from 'zod'
import { daySchema } from '../../model/day'
import { fileIdSchema, idSchema, type DeepReadonly } from '../../model/object-base'

/** A photo of the house: the meter, the rafters, the chimney from below. */
export const photoSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('photo'),
  /** What it shows; empty until somebody says it. */
  caption: z.string().max(200),
  /** The file that is kept with the team, by its digest. */
  fileId: fileIdSchema,
  takenOn: daySchema.nullable(),
  /** The object that it shows, by its id; null for the place as a whole. */
  about: idSchema.nullable(),
})
export type Photo = DeepReadonly<z.infer<typeof photoSchema>>

export const photoVersion = 1
export const photoMigrations = []
