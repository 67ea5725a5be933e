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

/** The languages that the page can be read in. */
export const pageLanguages = ['en', 'es'] as const
export type PageLanguage = (typeof pageLanguages)[number]

const text = z.string().max(4000)

export const pageSchema = z.strictObject({
  /** What is shown, in its order. */
  sections: z.array(z.enum(pageSections)).max(pageSections.length),
  /** An empty one is not shown; an empty line begins a paragraph. */
  texts: z.strictObject({ letter: text, warranty: text, terms: text, next: text }),
  /** What it is read in; null for what is spoken at the address. */
  language: z.enum(pageLanguages).nullable(),
})
export type Page = z.infer<typeof pageSchema>
