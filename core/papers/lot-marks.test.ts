import { type Mark } from '../drawing/paper'
import { type Vec2 } from '../geometry/vector'
import { lotMarks } from './lot-marks'
import { roomOn } from './sheet'
import { toScale } from './to-scale'

const house: readonly Vec2[] = [
  [4, 8],
  [14, 8],
  [14, 13],
  [4, 13],
]
/** A street corner is cut out of it. */
const notched: readonly Vec2[] = [
  [0, 0],
  [20, 0],
  [20, 4],
  [40, 4],
  [40, 30],
  [0, 30],
]

const drawn = (outline: readonly Vec2[]) => {
  const view = toScale(outline, roomOn('A4'), 'metric')
  const marks = lotMarks([outline], [house], view, { units: 'metric', locale: 'en-IE' })
  const texts = (layer: string) =>
    marks.flatMap((mark: Mark) => (mark.is === 'text' && mark.layer === layer ? [mark.text] : []))
  return { sides: texts('LOT-LINES'), distances: texts('DIMENSIONS') }
}

test('each side with its length; a distance to each that is met squarely, and one to the corner that turns in', () => {
  const { sides, distances } = drawn(notched)
  expect(sides).toEqual(['20.00 m', '4.00 m', '20.00 m', '26.00 m', '40.00 m', '30.00 m'])
  // South, the corner by Pythagoras (6 and 4 m), east, north, west.
  expect(distances).toEqual(['8.00 m', '7.21 m', '26.00 m', '17.00 m', '4.00 m'])
})

test('the same of an outline told clockwise', () => {
  const { sides, distances } = drawn(notched.toReversed())
  expect(sides.toSorted()).toEqual(drawn(notched).sides.toSorted())
  expect(distances.toSorted()).toEqual(drawn(notched).distances.toSorted())
})

test('a corner that does not turn in has no distance of its own', () => {
  // Past the end of its short side the house is nearest to a corner of it.
  const cut: readonly Vec2[] = [
    [0, 0],
    [38, 0],
    [40, 2],
    [40, 30],
    [0, 30],
  ]
  expect(drawn(cut).distances).toEqual(['8.00 m', '26.00 m', '17.00 m', '4.00 m'])
})
