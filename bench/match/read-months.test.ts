import { Fault } from '@/core/model/fault'
import { readHours } from './read-hours'
import { readMonths, shownMonths } from './read-months'

test.each([
  ['6-9', [6, 7, 8, 9], '6–9'],
  ['12, 1, 2', [1, 2, 12], '1–2, 12'],
  ['11–2', [1, 2, 11, 12], '1–2, 11–12'],
  ['', [], ''],
  ['1-12', [], ''],
  ['7', [7], '7'],
])('%s', (text, months, shown) => {
  expect(readMonths(text)).toEqual(months)
  expect(shownMonths(months)).toBe(shown)
})

test.each(['0', '13', 'June', '6-', '6-99', '-3'])('%s is no month', (text) => {
  expect(() => readMonths(text)).toThrow(Fault)
})

test('hours are two numbers with a line between', () => {
  expect(readHours('16–20')).toEqual({ fromHour: 16, toHour: 20 })
  expect(readHours(' 23 to 6 ')).toEqual({ fromHour: 23, toHour: 6 })
  for (const text of ['', '16', '4pm-8pm']) expect(() => readHours(text)).toThrow(Fault)
})
