import { localClock } from '../model/local-clock'
import { yearStartMs } from '../model/model-year'
import { meanBoard } from './mean-board'

const clock = localClock('America/New_York', yearStartMs(-5), 60, 8760)

test('a series of the hour and the month comes back as it is, daylight saving or not', () => {
  const series = Float64Array.from(clock.hour, (hour, i) => 100 * (clock.month[i] ?? 0) + hour)
  const board = meanBoard(series, clock)
  expect(board).toHaveLength(12)
  board.forEach((row, month) =>
    row.forEach((value, hour) => expect(value).toBeCloseTo(100 * month + hour, 9)),
  )
})

test('days are averaged, and what is not there is nothing', () => {
  const series = Float64Array.from(clock.date, (date) => date)
  // The days of January are 16 on average.
  expect(meanBoard(series, clock)[0]?.[5]).toBeCloseTo(16, 9)
  expect(
    meanBoard(new Float64Array(0), clock)
      .flat()
      .every((value) => value === 0),
  ).toBe(true)
})
