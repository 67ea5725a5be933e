import { money, number } from './format'
import { languageOf, localeIn } from './language'

test.each([
  ['en', 'en-US', 'en-US'],
  ['es', 'en-US', 'es-US'],
  ['es', 'en-IE', 'es-IE'],
  ['es', 'es-ES', 'es-ES'],
  ['en', 'es-ES', 'en-ES'],
  ['es', 'en', 'es'],
] as const)('%s read at %s is written as in %s', (language, locale, expected) => {
  expect(localeIn(language, locale)).toBe(expected)
  expect(languageOf(localeIn(language, locale))).toBe(language)
})

test('figures follow the language and the place: points and commas, the sign of the money', () => {
  const figures = (locale: string, currency: string) => [
    number(12_804.5, { locale }, 1),
    money(13_366, { locale, currency }),
  ]
  expect(figures(localeIn('es', 'en-US'), 'USD')).toEqual(['12,804.5', '$13,366'])
  expect(figures(localeIn('es', 'en-IE'), 'EUR')).toEqual(['12.804,5', '13.366\u00a0€'])
})
