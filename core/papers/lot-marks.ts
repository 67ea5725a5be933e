import { type Mark } from '../drawing/paper'
import { type Vec2 } from '../geometry/vector'
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
      ...sides.flatMap((side) => (isSquare(side) ? distanceMarks(side.clear, view, said) : [])),
    ]
  })
}

/** A distance that runs to the side itself: where it ends at a corner, another side is nearer. */
const isSquare = (side: LotSide): side is LotSide & { readonly clear: Clear } =>
  side.clear !== null &&
  ![side.from, side.to].some(([x, y]) => x === side.clear?.to[0] && y === side.clear.to[1])

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
