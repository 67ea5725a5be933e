import { signedArea } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { Fault } from '../model/fault'

/** A side shorter than this is a slip of the hand, m. */
const shortestSideM = 1e-3
/** Sides that are no neighbours keep this far from each other, m. */
const apartM = 1e-6

const at = (ring: readonly Vec2[], i: number): Vec2 => ring[i % ring.length] ?? [0, 0]

const turn = (a: Vec2, b: Vec2, c: Vec2) => (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])

function distanceTo(p: Vec2, a: Vec2, b: Vec2): number {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]]
  const t = Math.max(
    0,
    Math.min(1, ((p[0] - a[0]) * dx + (p[1] - a[1]) * dy) / Math.max(1e-300, dx * dx + dy * dy)),
  )
  return Math.hypot(p[0] - a[0] - t * dx, p[1] - a[1] - t * dy)
}

/** Whether two sides cross, or come so near that they touch. */
function meet(a: Vec2, b: Vec2, c: Vec2, d: Vec2): boolean {
  if (turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0) return true
  return Math.min(distanceTo(a, c, d), distanceTo(b, c, d), distanceTo(c, a, b), distanceTo(d, a, b)) < apartM
}

/**
 * Says what is wrong with an outline and the courtyards in it. Sides are counted through, the outline's first.
 * @throws Fault `short-outline`, `short-edge`, `crossing-outline`, `clockwise-outline`, each with its path.
 */
export function checkOutline(outline: readonly Vec2[], holes: readonly (readonly Vec2[])[] = []): void {
  const rings = [outline, ...holes]
  const sides = rings.flatMap((ring, r) =>
    ring.map((_, i) => ({ ring: r, a: at(ring, i), b: at(ring, i + 1), i, of: ring.length })),
  )
  rings.forEach((ring, r) => {
    if (ring.length < 3) throw new Fault('short-outline', {}, r === 0 ? 'outline' : `holes.${r - 1}`)
  })
  const pathOf = ({ ring, i }: { ring: number; i: number }) =>
    ring === 0 ? `outline.${i}` : `holes.${ring - 1}.${i}`
  sides.forEach((side, k) => {
    if (Math.hypot(side.a[0] - side.b[0], side.a[1] - side.b[1]) < shortestSideM)
      throw new Fault('short-edge', { side: k + 1, limit: { value: shortestSideM, unit: 'm' } }, pathOf(side))
  })
  for (let k = 0; k < sides.length; k++)
    for (let m = k + 1; m < sides.length; m++) {
      const [one, other] = [sides[k], sides[m]]
      if (!one || !other) continue
      const steps = (other.i - one.i + one.of) % one.of
      if (one.ring === other.ring && (steps === 1 || steps === one.of - 1)) continue
      if (meet(one.a, one.b, other.a, other.b))
        throw new Fault('crossing-outline', { side: k + 1, other: m + 1 }, pathOf(one))
    }
  rings.forEach((ring, r) => {
    if (signedArea(ring) > 0 !== (r === 0))
      throw new Fault('clockwise-outline', {}, r === 0 ? 'outline' : `holes.${r - 1}`)
  })
}
