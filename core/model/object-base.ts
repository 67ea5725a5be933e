import { z } from 'zod'
import { between, ruleMessage } from './rules'

/** One thing of a document. Every kind adds its own fields. */
export interface ObjectBase {
  readonly id: string
  readonly kind: string
}

/** The objects of one document by their ids. */
export type ObjectsOf<T extends ObjectBase> = Readonly<Record<string, T>>

/** What a schema yields, never to be altered. */
export type DeepReadonly<T> = T extends readonly unknown[] | object
  ? { readonly [K in keyof T]: DeepReadonly<T[K]> }
  : T

/** An object's own name in every record; the one such name that every record has already is left out. */
export const idSchema = z.string().regex(/^(?!constructor$)[a-z0-9][a-z0-9-]{0,63}$/, ruleMessage('id'))
export const longestName = 80
export const nameSchema = z
  .string()
  .trim()
  .min(1, ruleMessage('name-needed'))
  .max(longestName, ruleMessage('at-most-characters', { limit: longestName }))
/** Kept from hands on the stage: seen and chosen, not moved or deleted until it is unlocked. */
export const lockedSchema = z.boolean().exactOptional()
/** A file that is kept with a team, by its digest. */
export const fileIdSchema = z.string().regex(/^[0-9a-f]{24}$/, ruleMessage('not-as-expected'))
/** Metres that the world of a job reaches from its site. */
export const worldM = 500
/** Metres east and north of the job's site. */
export const point2Schema = z.tuple([between(-worldM, worldM, 'm'), between(-worldM, worldM, 'm')])
/** A share of something. */
export const shareSchema = between(0, 1, 'share')
