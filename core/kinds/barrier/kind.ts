import { sub2, type Vec3 } from '../../geometry/vector'
import { noParts, type Kind } from '../kind'
import { boxMiddle, mirroredPoint } from '../mirror'
import { inWorld, movedTogether, round } from '../place'
import { turnedPoint } from '../turn'
import { noCheck, removable, standing, type Drag, type Handle } from '../standing'
import {
  barrierMigrations,
  barrierSchema,
  barrierVersion,
  highestBarrierM,
  lowestBarrierM,
  type Barrier,
} from './barrier'
import { barrierGeometry } from './geometry'

export const barrierKind: Kind<Barrier> = {
  kind: 'barrier',
  document: 'house',
  schema: barrierSchema,
  version: barrierVersion,
  migrations: barrierMigrations,
  singles: null,
  standing: standing<Barrier, 'name', null>({
    rank: 'ground',
    ignores: ['name'],
    reads: () => null,
    build: barrierGeometry,
    handles: barrierHandles,
    drag: dragBarrier,
    check: noCheck,
    move: {
      middle: ({ points }) => boxMiddle(points),
      to: ({ points }, middle) => ({ points: movedTogether(points, sub2(middle, boxMiddle(points))) }),
      along: 'level',
      mirrored: ({ points }, axis) => ({
        fields: { points: points.map((p) => mirroredPoint(p, boxMiddle(points), axis)) },
        sideAfter: unchanged,
      }),
      turned: ({ points }, about, clockwiseDeg) => ({
        points: points.map((p) => turnedPoint(p, about, clockwiseDeg)),
      }),
    },
    carrier: null,
    height: 'heightM',
    altered: removable,
    corners: {
      insert: ({ points }, side, at) => ({
        fields: { points: points.toSpliced(side + 1, 0, inWorld(at)) },
        sideAfter: unchanged,
      }),
      remove: ({ points }, corner) =>
        points.length > 2 ? { fields: { points: points.toSpliced(corner, 1) }, sideAfter: unchanged } : null,
    },
  }),
  parts: noParts,
}

/** Nothing lies on its sides. */
const unchanged = (side: number) => side

function barrierHandles({ points, heightM }: Barrier): Handle[] {
  const corners = points.map((p, index): Handle => {
    const beside = [points[index - 1], points[index + 1]].filter((q) => q !== undefined)
    return { name: 'barrier-corner', index, at: [p[0], p[1], heightM], moves: 'level', beside, corner: 'own' }
  })
  const added = points.slice(1).map((b, index): Handle => {
    const a = points[index] ?? b
    const at: Vec3 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, heightM]
    return { name: 'new-corner', index, at, moves: 'level', corner: 'new' }
  })
  const [a, b] = points
  if (!a || !b) return corners
  const top: Handle = {
    name: 'barrier-top',
    index: 0,
    at: [a[0] + (b[0] - a[0]) / 4, a[1] + (b[1] - a[1]) / 4, heightM],
    moves: 'up',
  }
  return [...corners, ...added, top]
}

function dragBarrier({ points }: Barrier, { name, index, corner }: Handle, to: Drag): Partial<Barrier> {
  if (name === 'barrier-top')
    return { heightM: round(Math.max(lowestBarrierM, Math.min(highestBarrierM, to.heightM))) }
  const { at } = to
  return at && corner === 'own' ? { points: points.map((p, i) => (i === index ? inWorld(at) : p)) } : {}
}
