import { type Quantity } from '@/core/model/said'
import {
  dayName,
  entered,
  momentName,
  money,
  moneySign,
  monthNames,
  monthStarts,
  number,
  paperOf,
  plainNumber,
  slope,
  writeQuantity,
  writtenQuantity,
} from './format'
import { speechOf } from './languages'

const us = { locale: 'en-US', currency: 'USD', units: 'imperial' } as const
const es = { locale: 'es-ES', currency: 'EUR', units: 'metric' } as const
const written = (quantity: Quantity, place: typeof us | typeof es = us) => {
  const { figure, unit } = writeQuantity(quantity, place, speechOf(place === us ? 'en' : 'es').words.units)
  return `${figure} ${unit}`.trim()
}

test('numbers and money as the place writes them, with a true minus', () => {
  expect(number(12345.678, us, 1)).toBe('12,345.7')
  expect(number(-3, us)).toBe('−3')
  expect(number(-0.2, us)).toBe('0')
  expect(plainNumber(-0.0525, us)).toBe('−0.0525')
  expect(plainNumber(0.0525, es)).toBe('0,0525')
  expect(money(1392.4, us)).toBe('$1,392')
  expect(money(-1392.4, us)).toBe('−$1,392')
  expect(money(1392.4, es)).toMatch(/^1[.\s]?392\s€$/)
  expect(money(-0.4, us)).toBe('$0')
  expect(moneySign({ locale: 'en-AU', currency: 'AUD' })).toBe('$')
})

test.each([
  [{ value: 0.274, unit: 'share' }, '27.4 %', '27,4 %'],
  [{ value: 0.02, unit: 'share', digits: 2 }, '2.00 %', '2,00 %'],
  [{ value: 8.04, unit: 'years' }, '8.0 years', '8,0 años'],
  [{ value: 2912, unit: 'money/year' }, '2,912 $/year', '2912 €/año'],
  [{ value: 0.285, unit: 'money/kWh' }, '0.285 $/kWh', '0,285 €/kWh'],
  [{ value: 2.95, unit: 'money/W' }, '2.95 $/W', '2,95 €/W'],
  [{ value: 412.4, unit: 'V' }, '412 V', '412 V'],
  [{ value: 1.5, unit: 'ratio' }, '1.50', '1,50'],
  [{ value: 80_000, unit: 'm' }, '49.7 mi', '80,0 km'],
  [{ value: 300, unit: 'm' }, '984 ft', '300 m'],
  [{ value: 0.45, unit: 'm' }, `1' 5 1/2"`, '0,45 m'],
  [{ value: -0.0034, unit: 'share/K' }, '−0.34 % per kelvin', '−0,34 % por kelvin'],
  [{ value: 34.4, unit: 'deg' }, '34°', '34°'],
  [{ value: 1e9, unit: 'bytes' }, '1,000 MB', '1000 MB'],
] satisfies [Quantity, string, string][])('%j is written %s and %s', (quantity, english, spanish) => {
  expect(written(quantity)).toBe(english)
  expect(written(quantity, es)).toBe(spanish)
})

test.each([
  [{ value: 2912.4, unit: 'money' }, '$2,912', '2912 €'],
  [{ value: -2912, unit: 'money', digits: 2 }, '−$2,912.00', '−2912,00 €'],
  [{ value: 12_912, unit: 'money/year' }, '$12,912/year', '12.912 €/año'],
  [{ value: 0.2854, unit: 'money/kWh' }, '$0.285/kWh', '0,285 €/kWh'],
  [{ value: 2.95, unit: 'money/W' }, '$2.95/W', '2,95 €/W'],
  [{ value: 0.274, unit: 'share' }, '27.4 %', '27,4 %'],
  [{ value: 1.5, unit: 'ratio' }, '1.50', '1,50'],
] satisfies [Quantity, string, string][])('%j is %s and %s in one piece', (quantity, english, spanish) => {
  const whole = (place: typeof us | typeof es) =>
    writtenQuantity(quantity, place, speechOf(place === us ? 'en' : 'es').words.units).replaceAll(
      '\u00a0',
      ' ',
    )
  expect(whole(us)).toBe(english)
  expect(whole(es)).toBe(spanish)
})

test.each([
  ['en-US', 'Letter'],
  ['en-AU', 'A4'],
  ['es-ES', 'A4'],
  ['es-MX', 'Letter'],
  ['en', 'A4'],
] as const)('the paper of %s is %s', (locale, paper) => {
  expect(paperOf(locale)).toBe(paper)
})

test('what was entered keeps its digits: a half does not become a whole', () => {
  expect(entered(4.5, { locale: 'en-US' })).toBe('4.5')
  expect(entered(4500, { locale: 'es-ES' })).toBe('4500')
  expect(entered(0.168, { locale: 'es-ES' }, 2)).toBe('0,168')
  expect(entered(25, { locale: 'en-US' }, 1)).toBe('25.0')
  expect(entered(-0, { locale: 'en-US' })).toBe('0')
})

test('days and months by their names, slopes with the rise where people say so', () => {
  expect(dayName(0, 'en-US')).toBe('January 1')
  expect(dayName(70, 'en-GB')).toBe('12 March')
  // Noon by universal time is the same day wherever the reader is, and its parts come in the order of the locale.
  expect(momentName('2026-03-12T12:00:00Z', 'en-US')).toMatch(/^Mar 1[23], 2026, \d{1,2}:\d\d\s[AP]M$/)
  expect(momentName('2026-03-12T12:00:00Z', 'de-DE')).toMatch(/^1[23]\.03\.2026, \d\d:\d\d$/)
  expect(monthNames('es-ES')[0]).toBe('ene')
  expect(monthNames('en-US')).toHaveLength(12)
  expect(monthStarts[11]).toBe(334)
  expect(slope(30, es)).toMatch(/^30/)
  expect(slope(Math.atan(7 / 12) * (180 / Math.PI), us)).toMatch(/7\.0\/12/)
})
