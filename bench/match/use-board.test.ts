import { bare, boardOf, type Paint } from '@/core/tariff/board'
import { inOrder } from './use-board'

const when = { months: [], days: 'all' as const }
const board = boardOf([
  { ...when, name: 'Peak', pricePerKwh: 0.4, fromHour: 16, toHour: 20 },
  { ...when, name: 'Night', pricePerKwh: 0.1, fromHour: 0, toHour: 6 },
])
const peak: Paint = { name: 'Peak', pricePerKwh: 0.4 }
const night: Paint = { name: 'Night', pricePerKwh: 0.1 }
const idle: Paint = { name: 'Price 3', pricePerKwh: 0.2 }

test('prices keep their places on the list, those that no hour has as well', () => {
  const { paints, weekday } = inOrder(board, [night, idle, peak])
  expect(paints).toEqual([night, idle, peak])
  expect([3, 12, 17].map((hour) => weekday[6]?.[hour])).toEqual([0, bare, 2])
})

test('what somebody else has painted meanwhile comes last; equal ones are one', () => {
  const { paints, weekend } = inOrder(board, [night, { ...night }])
  expect(paints).toEqual([night, peak])
  expect(weekend[0]?.[17]).toBe(1)
})
