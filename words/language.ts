/** The languages there are words in. */
export const languages = ['en', 'es'] as const
export type Language = (typeof languages)[number]

/** The language of a locale; English where its own is not there. */
export const languageOf = (locale: string): Language =>
  languages.find((language) => locale.split('-')[0] === language) ?? 'en'
