import { type Mark } from '../drawing/paper'
import { cross2, sub2, type Vec2 } from '../geometry/vector'
import { lotSides, type Clear, type LotSide } from '../kinds/lot/sides'
import { formatLength } from '../model/units'
import { writtenAlong } from './along'
import { type Written } from './roof-plan'
import { outlined, type ToScale } from './to-scale'

/** Sides and distances shorter than this on paper are drawn without their figure, mm. */
const leastMm = 8
/** Half a tick across the end of a distance, mm. */
const tickMm = 0.8

/** Lot lines, each with its length, and the distance of what stands there to each of them. */
export function lotMarks(
  lots: readonly (readonly Vec2[])[],
  rings: readonly (readonly Vec2[])[],
  view: ToScale,
  { units, locale }: Written,
): Mark[] {
  const said = (m: number) => formatLength(m, units, locale)
  return lots.flatMap((outline) => {
    const sides = lotSides(outline, rings)
    return [
      outlined(view, outline, 'LOT-LINES', { widthMm: 0.4, dashed: true }),
      ...sides.flatMap(({ from, to, lengthM }) =>
        writtenAlong(said(lengthM), [view.at(from), view.at(to)], leastMm, 'LOT-LINES'),
      ),
      ...sides.flatMap((side) => (isDrawn(side, sides) ? distanceMarks(side.clear, view, said) : [])),
    ]
  })
}

/**
 * Whether the distance to a side is drawn: one that meets it between its ends, or where it begins if the lot turns in
 * there. At any other corner another side is nearer.
 */
function isDrawn(side: LotSide, sides: readonly LotSide[]): side is LotSide & { readonly clear: Clear } {
  if (!side.clear) return false
  const { to } = side.clear
  if (!isSame(to, side.from) && !isSame(to, side.to)) return true
  const before = sides.find((other) => isSame(other.to, side.from))
  const turn = before ? cross2(sub2(before.to, before.from), sub2(side.to, side.from)) : 0
  return isSame(to, side.from) && turn < 0
}

const isSame = ([ax, ay]: Vec2, [bx, by]: Vec2) => ax === bx && ay === by

function distanceMarks({ from, to, distanceM }: Clear, view: ToScale, said: (m: number) => string): Mark[] {
  const [a, b] = [view.at(from), view.at(to)]
  const length = Math.hypot(b[0] - a[0], b[1] - a[1])
  if (length < leastMm) return []
  const [ox, oy] = [(-(b[1] - a[1]) / length) * tickMm, ((b[0] - a[0]) / length) * tickMm]
  const line = (points: readonly Vec2[]): Mark => ({ layer: 'DIMENSIONS', is: 'line', points, widthMm: 0.18 })
  const tick = ([x, y]: Vec2) =>
    line([
      [x - ox, y - oy],
      [x + ox, y + oy],
    ])
  return [
    line([a, b]),
    tick(a),
    tick(b),
    ...writtenAlong(said(distanceM), [a, b], leastMm, 'DIMENSIONS', 'on'),
  ]
}
