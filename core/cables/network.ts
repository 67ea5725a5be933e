import { length3, sub3, type Vec3 } from '../geometry/vector'

/** From one place to another along the lines of a network. */
export interface Way {
  readonly points: readonly Vec3[]
  readonly lengthM: number
}

/** Places nearer than this are one, m. */
const sameM = 0.01

/** How a cable is led there: cables keep to edges, and go over the middle of a wall only where that is shorter by something. */
const reluctance = { edge: 1, wall: 1.05 } as const
export type LineKind = keyof typeof reluctance

interface Line {
  readonly kind: LineKind
  readonly a: number
  readonly b: number
  readonly between: number[]
}

/** Lines in space that cables can be led along, and the shortest ways on them. */
export class Network {
  readonly #nodes: Vec3[] = []
  readonly #byPlace = new Map<string, number>()
  readonly #lines: Line[] = []
  readonly #byEnds = new Map<string, number>()

  node(at: Vec3): number {
    const key = at.map((value) => Math.round(value / sameM)).join(' ')
    const known = this.#byPlace.get(key)
    if (known !== undefined) return known
    this.#byPlace.set(key, this.#nodes.length)
    return this.#nodes.push(at) - 1
  }

  at(node: number): Vec3 {
    return this.#nodes[node] ?? [0, 0, 0]
  }

  /** The straight line between two nodes; the same one whoever asks again. */
  line(a: number, b: number, kind: LineKind = 'edge'): number {
    const key = a < b ? `${a} ${b}` : `${b} ${a}`
    const known = this.#byEnds.get(key)
    if (known !== undefined) return known
    this.#byEnds.set(key, this.#lines.length)
    return this.#lines.push({ kind, a, b, between: [] }) - 1
  }

  /** A place on a line, where cables may come to it or leave it. */
  onLine(line: number, at: Vec3): number {
    const node = this.node(at)
    const found = this.#lines[line]
    if (found && node !== found.a && node !== found.b && !found.between.includes(node))
      found.between.push(node)
    return node
  }

  /** The shortest ways from one node to all others, of such that are as good as each other along edges. */
  waysFrom(start: number): (end: number) => Way | null {
    const links = this.#links()
    const reached = new Float64Array(this.#nodes.length).fill(Infinity)
    const from = new Int32Array(this.#nodes.length).fill(-1)
    const done = new Uint8Array(this.#nodes.length)
    reached[start] = 0
    for (;;) {
      const next = nearestOpen(reached, done)
      if (next < 0) break
      done[next] = 1
      const so = reached[next] ?? Infinity
      for (const { to, cost } of links[next] ?? [])
        if (so + cost < (reached[to] ?? Infinity)) {
          reached[to] = so + cost
          from[to] = next
        }
    }
    return (end) => {
      if ((reached[end] ?? Infinity) === Infinity) return null
      const points: Vec3[] = []
      for (let node = end; node >= 0; node = from[node] ?? -1) points.push(this.at(node))
      const lengthM = points.reduce((sum, point, k) => sum + length3(sub3(point, points[k - 1] ?? point)), 0)
      return { points: points.toReversed(), lengthM }
    }
  }

  /** Each line from place to place along it. */
  #links(): { to: number; cost: number }[][] {
    const links = this.#nodes.map((): { to: number; cost: number }[] => [])
    for (const { kind, a, b, between } of this.#lines) {
      const start = this.at(a)
      const far = (node: number) => length3(sub3(this.at(node), start))
      const chain = [a, ...between.toSorted((p, q) => far(p) - far(q)), b]
      chain.slice(1).forEach((to, k) => {
        const before = chain[k] ?? a
        const cost = length3(sub3(this.at(to), this.at(before))) * reluctance[kind]
        links[before]?.push({ to, cost })
        links[to]?.push({ to: before, cost })
      })
    }
    return links
  }
}

function nearestOpen(reached: Float64Array, done: Uint8Array): number {
  let [best, at] = [Infinity, -1]
  for (let k = 0; k < reached.length; k++)
    if (!done[k] && (reached[k] as number) < best) [best, at] = [reached[k] as number, k]
  return at
}
