import { snap } from './snap'
import { type Vec2 } from './vector'

const house: Vec2[] = [
  [0, 0],
  [10, 0],
  [10, 6],
  [0, 6],
]
const at = (pointer: Vec2, drawn: Vec2[] = [], outlines: Vec2[][] = []) =>
  snap({ pointer, drawn, outlines, reachM: 0.5 })

test('ends before middles before edges', () => {
  expect(at([10.2, 0.2], [], [house])).toMatchObject({ kind: 'end', point: [10, 0] })
  expect(at([5.1, 0.2], [], [house])).toMatchObject({ kind: 'middle', point: [5, 0] })
  expect(at([3, 0.2], [], [house])).toMatchObject({ kind: 'edge', point: [3, 0] })
  expect(at([3, 2], [], [house]).kind).toBe('free')
})

test('a right angle to the last side', () => {
  const found = at(
    [8.2, 5],
    [
      [0, 0],
      [8, 0],
    ],
  )
  expect(found.kind).toBe('right-angle')
  expect(found.point[0]).toBeCloseTo(8, 12)
  expect(found.point[1]).toBeCloseTo(5, 12)
})

test('two directions cross: the fourth corner of a rectangle', () => {
  const found = at(
    [0.3, 4.8],
    [
      [0, 0],
      [8, 0],
      [8, 5],
    ],
  )
  expect(found.point[0]).toBeCloseTo(0, 12)
  expect(found.point[1]).toBeCloseTo(5, 12)
  expect(found.guides).toHaveLength(2)
})

test('the first corner closes, also with snapping off', () => {
  const drawn: Vec2[] = [
    [0, 0],
    [8, 0],
    [8, 5],
  ]
  expect(at([0.3, 0.2], drawn).kind).toBe('close')
  expect(snap({ pointer: [0.3, 0.2], drawn, outlines: [], reachM: 0.5, off: true }).kind).toBe('close')
  expect(
    snap({
      pointer: [8.2, 3],
      drawn: [
        [0, 0],
        [8, 0],
      ],
      outlines: [],
      reachM: 0.5,
      off: true,
    }),
  ).toMatchObject({ kind: 'free', point: [8.2, 3] })
})
