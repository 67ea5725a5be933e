import { type Body } from '../geometry/body'
import { nearestOnSegment } from '../geometry/polygon'
import { type Vec2, type Vec3 } from '../geometry/vector'

/**
 * Where a body stands as seen from a ball around a receiver: a window of azimuth and the greatest height. Directions
 * outside it can't be blocked by the body; inside it they may be.
 */
export interface Outlook {
  /** Middle of the window as a unit vector in plan. */
  readonly middle: Vec2
  /** Cosine of half the window; -1 when the body is all around. */
  readonly cosHalf: number
  /** Greatest slope (up over along) at which it may be met; Infinity when it may stand overhead. */
  readonly slope: number
}

const everywhere: Outlook = { middle: [1, 0], cosHalf: -1, slope: Infinity }

export function outlookOn(body: Body, center: Vec3, radiusM: number): Outlook {
  const here: Vec2 = [center[0], center[1]]
  const top = (z: number) => z - (center[2] - radiusM)
  if (body.kind === 'crown') {
    const [x, y] = [body.center[0] - here[0], body.center[1] - here[1]]
    const away = Math.hypot(x, y)
    const reach = body.crownRadiusM + radiusM
    if (away <= reach) return everywhere
    const rise = top(body.center[2] + body.halfHeightM)
    return {
      middle: [x / away, y / away],
      cosHalf: Math.cos(Math.asin(reach / away)),
      slope: rise / (away - reach),
    }
  }
  const plan = body.vertices.map((v): Vec2 => [v[0], v[1]])
  let nearest = Infinity
  plan.forEach((a) => {
    for (const b of plan) nearest = Math.min(nearest, nearestOnSegment(a, b, here).distanceM)
  })
  if (nearest <= radiusM) return everywhere
  const seen = plan.map((v) => Math.atan2(v[1] - here[1], v[0] - here[0]))
  const first = seen[0] ?? 0
  const turns = seen.map((angle) => Math.atan2(Math.sin(angle - first), Math.cos(angle - first)))
  const [low, high] = [Math.min(...turns), Math.max(...turns)]
  // Standing inside the plan the window would be wider than half the horizon.
  if (high - low >= Math.PI - 1e-6) return everywhere
  const half = (high - low) / 2 + Math.asin(radiusM / nearest)
  const middle = first + (low + high) / 2
  return {
    middle: [Math.cos(middle), Math.sin(middle)],
    cosHalf: half >= Math.PI ? -1 : Math.cos(half),
    slope: top(Math.max(...body.vertices.map((v) => v[2]))) / (nearest - radiusM),
  }
}

/** Whether light from direction (unit vector, z up) may be blocked. */
export function mayMeet(outlook: Outlook, dx: number, dy: number, dz: number): boolean {
  const level = Math.sqrt(dx * dx + dy * dy)
  return (
    dz <= outlook.slope * level &&
    dx * outlook.middle[0] + dy * outlook.middle[1] >= (outlook.cosHalf - 1e-9) * level
  )
}
