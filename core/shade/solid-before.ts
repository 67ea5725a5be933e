import { type SolidBody } from '../geometry/body'
import { dot3, sub3 } from '../geometry/vector'
import { type ReceivingPlane } from './receiving-plane'
import { type Extent, type Rows, type Shadow } from './shadow'

/** What of a convex solid stands before a receiving plane, in the plane's coordinates. */
interface Cut {
  /** Corners: x, y along the plane, h before it. */
  readonly x: Float64Array
  readonly y: Float64Array
  readonly h: Float64Array
  /** Two corners and two faces for each edge. */
  readonly edges: Int32Array
  /** Normals in space, three numbers a face, outward; the cut along the plane is the last where there is one. */
  readonly normals: Float64Array
}

/** A convex solid before a receiving plane: casts its shadow for one direction at a time. */
export class SolidBefore implements Shadow {
  readonly extent: [number, number, number, number] = [0, 0, 0, 0]
  private readonly px: Float64Array
  private readonly py: Float64Array
  private readonly isFacing: Uint8Array
  /** Lines x = at + slope y that the shadow lies after, and others that it lies before; two numbers each. */
  private readonly low: Float64Array
  private readonly high: Float64Array
  private lows = 0
  private highs = 0
  private isBounded = false
  private readonly box: Box

  private constructor(private readonly cut: Cut) {
    this.box = boxOf(cut)
    this.px = new Float64Array(cut.x.length)
    this.py = new Float64Array(cut.x.length)
    this.isFacing = new Uint8Array(cut.normals.length / 3)
    this.low = new Float64Array(cut.edges.length / 2)
    this.high = new Float64Array(cut.edges.length / 2)
  }

  /** Null where nothing of it stands before the plane. */
  static of(body: SolidBody, plane: ReceivingPlane): SolidBefore | null {
    const cut = cutOf(body, plane)
    return cut && new SolidBefore(cut)
  }

  private readonly light = new Float64Array(3)

  turnTo(dx: number, dy: number, dz: number, kx: number, ky: number, within: Extent): boolean {
    const { x, y, h } = this.cut
    const { px, py, light, extent, box } = this
    // Where its box's shadow does not reach its own doesn't.
    if (
      box.x0 - kx * (kx > 0 ? box.farH : box.nearH) > within[1] ||
      box.x1 - kx * (kx > 0 ? box.nearH : box.farH) < within[0] ||
      box.y0 - ky * (ky > 0 ? box.farH : box.nearH) > within[3] ||
      box.y1 - ky * (ky > 0 ? box.nearH : box.farH) < within[2]
    )
      return false
    let x0 = Infinity
    let x1 = -Infinity
    let y0 = Infinity
    let y1 = -Infinity
    for (let v = 0; v < px.length; v++) {
      const height = h[v] as number
      const u = (x[v] as number) - kx * height
      const w = (y[v] as number) - ky * height
      px[v] = u
      py[v] = w
      if (u < x0) x0 = u
      if (u > x1) x1 = u
      if (w < y0) y0 = w
      if (w > y1) y1 = w
    }
    extent[0] = x0
    extent[1] = x1
    extent[2] = y0
    extent[3] = y1
    light[0] = dx
    light[1] = dy
    light[2] = dz
    this.isBounded = false
    return x0 <= within[1] && x1 >= within[0] && y0 <= within[3] && y1 >= within[2]
  }

  spans({ start, step, first, last }: Rows, from: Float64Array, to: Float64Array): void {
    if (!this.isBounded) this.bound()
    const { low, high, lows, highs } = this
    const x0 = this.extent[0]
    const x1 = this.extent[1]
    for (let row = first; row <= last; row++) {
      from[row] = x0
      to[row] = x1
    }
    const y = start + step * first
    for (let i = 0; i < 2 * lows; i += 2) {
      const slope = low[i + 1] as number
      let x = (low[i] as number) + slope * y
      for (let row = first; row <= last; row++) {
        if (x > (from[row] as number)) from[row] = x
        x += slope * step
      }
    }
    for (let i = 0; i < 2 * highs; i += 2) {
      const slope = high[i + 1] as number
      let x = (high[i] as number) + slope * y
      for (let row = first; row <= last; row++) {
        if (x < (to[row] as number)) to[row] = x
        x += slope * step
      }
    }
  }

