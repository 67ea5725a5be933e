import { z } from 'zod'

/** Parts of the customer's page, in their usual order. */
export const pageSections = [
  'letter',
  'roof',
  'summary',
  'figures',
  'bill',
  'energy',
  'ways',
  'cash',
  'equipment',
  'price',
  'environment',
  'losses',
  'assumptions',
  'warranty',
  'terms',
  'next',
] as const
export type PageSection = (typeof pageSections)[number]

/** Those that say what the designer writes. */
export const writtenSections = [
  'letter',
  'warranty',
  'terms',
  'next',
] as const satisfies readonly PageSection[]
export type WrittenSection = (typeof writtenSections)[number]

const text = z.string().max(4000)

export const pageSchema = z.strictObject({
  /** What is shown, in its order. */
  sections: z.array(z.enum(pageSections)).max(pageSections.length),
  /** An empty one is not shown; an empty line begins a paragraph. */
  texts: z.strictObject({ letter: text, warranty: text, terms: text, next: text }),
})
export type Page = z.infer<typeof pageSchema>
