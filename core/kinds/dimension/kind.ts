import { sub2, type Vec2, type Vec3 } from '../../geometry/vector'
import { noParts, type Kind } from '../kind'
import { mirroredPoint } from '../mirror'
import { inWorld, movedTogether } from '../place'
import { turnedPoint } from '../turn'
import { emptyGeometry, noCheck, standing, type Drag, type Geometry, type Handle } from '../standing'
import { dimensionMigrations, dimensionSchema, dimensionVersion, type Dimension } from './dimension'

export const dimensionKind: Kind<Dimension> = {
  kind: 'dimension',
  document: 'house',
  schema: dimensionSchema,
  version: dimensionVersion,
  migrations: dimensionMigrations,
  singles: null,
  standing: standing<Dimension, 'name', null>({
    rank: 'ground',
    ignores: ['name'],
    reads: () => null,
    build: dimensionGeometry,
    handles: ({ from, to }) =>
      [from, to].map((at, index): Handle => ({ name: 'dimension-end', index, at, moves: 'level' })),
    drag: dragDimension,
    check: noCheck,
    move: {
      middle: middleOf,
      to: (dimension, middle) => placed(dimension, sub2(middle, middleOf(dimension))),
      along: 'level',
      mirrored: (dimension, axis) => ({
        fields: {
          from: atHeight(mirroredPoint(planOf(dimension.from), middleOf(dimension), axis), dimension.from),
          to: atHeight(mirroredPoint(planOf(dimension.to), middleOf(dimension), axis), dimension.to),
        },
        sideAfter: (side) => side,
      }),
      turned: ({ from, to }, about, clockwiseDeg) => ({
        from: atHeight(turnedPoint(planOf(from), about, clockwiseDeg), from),
        to: atHeight(turnedPoint(planOf(to), about, clockwiseDeg), to),
      }),
    },
    carrier: null,
    holds: ({ from, to }) => [planOf(from), planOf(to)],
  }),
  parts: noParts,
}

/** Half the width of the strip by which it is taken hold of, and how far it lies over what it measures, m. */
const [holdM, overM] = [0.06, 0.02]

const planOf = ([x, y]: Vec3): Vec2 => [x, y]
const atHeight = ([x, y]: Vec2, [, , z]: Vec3): [number, number, number] => [x, y, z]

function middleOf({ from, to }: Pick<Dimension, 'from' | 'to'>): Vec2 {
  return [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]
}

function placed({ from, to }: Dimension, by: Vec2): Pick<Dimension, 'from' | 'to'> {
  const [a = planOf(from), b = planOf(to)] = movedTogether([planOf(from), planOf(to)], by)
  return { from: atHeight(a, from), to: atHeight(b, to) }
}

/** A line and nothing else: it stops no light and keeps no module off. */
function dimensionGeometry({ from, to }: Pick<Dimension, 'from' | 'to'>): Geometry {
  const [x, y] = [to[0] - from[0], to[1] - from[1]]
  const level = Math.hypot(x, y)
  const [ox, oy] = level < 1e-6 ? [holdM, 0] : [(-y / level) * holdM, (x / level) * holdM]
  const beside = (p: Vec3, way: 1 | -1): Vec3 => [p[0] + way * ox, p[1] + way * oy, p[2] + overM]
  return {
    ...emptyGeometry,
    surfaces: [{ corners: [beside(from, -1), beside(to, -1), beside(to, 1), beside(from, 1)], tone: 'open' }],
    strokes: [{ from, to, is: 'measure' }],
    topM: Math.max(from[2], to[2]),
  }
}

function dragDimension({ from, to }: Dimension, { index }: Handle, { at }: Drag): Partial<Dimension> {
  if (!at) return {}
  return index === 0 ? { from: atHeight(inWorld(at), from) } : { to: atHeight(inWorld(at), to) }
}
