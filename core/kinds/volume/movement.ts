import { sub2 } from '../../geometry/vector'
import { boxMiddle, mirroredPoint } from '../mirror'
import { movedTogether } from '../place'
import { turnedPoint } from '../turn'
import { type Movement } from '../standing'
import { namesAfter } from './plane-names'
import { type Volume } from './volume'

/** A building goes where the middle of the box round it goes. */
export const volumeMovement: Movement<Volume> = {
  middle: ({ outline }) => boxMiddle(outline),
  to: ({ outline }, middle) => ({ outline: movedTogether(outline, sub2(middle, boxMiddle(outline))) }),
  along: 'grip',
  mirrored: ({ outline, edges, ...volume }, axis) => {
    const n = outline.length
    const middle = boxMiddle(outline)
    // Turned over it runs clockwise: told backwards, side s goes from the corner that it went to.
    const sideAfter = (side: number) => (2 * n - 2 - side) % n
    return {
      fields: {
        outline: outline.map((corner) => mirroredPoint(corner, middle, axis)).reverse(),
        edges: edges.map((edge, side) => edges[sideAfter(side)] ?? edge),
        ...namesAfter(volume, sideAfter),
      },
      sideAfter,
    }
  },
  turned: ({ outline }, about, clockwiseDeg) => ({
    outline: outline.map((corner) => turnedPoint(corner, about, clockwiseDeg)),
  }),
}
