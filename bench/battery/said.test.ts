import { localClock } from '@/core/model/local-clock'
import { yearStartMs } from '@/core/model/model-year'
import { plainEnglish } from '@/words/plain-english'
import { momentText } from './said'

const carpetOf = (stepMinutes: number) => ({
  stepMinutes,
  clockHour: localClock('America/New_York', yearStartMs(-5), stepMinutes, (365 * 1440) / stepMinutes).hour,
})
const textOf = (day: number, hours: number, stepMinutes = 60) =>
  momentText(((day * 24 + hours) * 60) / stepMinutes, carpetOf(stepMinutes), plainEnglish)

test('a moment has the day and the time of the clock on the wall, daylight saving or not', () => {
  expect(textOf(0, 15)).toBe('January 1, 15:00')
  // July 19, in standard time the 200th day of the year: the clock is an hour ahead, and at its end a day.
  expect(textOf(199, 22)).toBe('July 19, 23:00')
  expect(textOf(199, 23)).toBe('July 20, 00:00')
  expect(textOf(364, 23)).toBe('December 31, 23:00')
  expect(textOf(0, 15.75, 15)).toBe('January 1, 15:45')
})
