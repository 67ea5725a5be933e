import { clockOfHour, dateOfDay, dayOfDate, hourOfClock, momentAfter, solsticeDay } from './moment'

test('each day of the year there and back', () => {
  for (let day = 0; day < 365; day++) expect(dayOfDate(dateOfDay(day, 2025))).toBe(day)
  expect(dateOfDay(354, 2025)).toBe('2025-12-21')
  expect(dayOfDate('2025-03-01')).toBe(59)
})

test.each(['', '2025-02-29', '2025-13-01', '2025-00-10', '2025-04-31', '21 May', '2025-1-1'])(
  '“%s” is no day of it',
  (date) => {
    expect(dayOfDate(date)).toBeNull()
  },
)

test('the twenty-first of December at ten is ten', () => {
  expect(hourOfClock('10:00')).toBe(10)
  expect(clockOfHour(10)).toBe('10:00')
  for (let minute = 0; minute < 1440; minute++)
    expect(clockOfHour(hourOfClock(clockOfHour(minute / 60)) ?? NaN)).toBe(clockOfHour(minute / 60))
  for (const bad of ['', '24:00', '9:60', '9:3', 'ten', '-1:00']) expect(hourOfClock(bad)).toBeNull()
  expect([hourOfClock('9'), hourOfClock('9.30')]).toEqual([9, 9.5])
  expect(clockOfHour(23.9999)).toBe('23:59')
})

test('five minutes on and back, over midnight and over the year', () => {
  expect(momentAfter({ day: 140, hour: 15 }, 5)).toEqual({ day: 140, hour: 15 + 5 / 60 })
  expect(momentAfter({ day: 364, hour: 23 + 58 / 60 }, 5)).toEqual({ day: 0, hour: 3 / 60 })
  expect(momentAfter({ day: 0, hour: 0 }, -5)).toEqual({ day: 364, hour: 23 + 55 / 60 })
})

test('the summer solstice is in June north of the equator and in December south of it', () => {
  expect(dateOfDay(solsticeDay(41, 'summer'), 2025)).toBe('2025-06-21')
  expect(dateOfDay(solsticeDay(41, 'winter'), 2025)).toBe('2025-12-21')
  expect(solsticeDay(-35, 'summer')).toBe(solsticeDay(41, 'winter'))
})
