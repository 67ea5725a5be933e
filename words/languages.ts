import { en } from './en/index'
import { es } from './es/index'
import { type Language } from './language'
import { type PartialWords, type Speech, type Words } from './words'

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

/** Every language at once: for pages that follow their reader's. What speaks English alone takes `english`. */
export const speechOf = (language: Language): Speech => ({ language, words: all[language] })
