import { type Vec2 } from '../geometry/vector'
import { outlinesFor } from './whose-outline'

const boxAt = (x: number, y: number): Vec2[] => [
  [x - 5, y - 4],
  [x + 5, y - 4],
  [x + 5, y + 4],
  [x - 5, y + 4],
]

test('the site lies in the house or beside it; what is farther is a neighbour', () => {
  const [here, beside, next] = [boxAt(0, 0), boxAt(9.9, 0), boxAt(10.1, 0)]
  expect(outlinesFor(null, [here, next])).toEqual({ outline: here, others: [next] })
  expect(outlinesFor(null, [beside])).toEqual({ outline: beside, others: [] })
  expect(outlinesFor(null, [next])).toEqual({ outline: null, others: [next] })
  expect(outlinesFor(null, [])).toEqual({ outline: null, others: [] })
})

test('what is drawn is the house, and what a survey knows of it is no neighbour', () => {
  const drawn = boxAt(1, 1)
  expect(outlinesFor(drawn, [boxAt(0, 0), boxAt(30, 0)])).toEqual({ outline: drawn, others: [boxAt(30, 0)] })
})
