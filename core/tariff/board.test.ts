import fc from 'fast-check'
import { localClock } from '../model/local-clock'
import { bare, boardDays, boardOf, painted, periodsOf, type Board } from './board'
import { firstHolding } from './when'

const empty = Array.from({ length: 12 }, () => new Array<number>(24).fill(bare))
const boardWith = (...prices: number[]): Board => ({
  paints: prices.map((pricePerKwh, k) => ({ name: `P${k}`, pricePerKwh })),
  weekday: empty,
  weekend: empty,
  dated: false,
})

test('a summer peak and a night by hand: two periods, the night over midnight', () => {
  let board = boardWith(0.4, 0.1)
  board = painted(board, { days: 'weekday', months: [5, 8], hours: [16, 19] }, 0)
  for (const days of boardDays) {
    board = painted(board, { days, months: [0, 11], hours: [23, 23] }, 1)
    board = painted(board, { days, months: [11, 0], hours: [5, 0] }, 1)
  }
  const periods = periodsOf(board)
  expect(periods).toEqual([
    { name: 'P0', pricePerKwh: 0.4, days: 'weekday', months: [6, 7, 8, 9], fromHour: 16, toHour: 20 },
    { name: 'P1', pricePerKwh: 0.1, days: 'all', months: [], fromHour: 23, toHour: 6 },
  ])
  expect(boardOf(periods)).toEqual(board)
})

test('a whole day, and hours up to midnight', () => {
  let board = boardWith(0.3)
  board = painted(board, { days: 'weekend', months: [0, 0], hours: [0, 23] }, 0)
  board = painted(board, { days: 'weekend', months: [1, 1], hours: [20, 23] }, 0)
  expect(periodsOf(board).map(({ months, fromHour, toHour }) => [months, fromHour, toHour])).toEqual([
    [[1], 0, 24],
    [[2], 20, 24],
  ])
})

test('periods of one name and price are one paint; what they earn tells them apart', () => {
  const when = { months: [], days: 'all', fromHour: 0, toHour: 3 } as const
  const { paints, weekday } = boardOf([
    { ...when, name: 'A', pricePerKwh: 0.2 },
    { ...when, name: 'A', pricePerKwh: 0.2, fromHour: 5, toHour: 6 },
    { ...when, name: 'A', pricePerKwh: 0.2, exportPerKwh: 0.1, fromHour: 7, toHour: 8 },
  ])
  expect(paints).toHaveLength(2)
  expect(weekday[4]?.slice(0, 9)).toEqual([0, 0, 0, bare, bare, 0, bare, 1, bare])
})

test('a price that changes within a month is said, and stands by the month’s middle', () => {
  const board = boardOf([
    {
      name: 'Late',
      months: [],
      days: 'all',
      fromHour: 0,
      toHour: 24,
      pricePerKwh: 1,
      dates: { from: '06-20', to: '09-10' },
    },
  ])
  expect(board.dated).toBe(true)
  expect(board.weekday.map((row) => row[0])).toEqual([
    bare,
    bare,
    bare,
    bare,
    bare,
    bare,
    0,
    0,
    bare,
    bare,
    bare,
    bare,
  ])
})

const stroke = fc.record({
  days: fc.constantFrom(...boardDays),
  months: fc.tuple(fc.integer({ min: 0, max: 11 }), fc.integer({ min: 0, max: 11 })),
  hours: fc.tuple(fc.integer({ min: 0, max: 23 }), fc.integer({ min: 0, max: 23 })),
  paint: fc.integer({ min: bare, max: 3 }),
})
const clock = localClock('Europe/Madrid', Date.UTC(2024, 11, 31, 23), 60, 8760)

test('whatever is painted comes back from its periods, and every hour of the year has its paint', () => {
  fc.assert(
    fc.property(fc.array(stroke, { maxLength: 14 }), (strokes) => {
      const board = strokes.reduce(
        (so, { paint, ...where }) => painted(so, where, paint),
        boardWith(0.1, 0.2, 0.3, 0.4),
      )
      const periods = periodsOf(board)
      const prices = (row: readonly number[], from: Board) =>
        row.map((paint) => from.paints[paint]?.pricePerKwh)
      const again = boardOf(periods)
      for (const days of boardDays)
        expect(again[days].map((row) => prices(row, again))).toEqual(
          board[days].map((row) => prices(row, board)),
        )
      const holding = firstHolding(periods, clock)
      const wrong = Array.from({ length: 674 }, (_, k) => k * 13).filter((i) => {
        const rows = clock.weekend[i] === 1 ? board.weekend : board.weekday
        const paint = rows[clock.month[i] ?? 0]?.[clock.hour[i] ?? 0] ?? bare
        return periods[holding[i] ?? bare]?.pricePerKwh !== board.paints[paint]?.pricePerKwh
      })
      expect(wrong).toEqual([])
    }),
    { seed: 15, numRuns: 300, endOnFailure: true },
  )
})
