import { en } from './en/index'
import { es } from './es/index'
import { type PartialWords, type Words } from './words'

export const languages = ['en', 'es'] as const
export type Language = (typeof languages)[number]

/** The language of a locale; English where its own is not there. */
export const languageOf = (locale: string): Language =>
  languages.find((language) => locale.split('-')[0] === language) ?? 'en'

/** A language's words over English ones. */
const over = (base: Words, own: PartialWords): Words =>
  Object.fromEntries(
    Object.entries(base).map(([section, texts]) => [
      section,
      { ...texts, ...own[section as keyof PartialWords] },
    ]),
    // The sections are those of the base.
  ) as unknown as Words

const all: Readonly<Record<Language, Words>> = { en, es: over(en, es) }

export const wordsOf = (language: Language): Words => all[language]
