import { type Vec2 } from '../../geometry/vector'
import { inWorld } from '../place'
import { type Corners } from '../standing'
import { namesAfter } from './plane-names'
import { type Volume } from './volume'

/** A triangle is the least outline. */
const fewest = 3

/** Corners of a building's outline; both parts of a side that is cut have its roof edge. */
export const volumeCorners = {
  insert: ({ outline, edges, ...volume }: Volume, side: number, at: Vec2) => {
    const edge = edges[side]
    const sideAfter = (old: number) => (old > side ? old + 1 : old)
    return {
      fields: {
        outline: outline.toSpliced(side + 1, 0, inWorld(at)),
        edges: edge ? edges.toSpliced(side + 1, 0, edge) : edges,
        ...namesAfter(volume, sideAfter),
      },
      sideAfter,
    }
  },
  remove: ({ outline, edges, ...volume }: Volume, corner: number) => {
    if (outline.length <= fewest) return null
    const before = corner === 0 ? outline.length - 2 : corner - 1
    const sideAfter = (old: number) => (old === corner ? before : old > corner ? old - 1 : old)
    return {
      fields: {
        outline: outline.toSpliced(corner, 1),
        edges: edges.toSpliced(corner, 1),
        ...namesAfter(volume, sideAfter),
      },
      sideAfter,
    }
  },
} satisfies Corners<Volume>
