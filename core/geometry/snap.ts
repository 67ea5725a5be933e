import { nearestOnSegment } from './polygon'
import { add2, cross2, distance2, dot2, left2, scale2, sub2, unit2, type Vec2 } from './vector'

export type SnapKind = 'close' | 'end' | 'middle' | 'right-angle' | 'parallel' | 'extension' | 'edge' | 'free'

export interface Snap {
  readonly point: Vec2
  readonly kind: SnapKind
  /** Lines that show why: from, to. */
  readonly guides: readonly (readonly [Vec2, Vec2])[]
}

export interface SnapRequest {
  readonly pointer: Vec2
  /** Corners set so far in this drawing. */
  readonly drawn: readonly Vec2[]
  /** Outlines that are there already. */
  readonly outlines: readonly (readonly Vec2[])[]
  /** Other lines that are there, each from end to end. */
  readonly lines?: readonly (readonly [Vec2, Vec2])[]
  /** How near counts as on, metres on the ground. */
  readonly reachM: number
  readonly off?: boolean
}

interface Line {
  readonly kind: SnapKind
  readonly through: Vec2
  readonly along: Vec2
  readonly from: Vec2
}

/**
 * Where a pointer means to be: the first corner (closing), ends, middles; then directions (right angle to and parallel
 * with the sides there are, level with the first corner), two of them crossing where both are near; then edges.
 */
export function snap({ pointer, drawn, outlines, lines: others = [], reachM, off }: SnapRequest): Snap {
  const free: Snap = { point: pointer, kind: 'free', guides: [] }
  const first = drawn[0]
  if (first && drawn.length >= 3 && distance2(first, pointer) < reachM)
    return { point: first, kind: 'close', guides: [] }
  if (off) return free
  const sides = outlines.flatMap((outline) =>
    outline.map((a, i) => [a, outline[(i + 1) % outline.length] ?? a] as const),
  )
  const edges = [...sides, ...others]
  const points = [
    ...edges.map(([a]) => ({ p: a, kind: 'end' as const })),
    ...others.map(([, b]) => ({ p: b, kind: 'end' as const })),
    ...edges.map(([a, b]) => ({
      p: [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2] as Vec2,
      kind: 'middle' as const,
    })),
  ].sort((x, y) => distance2(x.p, pointer) - distance2(y.p, pointer))
  const nearest = points[0]
  if (nearest && distance2(nearest.p, pointer) < reachM)
    return { point: nearest.p, kind: nearest.kind, guides: [] }

  const lines = directionLines(drawn, edges)
    .map((line) => ({ line, foot: footOn(line, pointer) }))
    .filter(({ foot }) => distance2(foot, pointer) < reachM)
    .sort((a, b) => distance2(a.foot, pointer) - distance2(b.foot, pointer))
  const best = lines[0]
  if (best) {
    for (const other of lines.slice(1)) {
      const meet = crossing(best.line, other.line)
      if (meet && distance2(meet, pointer) < reachM * 1.5)
        return {
          point: meet,
          kind: best.line.kind,
          guides: [
            [best.line.from, meet],
            [other.line.from, meet],
          ],
        }
    }
    return { point: best.foot, kind: best.line.kind, guides: [[best.line.from, best.foot]] }
  }
  for (const [a, b] of edges) {
    const { point, distanceM } = nearestOnSegment(a, b, pointer)
    if (distanceM < reachM) return { point, kind: 'edge', guides: [] }
  }
  return free
}

function directionLines(drawn: readonly Vec2[], edges: readonly (readonly [Vec2, Vec2])[]): Line[] {
  const last = drawn.at(-1)
  if (!last) return []
  const lines: Line[] = []
  const before = drawn.at(-2)
  if (before) {
    const side = unit2(sub2(last, before))
    lines.push({ kind: 'right-angle', through: last, along: left2(side), from: last })
    lines.push({ kind: 'extension', through: last, along: side, from: last })
  }
  const first = drawn[0]
  const second = drawn[1]
  if (first && second && drawn.length >= 2) {
    // Level with the first corner, seen square to the first side or along it.
    const base = unit2(sub2(second, first))
    lines.push({ kind: 'right-angle', through: first, along: left2(base), from: first })
    if (drawn.length >= 3) lines.push({ kind: 'extension', through: first, along: base, from: first })
    if (drawn.length >= 3) lines.push({ kind: 'parallel', through: last, along: base, from: last })
  }
  if (drawn.length === 1)
    for (const [a, b] of edges) {
      const side = unit2(sub2(b, a))
      lines.push({ kind: 'parallel', through: last, along: side, from: last })
      lines.push({ kind: 'right-angle', through: last, along: left2(side), from: last })
    }
  return lines
}

const footOn = (line: Line, p: Vec2): Vec2 =>
  add2(line.through, scale2(line.along, dot2(sub2(p, line.through), line.along)))

function crossing(a: Line, b: Line): Vec2 | null {
  const sine = cross2(a.along, b.along)
  if (Math.abs(sine) < 0.05) return null
  return add2(a.through, scale2(a.along, cross2(sub2(b.through, a.through), b.along) / sine))
}
