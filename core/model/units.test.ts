import { refusal } from '@/words/refusal'
import fc from 'fast-check'
import {
  formatArea,
  formatDistance,
  formatLength,
  formatSlope,
  formatWeight,
  parseLength,
  parseSlope,
} from './units'

test.each([
  ['3', 'metric', 3],
  ['3m', 'metric', 3],
  ['3,5 m', 'imperial', 3.5],
  ['450 mm', 'metric', 0.45],
  ['35cm', 'imperial', 0.35],
  [`11' 6 1/2"`, 'imperial', 11 * 0.3048 + 6.5 * 0.0254],
  [`11' 6"`, 'metric', 11.5 * 0.3048],
  ['6"', 'imperial', 6 * 0.0254],
  ['1/2"', 'imperial', 0.0127],
  ['12 ft', 'metric', 12 * 0.3048],
  ['12', 'imperial', 12 * 0.3048],
] as const)('the length %s in %s', (text, system, metres) => {
  expect(parseLength(text, system, 'en-US')).toBeCloseTo(metres, 9)
})

test.each(['', 'abc', '3 apples', '--3', `'`, '1..2'])('"%s" is no length', (text) => {
  expect(refusal(() => parseLength(text, 'metric', 'en-US'))).toMatch(/is not a length/)
})

test.each([
  ['22', 22],
  ['22deg', 22],
  ['40%', 21.80140949],
  ['7/12', 30.25643716],
  ['7 in 12', 30.25643716],
  ['12/12', 45],
] as const)('the slope %s', (text, degrees) => {
  expect(parseSlope(text, 'en-US')).toBeCloseTo(degrees, 6)
})

test('letters are no slope', () => {
  expect(refusal(() => parseSlope('steep', 'en-US'))).toMatch(/is not a pitch/)
  expect(refusal(() => parseSlope('1.2.3', 'en-US'))).toMatch(/is not a pitch/)
})

test('marks are those of the locale, in lengths and slopes too', () => {
  expect(parseLength('3,45 m', 'metric', 'es-ES')).toBe(3.45)
  expect(parseLength('3.45', 'metric', 'es-ES')).toBe(3.45)
  expect(parseLength('1.250 mm', 'metric', 'es-ES')).toBe(1.25)
  expect(parseLength('1,250 mm', 'metric', 'en-US')).toBe(1.25)
  expect(parseLength('-0.5', 'metric', 'en-US')).toBe(-0.5)
  expect(parseSlope('22,5°', 'es-ES')).toBe(22.5)
  expect(formatLength(3.456, 'metric', 'es-ES')).toBe('3,46 m')
  expect(formatSlope(30.04, 'metric', 'es-ES')).toBe('30,0°')
})

test('what is shown can be typed back', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 60, noNaN: true }), (metres) => {
      expect(
        Math.abs(parseLength(formatLength(metres, 'imperial', 'en-US'), 'imperial', 'en-US') - metres),
      ).toBeLessThan(0.0064)
      for (const locale of ['en-AU', 'es-ES'])
        expect(
          Math.abs(parseLength(formatLength(metres, 'metric', locale), 'metric', locale) - metres),
        ).toBeLessThan(0.0051)
    }),
    { seed: 2 },
  )
})

test('areas, distances and slopes in both systems', () => {
  expect(formatArea(10, 'imperial', 'en-US')).toBe('108 ft²')
  expect(formatArea(178.65, 'imperial', 'en-US')).toBe('1,923 ft²')
  expect(formatDistance(6200, 'metric', 'en-US')).toBe('6.2 km')
  expect(formatDistance(6200, 'imperial', 'en-US')).toBe('3.9 mi')
  expect(formatSlope(45, 'imperial', 'en-US')).toBe('45.0° · 12.0/12')
})

test('weights in kilograms or pounds, with the digits of the place', () => {
  expect(formatWeight(21.5, 'metric', 'en-IE')).toBe('21.5 kg')
  expect(formatWeight(21.5, 'metric', 'es-ES')).toBe('21,5 kg')
  expect(formatWeight(21.5, 'imperial', 'en-US')).toBe('47.4 lb')
})
