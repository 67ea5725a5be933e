import { type z } from 'zod'
import { type ObjectBase } from '../model/object-base'
import { type Standing } from './standing'

/** Something to be bought and brought, by its id in the catalogue. */
export interface Part {
  readonly what: 'module' | 'inverter' | 'optimizer' | 'battery'
  readonly typeId: string
  readonly count: number
}

/** What a kind may ask when it says its parts. */
export interface PartsContext {
  /** Modules that lie on an object now. */
  readonly panelsOn: (id: string) => number
  /** The module of the option. */
  readonly moduleId: string
}

/** A kind of object, declared once: whatever asks about objects asks through this. */
export interface Kind<T extends ObjectBase> {
  readonly kind: T['kind']
  readonly document: 'house' | 'option'
  readonly schema: z.ZodType<T>
  /** The present version; a document says which version each of its kinds has. */
  readonly version: number
  /** `migrations[n]` brings a value of version n + 1 to version n + 2. */
  readonly migrations: readonly ((value: Record<string, unknown>) => Record<string, unknown>)[]
  /** Ids of which every document has exactly one object; null where there may be any number. */
  readonly singles: readonly string[] | null
  /** What it is in space; null for what only says something. */
  readonly standing: Standing<T> | null
  readonly parts: (object: T, context: PartsContext) => readonly Part[]
}

export const noParts = () => []
