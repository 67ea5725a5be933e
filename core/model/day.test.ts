import { daySchema, isDay } from './day'

test('a day exists in the calendar', () => {
  expect(['2026-11-26', '2024-02-29', '0001-01-01', '9999-12-31'].every(isDay)).toBe(true)
  for (const wrong of ['2026-02-29', '2026-02-30', '2026-13-01', '2026-00-10', '2026-11-31', '26-11-2026'])
    expect([wrong, isDay(wrong)]).toEqual([wrong, false])
  for (const wrong of ['', '2026-11-26 ', '2026-11-26T10:00', ' 2026-11-26', '2026-1-1', '2026/11/26'])
    expect([wrong, isDay(wrong)]).toEqual([wrong, false])
  expect(daySchema.safeParse('2026-02-30').error?.issues[0]?.message).toContain('"day"')
})
