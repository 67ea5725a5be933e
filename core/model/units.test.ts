import { refusal } from '@/words/refusal'
import fc from 'fast-check'
import {
  formatArea,
  formatDistance,
  formatLength,
  formatSlope,
  parseLength,
  parseNumber,
  parsePercent,
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
  expect(parseLength(text, system)).toBeCloseTo(metres, 9)
})

test.each(['', 'abc', '3 apples', '--3', `'`, '1..2'])('"%s" is no length', (text) => {
  expect(refusal(() => parseLength(text, 'metric'))).toMatch(/is not a length/)
})

test.each([
  ['22', 22],
  ['22deg', 22],
  ['40%', 21.80140949],
  ['7/12', 30.25643716],
  ['7 in 12', 30.25643716],
  ['12/12', 45],
] as const)('the slope %s', (text, degrees) => {
  expect(parseSlope(text)).toBeCloseTo(degrees, 6)
})

test('letters are no slope and no number', () => {
  expect(refusal(() => parseSlope('steep'))).toMatch(/is not a pitch/)
  expect(refusal(() => parseNumber('12a'))).toMatch(/is not a number/)
  expect(parseNumber('$1,250.50')).toBe(1250.5)
  expect(parseNumber('0,25')).toBe(0.25)
  expect(parseNumber('11 400')).toBe(11400)
  expect(parsePercent('30 %')).toBe(0.3)
})

test('what is shown can be typed back', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 60, noNaN: true }), (metres) => {
      expect(Math.abs(parseLength(formatLength(metres, 'imperial'), 'imperial') - metres)).toBeLessThan(
        0.0064,
      )
      expect(Math.abs(parseLength(formatLength(metres, 'metric'), 'metric') - metres)).toBeLessThan(0.0051)
    }),
    { seed: 2 },
  )
})

test('areas, distances and slopes in both systems', () => {
  expect(formatArea(10, 'imperial')).toBe('108 ft²')
  expect(formatDistance(6200, 'metric')).toBe('6.2 km')
  expect(formatDistance(6200, 'imperial')).toBe('3.9 mi')
  expect(formatSlope(45, 'imperial')).toBe('45.0° · 12.0/12')
})
