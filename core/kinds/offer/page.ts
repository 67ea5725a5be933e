import { z } from 'zod'
import { type DeepReadonly } from '../../model/object-base'
import { between, wholeBetween } from '../../model/rules'

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

const metres = between(-2000, 2000, 'm')
const point = z.tuple([metres, metres, metres])

/** What the picture of the house is seen from and looks at, in the site's frame, and whose shadows it has. */
export const pageViewSchema = z.strictObject({
  eye: point,
  target: point,
  /** Day of the modelled year, 0..364, and hour of the clock at the address. */
  day: wholeBetween(0, 364),
  hour: between(0, 24),
})
export type PageView = DeepReadonly<z.infer<typeof pageViewSchema>>

export const pageSchema = z.strictObject({
  /** What is shown, in its order. */
  sections: z.array(z.enum(pageSections)).max(pageSections.length),
  /** An empty one is not shown; an empty line begins a paragraph. */
  texts: z.strictObject({ letter: text, warranty: text, terms: text, next: text }),
  /** What it is read in; null for what is spoken at the address. */
  language: z.enum(pageLanguages).nullable(),
  /** How the picture of the house begins, and how it is on paper; null for the usual one. */
  view: pageViewSchema.nullable(),
})
export type Page = DeepReadonly<z.infer<typeof pageSchema>>
