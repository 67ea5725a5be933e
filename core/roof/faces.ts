import { type Vec2 } from '../geometry/vector'
import { Fault } from '../model/fault'
import { type RoofNode } from './front'
import { type HalfEdge, type Seams } from './seams'

/** Nodes nearer than this are one: events at one place and height, told apart by rounding. */
const sameNodeM = 2e-7

/** A closed border of a face, the face on its left. */
export type Border = readonly (HalfEdge & { readonly at: RoofNode })[]

/**
 * The borders of every face. What a face has on both sides cancels, and seams without length go.
 * @param flat turns a face's nodes into its own plane, in which borders are followed where several meet at a node
 * @returns them, and how many faces (the outside counts as one) meet at a node
 * @throws Fault `roof-not-possible` where a border does not close
 */
export function bordersOf(
  { nodes, halves }: Seams,
  flat: (face: number) => (node: RoofNode) => Vec2,
): { readonly borders: ReadonlyMap<number, Border[]>; readonly meeting: (node: number) => number } {
  const same = oneNodes(nodes, halves)
  const byFace = new Map<number, HalfEdge[]>()
  for (const half of halves) {
    const [from, to] = [same[half.from] ?? half.from, same[half.to] ?? half.to]
    if (from === to) continue
    const known = byFace.get(half.face)
    if (known) known.push({ ...half, from, to })
    else byFace.set(half.face, [{ ...half, from, to }])
  }
  const borders = new Map<number, Border[]>()
  const meeting = new Map<number, Set<number>>()
  for (const [face, own] of byFace) {
    const open = withoutBoth(own)
    for (const { from, beyond } of open) {
      const faces = meeting.get(from) ?? new Set()
      meeting.set(from, faces.add(face).add(beyond))
    }
    borders.set(face, chained(open, nodes, flat(face)))
  }
  return { borders, meeting: (node) => meeting.get(node)?.size ?? 0 }
}

/** For each node the first of those at its place that seams tie it to. */
function oneNodes(nodes: readonly RoofNode[], halves: readonly HalfEdge[]): number[] {
  const same = nodes.map((_, i) => i)
  const find = (i: number): number => {
    let at = i
    while (same[at] !== at) at = same[at] ?? at
    return at
  }
  for (const { from, to } of halves) {
    const [a, b] = [nodes[from], nodes[to]]
    if (!a || !b || Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]) > sameNodeM) continue
    const [i, j] = [find(from), find(to)]
    if (i !== j) same[Math.max(i, j)] = Math.min(i, j)
  }
  return nodes.map((_, i) => find(i))
}

function withoutBoth(halves: readonly HalfEdge[]): HalfEdge[] {
  const open = new Map<string, HalfEdge[]>()
  for (const half of halves) {
    const back = open.get(`${half.to} ${half.from}`)
    if (back && back.length > 0) back.pop()
    else {
      const key = `${half.from} ${half.to}`
      const known = open.get(key)
      if (known) known.push(half)
      else open.set(key, [half])
    }
  }
  return [...open.values()].flat()
}

function chained(
  halves: readonly HalfEdge[],
  nodes: readonly RoofNode[],
  flat: (node: RoofNode) => Vec2,
): Border[] {
  const placeOf = (node: number): Vec2 => flat(nodes[node] ?? [0, 0, 0])
  const angle = (from: number, to: number) => {
    const [a, b] = [placeOf(from), placeOf(to)]
    return Math.atan2(b[1] - a[1], b[0] - a[0])
  }
  const leaving = new Map<number, HalfEdge[]>()
  for (const half of halves) {
    const known = leaving.get(half.from)
    if (known) known.push(half)
    else leaving.set(half.from, [half])
  }
  const borders: Border[] = []
  for (;;) {
    const first = [...leaving.values()].find((list) => list.length > 0)?.[0]
    if (!first) return borders
    const border: (HalfEdge & { at: RoofNode })[] = []
    let half: HalfEdge = first
    for (;;) {
      border.push({ ...half, at: nodes[half.from] ?? [0, 0, 0] })
      const list = leaving.get(half.from) ?? []
      list.splice(list.indexOf(half), 1)
      if (half.to === first.from) break
      const onward = leaving.get(half.to) ?? []
      const back = angle(half.to, half.from)
      // Sharpest to the left of where it came from: the next clockwise from behind keeps the face on the left.
      const turn = (next: HalfEdge) => (back - angle(next.from, next.to) + 4 * Math.PI) % (2 * Math.PI)
      const next = onward.reduce<HalfEdge | undefined>(
        (best, one) => (best === undefined || turn(one) < turn(best) ? one : best),
        undefined,
      )
      if (!next) throw new Fault('roof-not-possible', {}, 'edges')
      half = next
    }
    borders.push(border)
  }
}
