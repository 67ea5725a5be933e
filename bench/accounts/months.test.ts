import { monthName, monthsUpTo } from './months'

test('months follow each other over the turn of a year', () => {
  expect(monthsUpTo('2026-02-28', 4)).toEqual(['2025-11', '2025-12', '2026-01', '2026-02'])
  expect(monthsUpTo('2026-12-01', 1)).toEqual(['2026-12'])
  expect(monthsUpTo('2026-11-30', 12)[0]).toBe('2025-12')
  expect(monthName('2025-12')).toBe('Dec 2025')
})
