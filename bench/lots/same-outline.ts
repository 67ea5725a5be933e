import { distance2, type Vec2 } from '@/core/geometry/vector'

/** Corners nearer to each other than this are one, m: what goes through degrees comes back a little off. */
const sameM = 0.02

/** Whether two outlines have the same corners in the same order, wherever each begins. */
export function isSameOutline(a: readonly Vec2[], b: readonly Vec2[]): boolean {
  const n = a.length
  return (
    n === b.length &&
    b.some((_, from) =>
      a.every((p, i) => {
        const q = b[(from + i) % n]
        return q !== undefined && distance2(p, q) < sameM
      }),
    )
  )
}
