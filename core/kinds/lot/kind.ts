import { sub2, type Vec2, type Vec3 } from '../../geometry/vector'
import { Fault } from '../../model/fault'
import { checkOutline } from '../../roof/check-outline'
import { noParts, type Kind } from '../kind'
import { boxMiddle, mirroredPoint } from '../mirror'
import { inWorld, movedTogether } from '../place'
import { emptyGeometry, standing, type Drag, type Geometry, type Handle } from '../standing'
import { turnedPoint } from '../turn'
import { fewestLotCorners, lotMigrations, lotSchema, lotVersion, type Lot } from './lot'

export const lotKind: Kind<Lot> = {
  kind: 'lot',
  document: 'house',
  schema: lotSchema,
  version: lotVersion,
  migrations: lotMigrations,
  singles: null,
  standing: standing<Lot, 'name' | 'source', null>({
    rank: 'ground',
    ignores: ['name', 'source'],
    reads: () => null,
    build: lotGeometry,
    handles: lotHandles,
    drag: dragLot,
    check: ({ outline }) => checkOutline(outline),
    move: {
      middle: ({ outline }) => boxMiddle(outline),
      to: ({ outline }, middle) => byHand(movedTogether(outline, sub2(middle, boxMiddle(outline)))),
      along: 'grip',
      mirrored: ({ outline }, axis) => ({
        fields: byHand(outline.map((p) => mirroredPoint(p, boxMiddle(outline), axis)).reverse()),
        sideAfter: unchanged,
      }),
      turned: ({ outline }, about, clockwiseDeg) =>
        byHand(outline.map((p) => turnedPoint(p, about, clockwiseDeg))),
    },
    carrier: null,
    corners: {
      insert: ({ outline }, side, at) => ({
        fields: byHand(outline.toSpliced(side + 1, 0, inWorld(at))),
        sideAfter: unchanged,
      }),
      remove: ({ outline }, corner) =>
        outline.length > fewestLotCorners
          ? { fields: byHand(outline.toSpliced(corner, 1)), sideAfter: unchanged }
          : null,
    },
  }),
  parts: noParts,
}

/** Nothing lies on its sides. */
const unchanged = (side: number) => side

/** Lines that somebody has moved are no longer those they came as. */
const byHand = (outline: readonly Vec2[]): Pick<Lot, 'outline' | 'source'> => ({
  outline: outline.map(([x, y]): [number, number] => [x, y]),
  source: 'hand',
})

/** Half the width of the strip by which a line is taken hold of, and how far it lies over the ground, m. */
const [holdM, overM] = [0.15, 0.02]

/** Lines on the ground and nothing else: they stop no light and keep no module off. */
function lotGeometry({ outline }: Pick<Lot, 'outline'>): Geometry {
  const sides = outline.map((a, i): readonly [Vec2, Vec2] => [a, outline[(i + 1) % outline.length] ?? a])
  const raised = ([x, y]: Vec2): Vec3 => [x, y, overM]
  return {
    ...emptyGeometry,
    surfaces: sides.map(([a, b]) => {
      const lengthM = Math.max(1e-9, Math.hypot(b[0] - a[0], b[1] - a[1]))
      const [ox, oy] = [(-(b[1] - a[1]) / lengthM) * holdM, ((b[0] - a[0]) / lengthM) * holdM]
      const beside = ([x, y]: Vec2, way: 1 | -1): Vec3 => [x + way * ox, y + way * oy, overM]
      return { corners: [beside(a, -1), beside(b, -1), beside(b, 1), beside(a, 1)], tone: 'open' }
    }),
    strokes: sides.map(([a, b]) => ({ from: raised(a), to: raised(b), is: 'lot' })),
    fault: faultOf(outline),
  }
}

function faultOf(outline: readonly Vec2[]): Fault | null {
  try {
    checkOutline(outline)
    return null
  } catch (error) {
    if (error instanceof Fault) return error
    throw error
  }
}

function lotHandles({ outline }: Lot): Handle[] {
  const n = outline.length
  const corner = (i: number) => outline[(i + n) % n]
  const corners = outline.map(([x, y], index): Handle => ({
    name: 'lot-corner',
    index,
    at: [x, y, overM],
    moves: 'level',
    beside: [corner(index - 1), corner(index + 1)].filter((p): p is Vec2 => p !== undefined),
    corner: 'own',
  }))
  const added = outline.map((a, index): Handle => {
    const b = corner(index + 1) ?? a
    const at: Vec3 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, overM]
    return { name: 'new-corner', index, at, moves: 'level', beside: [a], corner: 'new' }
  })
  const [x, y] = boxMiddle(outline)
  return [...corners, ...added, { name: 'place', index: 0, at: [x, y, overM], moves: 'level', whole: true }]
}

function dragLot({ outline }: Lot, { index, corner }: Handle, { at }: Drag): Partial<Lot> {
  return at && corner === 'own' ? byHand(outline.map((p, i) => (i === index ? inWorld(at) : p))) : {}
}
