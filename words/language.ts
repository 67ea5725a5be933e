import { type PageLanguage } from '@/core/kinds/offer/page'

/** The languages there are words in: those of the customer's page. */
export const languages = ['en', 'es'] as const satisfies readonly PageLanguage[]
export type Language = (typeof languages)[number]

/** The language of a locale; English where its own is not there. */
export const languageOf = (locale: string): Language =>
  languages.find((language) => locale.split('-')[0] === language) ?? 'en'

/** How people write figures who read a language in the country of a locale. */
export const localeIn = (language: Language, locale: string): string => {
  const { region } = new Intl.Locale(locale)
  return region === undefined ? language : `${language}-${region}`
}
