import { refusal } from '@/words/refusal'
import { seededRandom } from './random'
import { parseNumber, parsePercent } from './numbers'

test.each([
  ['0,168', 'es-ES', 0.168],
  ['0.168', 'es-ES', 0.168],
  ['4.500', 'es-ES', 4500],
  ['4.500', 'en-US', 4.5],
  ['4,500', 'en-US', 4500],
  ['4,500', 'es-ES', 4.5],
  ['0,168', 'en-US', 0.168],
  ['11,400 kWh', 'en-US', 11_400],
  ['11.400 kWh', 'es-ES', 11_400],
  ['11 400', 'en-US', 11_400],
  ['11 400,5', 'es-ES', 11_400.5],
  ['1.250,50 €', 'es-ES', 1250.5],
  ['1.250,50', 'en-US', 1250.5],
  ['$1,250.50', 'en-US', 1250.5],
  ['1,234,567', 'en-AU', 1_234_567],
  ['-3,5', 'es-ES', -3.5],
  ['−3.5', 'en-US', -3.5],
  ['$0.17/kWh', 'en-US', 0.17],
  ['0,17 €/kWh', 'es-ES', 0.17],
  ['25 years', 'en-US', 25],
  ['7.6 kW', 'en-US', 7.6],
  ['.5', 'en-US', 0.5],
  ['2,', 'es-ES', 2],
] as const)('“%s” in %s', (text, locale, value) => {
  expect(parseNumber(text, locale)).toBe(value)
})

test.each(['', 'abc', '1..2', '1,2,3', '12a', '4.50.0', '1,23,456.7', '--1', '1 2'])(
  '“%s” is no number',
  (text) => {
    for (const locale of ['en-US', 'es-ES'])
      expect(refusal(() => parseNumber(text, locale))).toMatch(/is not a number/)
  },
)

test('what is written for a locale is read back in it', () => {
  const random = seededRandom(17)
  for (const locale of ['en-US', 'en-AU', 'es-ES'])
    for (let round = 0; round < 2000; round++) {
      const digits = Math.floor(random() * 4)
      const value =
        Math.round((random() - 0.3) * 10 ** (1 + Math.floor(random() * 7)) * 10 ** digits) / 10 ** digits || 0
      const written = new Intl.NumberFormat(locale, {
        minimumFractionDigits: digits,
        maximumFractionDigits: digits,
      }).format(value)
      // Spain leaves four digits together; a point with three digits behind it is a thousand there.
      expect({ written, value: parseNumber(written, locale) }).toEqual({ written, value })
    }
})

test('shares', () => {
  expect(parsePercent('30 %', 'en-US')).toBe(0.3)
  expect(parsePercent('2,5', 'es-ES')).toBe(0.025)
})
