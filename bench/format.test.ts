import { dayName, figure, measure, money, moneySign, monthStarts, number } from './format'

const us = { locale: 'en-US', currency: 'USD' }
const es = { locale: 'es-ES', currency: 'EUR' }

test('numbers and money as the place writes them, with a true minus', () => {
  expect(number(12345.678, us, 1)).toBe('12,345.7')
  expect(number(-3, us)).toBe('−3')
  expect(money(1392.4, us)).toBe('$1,392')
  expect(money(1392.4, es)).toMatch(/^1[.\s]?392\s€$/)
  expect(moneySign({ locale: 'en-AU', currency: 'AUD' })).toBe('$')
})

test('every unit has its figure; what is not there is said in words', () => {
  expect(figure(0.274, 'share', us)).toEqual({ figure: '27.4', unit: '%' })
  expect(figure(8.04, 'years', us)).toEqual({ figure: '8.0', unit: 'years' })
  expect(figure(2912, 'money/year', us)).toEqual({ figure: '2,912', unit: '$/year' })
  expect(figure(null, 'years', us)).toEqual({ figure: 'never', unit: '' })
  expect(figure(null, 'share', us)).toEqual({ figure: 'none', unit: '' })
  expect(figure(null, 'years', us, 'to come')).toEqual({ figure: '–', unit: 'to come' })
})

test('a measure carries its unit, distances the job’s own', () => {
  expect(measure(412.4, 'V', { ...us, units: 'imperial' })).toBe('412 V')
  expect(measure(1.5, 'ratio', { ...us, units: 'imperial' })).toBe('1.50')
  expect(measure(80_000, 'm', { ...us, units: 'imperial' })).toBe('49.7 mi')
  expect(measure(80_000, 'm', { ...es, units: 'metric' })).toBe('80.0 km')
})

test('days of the year by their names', () => {
  expect(dayName(0, 'en-US')).toBe('January 1')
  expect(dayName(70, 'en-GB')).toBe('12 March')
  expect(monthStarts[11]).toBe(334)
})
