import { z } from 'zod'
import './plain-words'

/** One thing of a document. Every kind adds its own fields. */
export interface ObjectBase {
  readonly id: string
  readonly kind: string
}

/** How a kind of object is checked, brought up from older versions and made anew. */
export interface ObjectKind<T extends ObjectBase> {
  readonly kind: T['kind']
  readonly document: 'house' | 'option'
  readonly schema: z.ZodType<T>
  /** The present version; a document says which version each of its kinds has. */
  readonly version: number
  /** `migrations[n]` brings a value of version n + 1 to version n + 2. */
  readonly migrations: readonly ((value: Record<string, unknown>) => Record<string, unknown>)[]
}

export const idSchema = z
  .string()
  .regex(/^[a-z0-9][a-z0-9-]{0,63}$/, 'an id is 1 to 64 small letters, digits and hyphens')
export const nameSchema = z.string().trim().min(1, 'a name is needed').max(80, 'at most 80 characters')
/** Metres east and north of the job's site. The world ends 500 m away. */
export const point2Schema = z.tuple([z.number().min(-500).max(500), z.number().min(-500).max(500)])
