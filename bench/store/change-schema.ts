import { z } from 'zod'

/** An object as it comes from elsewhere; it is checked by its kind where it is used. */
export const objectSchema = z.looseObject({ id: z.string(), kind: z.string() })

/** A change as it comes from elsewhere. */
export const changeSchema = z.object({
  added: z.record(z.string(), objectSchema),
  updated: z.record(z.string(), z.tuple([objectSchema, objectSchema])),
  removed: z.record(z.string(), objectSchema),
})
