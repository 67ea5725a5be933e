import { ballAround } from '../geometry/bounds'
import { cross3, dot3, newell, scale3, sub3, unit3, type Vec3 } from '../geometry/vector'
import { type Receiver } from './engine'
import { type Extent } from './shadow'

/** Receivers of one plane that are as wide and as long, side by side at one height of it. */
export interface ReceiverLine {
  /** Lower edge along `along`, and how long they are. */
  readonly from: number
  readonly lengthM: number
  readonly widthM: number
  /** Lower edge of each along `across`, ascending. */
  readonly starts: Float64Array
  /** Which receiver each is. */
  readonly which: Int32Array
}

/**
 * Receivers that lie in one plane with their sides alike, and the plane's coordinates: a point is
 * `origin + x across + y along + h normal`. The sides need not be square to each other.
 */
export interface ReceivingPlane {
  readonly origin: Vec3
  /** Unit vectors. */
  readonly across: Vec3
  readonly along: Vec3
  readonly normal: Vec3
  /** x and y of a vector are its products with these. */
  readonly toX: Vec3
  readonly toY: Vec3
  readonly lines: readonly ReceiverLine[]
  /** What all receivers together take up: least and greatest x, least and greatest y. */
  readonly extent: Extent
  /** The ball around them. */
  readonly center: Vec3
  readonly radiusM: number
}

/** Sides and levels that differ by less are the same. */
const step = 1e-7
const rounded = (value: number) => Math.round(value / step)

const planesOf = new WeakMap<readonly Receiver[], readonly ReceivingPlane[]>()

/** Sorts receivers by the planes they lie in, once for a list of them. Those without area lie in none. */
export function receivingPlanes(receivers: readonly Receiver[]): readonly ReceivingPlane[] {
  const known = planesOf.get(receivers) ?? sortedOf(receivers)
  planesOf.set(receivers, known)
  return known
}

function sortedOf(receivers: readonly Receiver[]): ReceivingPlane[] {
  const alike = new Map<string, number[]>()
  receivers.forEach((receiver, i) => {
    const normal = newell(receiver)
    if (!(Math.hypot(...normal) > 1e-12)) return
    const [n, across, along] = frameOf(receiver)
    const key = [...n, ...across, ...along, dot3(n, receiver[0])].map(rounded).join(' ')
    const others = alike.get(key)
    if (others) others.push(i)
    else alike.set(key, [i])
  })
  return [...alike.values()].flatMap((members) => planeOf(receivers, members) ?? [])
}

const frameOf = ([a, b, c, d]: Receiver): [Vec3, Vec3, Vec3] => [
  unit3(newell([a, b, c, d])),
  unit3(sub3(b, a)),
  unit3(sub3(d, a)),
]

function planeOf(receivers: readonly Receiver[], members: readonly number[]): ReceivingPlane | null {
  const first = receivers[members[0] ?? -1]
  if (!first) return null
  const origin = first[0]
  const [normal, across, along] = frameOf(first)
  const [sideX, sideY] = [cross3(along, normal), cross3(normal, across)]
  const toX = scale3(sideX, 1 / dot3(across, sideX))
  const toY = scale3(sideY, 1 / dot3(along, sideY))
  const extent: [number, number, number, number] = [Infinity, -Infinity, Infinity, -Infinity]
  const lines = new Map<string, { from: number; lengthM: number; widthM: number; own: [number, number][] }>()
  for (const i of members) {
    const [a, b, , d] = receivers[i] as Receiver
    const at = sub3(a, origin)
    const [x, y] = [dot3(at, toX), dot3(at, toY)]
    const [widthM, lengthM] = [Math.hypot(...sub3(b, a)), Math.hypot(...sub3(d, a))]
    extent[0] = Math.min(extent[0], x)
    extent[1] = Math.max(extent[1], x + widthM)
    extent[2] = Math.min(extent[2], y)
    extent[3] = Math.max(extent[3], y + lengthM)
    const key = [y, lengthM, widthM].map(rounded).join(' ')
    const line = lines.get(key)
    if (line) line.own.push([x, i])
    else lines.set(key, { from: y, lengthM, widthM, own: [[x, i]] })
  }
  return {
    origin,
    across,
    along,
    normal,
    toX,
    toY,
    lines: [...lines.values()].map(({ own, ...line }) => {
      const sorted = own.sort((p, q) => p[0] - q[0])
      return {
        ...line,
        starts: Float64Array.from(sorted, ([x]) => x),
        which: Int32Array.from(sorted, ([, i]) => i),
      }
    }),
    extent,
    ...ballAround(members.flatMap((i) => receivers[i] ?? [])),
  }
}
