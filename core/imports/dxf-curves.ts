import { type Vec2 } from '../geometry/vector'

/** Curves become chords of at most so many degrees of their turn. */
const chordDeg = 6
const fullTurn = 2 * Math.PI

/** Points of an arc, both ends included. @param turn radians, counter-clockwise positive */
export function arcPoints([x, y]: Vec2, radius: number, from: number, turn: number): Vec2[] {
  const steps = Math.max(1, Math.ceil(Math.abs(turn) / ((chordDeg * Math.PI) / 180)))
  return Array.from({ length: steps + 1 }, (_, k): Vec2 => {
    const angle = from + (turn * k) / steps
    return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)]
  })
}

/** How far an arc runs from one angle counter-clockwise to another; all round where they are the same. */
export function turnBetween(from: number, to: number): number {
  const turn = (((to - from) % fullTurn) + fullTurn) % fullTurn
  return turn < 1e-9 ? fullTurn : turn
}

/**
 * Points of a side of a polyline that bulges, without its first.
 * @param bulge a quarter of the tangent of the arc's angle, as drawings have it: 1 for a half circle to the right
 */
export function bulgePoints(from: Vec2, to: Vec2, bulge: number): Vec2[] {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
  if (Math.abs(bulge) < 1e-9 || Math.hypot(dx, dy) < 1e-12) return [to]
  const turn = 4 * Math.atan(bulge)
  // The middle lies square to the chord's half, on its left for a positive bulge under one.
  const aside = (1 - bulge * bulge) / (4 * bulge)
  const middle: Vec2 = [(from[0] + to[0]) / 2 - dy * aside, (from[1] + to[1]) / 2 + dx * aside]
  const begin = Math.atan2(from[1] - middle[1], from[0] - middle[0])
  const points = arcPoints(middle, Math.hypot(from[0] - middle[0], from[1] - middle[1]), begin, turn)
  return [...points.slice(1, -1), to]
}

/** Points of an ellipse. @param major from its middle to the end of its longer axis @param ratio shorter to longer */
export function ellipsePoints([x, y]: Vec2, [mx, my]: Vec2, ratio: number, from: number, to: number): Vec2[] {
  return arcPoints([0, 0], 1, from, turnBetween(from, to)).map(([c, s]): Vec2 => [
    x + c * mx - s * ratio * my,
    y + c * my + s * ratio * mx,
  ])
}

/** How finely a spline is drawn between two of its knots. */
const stepsPerKnot = 8

/** Points of a B-spline without weights (de Boor 1972); its control points where its knots make none. */
export function splinePoints(control: readonly Vec2[], knots: readonly number[], degree: number): Vec2[] {
  if (degree < 1 || control.length <= degree || knots.length < control.length + degree + 1)
    return [...control]
  const points: Vec2[] = []
  for (let span = degree; span < control.length; span++) {
    const [low = 0, high = 0] = [knots[span], knots[span + 1]]
    if (!(high > low)) continue
    for (let k = points.length > 0 ? 1 : 0; k <= stepsPerKnot; k++)
      points.push(deBoor(control, knots, degree, span, low + ((high - low) * k) / stepsPerKnot))
  }
  return points.length > 1 ? points : [...control]
}

function deBoor(
  control: readonly Vec2[],
  knots: readonly number[],
  degree: number,
  span: number,
  at: number,
): Vec2 {
  const d = Array.from({ length: degree + 1 }, (_, j): Vec2 => control[span - degree + j] ?? [0, 0])
  for (let r = 1; r <= degree; r++)
    for (let j = degree; j >= r; j--) {
      const i = span - degree + j
      const [low = 0, high = 0] = [knots[i], knots[i + degree - r + 1]]
      const share = high > low ? (at - low) / (high - low) : 0
      const [a = [0, 0], b = [0, 0]] = [d[j - 1], d[j]]
      d[j] = [a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1])]
    }
  return d[degree] ?? [0, 0]
}