  /** The shadow's outline as lines: edges between a face towards the light and one away from it. */
  private bound(): void {
    const { edges, normals } = this.cut
    const { px, py, isFacing, low, high, light } = this
    for (let f = 0; f < isFacing.length; f++) {
      const towards =
        (normals[f * 3] as number) * (light[0] as number) +
        (normals[f * 3 + 1] as number) * (light[1] as number) +
        (normals[f * 3 + 2] as number) * (light[2] as number)
      isFacing[f] = towards > 0 ? 1 : 0
    }
    let middleX = 0
    let middleY = 0
    for (let v = 0; v < px.length; v++) {
      middleX += px[v] as number
      middleY += py[v] as number
    }
    middleX /= px.length
    middleY /= px.length
    let lows = 0
    let highs = 0
    for (let e = 0; e < edges.length; e += 4) {
      if (isFacing[edges[e + 2] as number] === isFacing[edges[e + 3] as number]) continue
      const a = edges[e] as number
      const b = edges[e + 1] as number
      const rise = (py[b] as number) - (py[a] as number)
      // Level ones bound the shadow by its extent.
      if (Math.abs(rise) < 1e-9) continue
      const slope = ((px[b] as number) - (px[a] as number)) / rise
      const at = (px[a] as number) - slope * (py[a] as number)
      if (at + slope * middleY < middleX) {
        low[2 * lows] = at
        low[2 * lows + 1] = slope
        lows++
      } else {
        high[2 * highs] = at
        high[2 * highs + 1] = slope
        highs++
      }
    }
    this.lows = lows
    this.highs = highs
    this.isBounded = true
  }
}

/** What a solid takes up in the plane's coordinates. */
interface Box {
  readonly x0: number
  readonly x1: number
  readonly y0: number
  readonly y1: number
  readonly nearH: number
  readonly farH: number
}

const boxOf = ({ x, y, h }: Cut): Box => ({
  x0: Math.min(...x),
  x1: Math.max(...x),
  y0: Math.min(...y),
  y1: Math.max(...y),
  nearH: Math.min(...h),
  farH: Math.max(...h),
})

/** What reaches less far before the plane lies in it, m. */
const inPlaneM = 1e-6

function cutOf(body: SolidBody, plane: ReceivingPlane): Cut | null {
  const count = body.vertices.length
  const [x, y, h]: [number[], number[], number[]] = [[], [], []]
  let [least, most] = [Infinity, -Infinity]
  for (const vertex of body.vertices) {
    const at = sub3(vertex, plane.origin)
    const before = dot3(at, plane.normal)
    x.push(dot3(at, plane.toX))
    y.push(dot3(at, plane.toY))
    h.push(before)
    least = Math.min(least, before)
    most = Math.max(most, before)
  }
  if (!(most > inPlaneM)) return null
  const normals: number[] = []
  for (let f = 0; f < body.faces.length; f += 4)
    normals.push(body.faces[f] as number, body.faces[f + 1] as number, body.faces[f + 2] as number)
  if (least >= 0) return series(x, y, h, [...body.edges], normals)
  const cut = normals.length / 3
  normals.push(-plane.normal[0], -plane.normal[1], -plane.normal[2])
  const edges: number[] = []
  /** Corners of the cut on each face that it crosses. */
  const crossed = new Map<number, number[]>()
  const cornerOn = (from: number, to: number): number => {
    const share = (h[from] as number) / ((h[from] as number) - (h[to] as number))
    const between = (values: number[]) =>
      (values[from] as number) + share * ((values[to] as number) - (values[from] as number))
    x.push(between(x))
    y.push(between(y))
    h.push(0)
    return h.length - 1
  }
  for (let e = 0; e < body.edges.length; e += 4) {
    const [a, b, f, g] = body.edges.subarray(e, e + 4) as unknown as [number, number, number, number]
    const [isA, isB] = [(h[a] as number) >= 0, (h[b] as number) >= 0]
    if (!isA && !isB) continue
    if (isA && isB) {
      edges.push(a, b, f, g)
      continue
    }
    const corner = isA ? cornerOn(a, b) : cornerOn(b, a)
    edges.push(isA ? a : b, corner, f, g)
    for (const face of [f, g]) {
      const corners = crossed.get(face)
      if (corners) corners.push(corner)
      else crossed.set(face, [corner])
    }
  }
  for (const [face, [a, b]] of crossed) if (a !== undefined && b !== undefined) edges.push(a, b, face, cut)
  return onlyUsed(series(x, y, h, edges, normals), count)
}

const series = (x: number[], y: number[], h: number[], edges: number[], normals: number[]): Cut => ({
  x: Float64Array.from(x),
  y: Float64Array.from(y),
  h: Float64Array.from(h),
  edges: Int32Array.from(edges),
  normals: Float64Array.from(normals),
})

/** Without the corners behind the plane. */
function onlyUsed({ x, y, h, edges, normals }: Cut, count: number): Cut {
  const kept: number[] = []
  const now = new Int32Array(x.length).fill(-1)
  x.forEach((_, v) => {
    if (v < count && (h[v] as number) < 0) return
    now[v] = kept.length
    kept.push(v)
  })
  return {
    x: Float64Array.from(kept, (v) => x[v] as number),
    y: Float64Array.from(kept, (v) => y[v] as number),
    h: Float64Array.from(kept, (v) => h[v] as number),
    edges: edges.map((value, i) => (i % 4 < 2 ? (now[value] as number) : value)),
    normals,
  }
}
