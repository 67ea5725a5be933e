import { type Vec2 } from '../geometry/vector'
import { Fault } from '../model/fault'
import { toRadians } from '../model/units'
import { arcPoints, bulgePoints, ellipsePoints, splinePoints, turnBetween } from './dxf-curves'
import {
  blocksOf,
  entitiesOf,
  numberOf,
  numbersOf,
  pointOf,
  pointsOf,
  textOf,
  type DxfBlock,
  type DxfEntity,
} from './dxf-entities'
import { dxfSections, type DxfPair } from './dxf-pairs'
import { longestLayerName, type DrawnLayer, type LineDrawing } from './line-drawing'

/** What a drawing may have at most. */
export const largestDrawingBytes = 16_000_000
const mostPoints = 400_000
/** Blocks within blocks. */
const deepest = 8

/** Metres to a unit, by the number a drawing gives its unit ($INSUNITS); 0 is none. */
const unitM: Readonly<Record<number, number>> = {
  1: 0.0254,
  2: 0.3048,
  3: 1609.344,
  4: 0.001,
  5: 0.01,
  6: 1,
  7: 1000,
  8: 2.54e-8,
  9: 2.54e-5,
  10: 0.9144,
  13: 1e-6,
  14: 0.1,
  15: 10,
  16: 100,
  21: 1200 / 3937,
}

/** Whether a text begins as a DXF in text form does: after comments, with a section. */
export const beginsAsDxf = (text: string): boolean =>
  /^(?:\uFEFF)?(?:\s*999[ \t]*\r?\n[^\n]*\n)*\s*0[ \t]*\r?\n\s*SECTION\b/.test(text)

/**
 * The lines of a drawing in text DXF, seen from above: straight ones, polylines with their bulges, circles, arcs,
 * ellipses, splines, edges of faces, and blocks as they are inserted. Texts, hatches and dimensions are left out and
 * counted.
 * @throws Fault `not-a-dxf`, `broken-dxf`, `empty-drawing`, `too-many-points`
 */
export function dxfLines(text: string): LineDrawing {
  if (!beginsAsDxf(text)) throw new Fault('not-a-dxf')
  const sections = dxfSections(text)
  const off = layersOff(sections.get('TABLES') ?? [])
  const reading = new Reading(blocksOf(sections.get('BLOCKS') ?? []))
  for (const entity of entitiesOf(sections.get('ENTITIES') ?? []))
    reading.add(entity, identity, layerOf(entity), 0)
  const { layers, leftOut } = reading
  const shown = [...layers].filter(([name]) => !off.has(name))
  const points = (shown.length > 0 ? shown : [...layers]).flatMap(([, lines]) => lines.flat())
  if (points.length === 0) throw new Fault('empty-drawing')
  const [left, right] = endsOf(points, 0)
  const [bottom, top] = endsOf(points, 1)
  const middle: Vec2 = [(left + right) / 2, (bottom + top) / 2]
  return {
    metresPerUnit: unitOf(sections.get('HEADER') ?? []),
    width: Math.max(right - left, 1e-6),
    height: Math.max(top - bottom, 1e-6),
    layers: [...layers].map(([name, lines]): DrawnLayer => ({
      name,
      on: !off.has(name),
      pieces: piecesOf(lines, middle),
    })),
    leftOut,
  }
}

/** Lines as straight pieces about a middle. */
function piecesOf(lines: readonly (readonly Vec2[])[], [mx, my]: Vec2): Float64Array<ArrayBuffer> {
  const count = lines.reduce((sum, line) => sum + line.length - 1, 0)
  const pieces = new Float64Array(4 * count)
  let at = 0
  for (const line of lines)
    for (let i = 1; i < line.length; i++)
      for (const [x, y] of [line[i - 1] ?? [0, 0], line[i] ?? [0, 0]]) {
        pieces[at++] = x - mx
        pieces[at++] = y - my
      }
  return pieces
}

/** The unit that the header gives, m; null where it gives none. */
function unitOf(header: readonly DxfPair[]): number | null {
  const at = header.findIndex(({ code, value }) => code === 9 && value.trim() === '$INSUNITS')
  const value = header[at + 1]
  return at < 0 || value?.code !== 70 ? null : (unitM[Number(value.value)] ?? null)
}

/** Layers that are frozen or switched off, by the table of layers: a colour below nought is off. */
function layersOff(tables: readonly DxfPair[]): ReadonlySet<string> {
  const off = new Set<string>()
  let name: string | null = null
  let inLayer = false
  for (const { code, value } of tables) {
    if (code === 0) {
      inLayer = value.trim() === 'LAYER'
      name = null
    } else if (inLayer && code === 2) name = value.trim()
    else if (name !== null && code === 62 && Number(value) < 0) off.add(name)
    else if (name !== null && code === 70 && (Number(value) & 1) === 1) off.add(name)
  }
  return off
}

const endsOf = (points: readonly Vec2[], axis: 0 | 1): readonly [number, number] =>
  points.reduce<[number, number]>(
    ([low, high], p) => [Math.min(low, p[axis]), Math.max(high, p[axis])],
    [Infinity, -Infinity],
  )

/** An affine map of the plane: x' = a x + c y + e, y' = b x + d y + f. */
type Affine = readonly [a: number, b: number, c: number, d: number, e: number, f: number]
const identity: Affine = [1, 0, 0, 1, 0, 0]
/** Drawn on the back of its plane, as mirrored parts are. */
const flipped: Affine = [-1, 0, 0, 1, 0, 0]

/** First the second, then the first. */
const after = ([a, b, c, d, e, f]: Affine, [k, l, m, n, o, p]: Affine): Affine => [
  a * k + c * l,
  b * k + d * l,
  a * m + c * n,
  b * m + d * n,
  a * o + c * p + e,
  b * o + d * p + f,
]

class Reading {
  readonly layers = new Map<string, Vec2[][]>()
  readonly leftOut: Record<string, number> = {}
  readonly #blocks: ReadonlyMap<string, DxfBlock>
  #count = 0

  constructor(blocks: ReadonlyMap<string, DxfBlock>) {
    this.#blocks = blocks
  }

  /** @param layer what an entity of a block on layer 0 is drawn on: the layer of its insertion */
  add(entity: DxfEntity, map: Affine, layer: string, depth: number): void {
    const hidden = numberOf(entity, 60) === 1 || numberOf(entity, 67) === 1
    if (hidden) return
    const placed = numberOf(entity, 230, 1) < 0 ? after(map, flipped) : map
    if (entity.type === 'INSERT') {
      this.#insert(entity, placed, layer, depth)
      return
    }
    const lines = linesOf(entity)
    if (!lines) {
      this.#leaveOut(entity.type)
      return
    }
    for (const line of lines)
      this.#keep(
        layer,
        line.map(([x, y]) => moved(placed, x, y)),
      )
  }

  #countUp(more: number): void {
    this.#count += more
    if (this.#count > mostPoints) throw new Fault('too-many-points', { limit: mostPoints })
  }

  #leaveOut(type: string): void {
    this.leftOut[type] = (this.leftOut[type] ?? 0) + 1
  }

  #insert(insert: DxfEntity, map: Affine, layer: string, depth: number): void {
    const block = this.#blocks.get(textOf(insert, 2))
    if (!block || depth >= deepest) {
      this.#leaveOut('INSERT')
      return
    }
    const angle = toRadians(numberOf(insert, 50))
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
    const [sx, sy] = [numberOf(insert, 41, 1), numberOf(insert, 42, 1)]
    const [x, y] = pointOf(insert)
    const turned: Affine = [cos * sx, sin * sx, -sin * sy, cos * sy, 0, 0]
    const rows = Math.max(1, numberOf(insert, 71, 1))
    const columns = Math.max(1, numberOf(insert, 70, 1))
    for (let column = 0; column < columns; column++)
      for (let row = 0; row < rows; row++) {
        // Counted as well, so that empty blocks in blocks in rows come to an end.
        this.#countUp(1)
        const [ox, oy] = [column * numberOf(insert, 44), row * numberOf(insert, 45)]
        const place: Affine = [1, 0, 0, 1, x + cos * ox - sin * oy, y + sin * ox + cos * oy]
        const inner = after(after(map, place), after(turned, [1, 0, 0, 1, -block.base[0], -block.base[1]]))
        for (const part of block.entities) {
          const own = layerOf(part)
          this.add(part, inner, own === '0' ? layer : own, depth + 1)
        }
      }
  }

  #keep(layer: string, line: Vec2[]): void {
    if (line.length < 2 || !line.every((p) => p.every(Number.isFinite))) return
    this.#countUp(line.length)
    const lines = this.layers.get(layer)
    if (lines) lines.push(line)
    else this.layers.set(layer, [line])
  }
}

const layerOf = (entity: DxfEntity) => textOf(entity, 8, '0').slice(0, longestLayerName)

const moved = ([a, b, c, d, e, f]: Affine, x: number, y: number): Vec2 => [
  a * x + c * y + e,
  b * x + d * y + f,
]

const closedFlag = 1

/** An entity as lines in its own coordinates; null for one that is none. */
function linesOf(entity: DxfEntity): Vec2[][] | null {
  const closed = (numberOf(entity, 70) & closedFlag) === closedFlag
  switch (entity.type) {
    case 'LINE':
      return [[pointOf(entity), pointOf(entity, 11)]]
    case 'LWPOLYLINE':
      return [bulged(pointsOf(entity), bulgesOf(entity), closed)]
    case 'POLYLINE':
      return [
        bulged(
          entity.corners.map((corner) => pointOf(corner)),
          entity.corners.map((corner) => numberOf(corner, 42)),
          closed,
        ),
      ]
    case 'CIRCLE':
      return [arcPoints(pointOf(entity), numberOf(entity, 40), 0, 2 * Math.PI)]
    case 'ARC': {
      const [from, to] = [toRadians(numberOf(entity, 50)), toRadians(numberOf(entity, 51))]
      return [arcPoints(pointOf(entity), numberOf(entity, 40), from, turnBetween(from, to))]
    }
    case 'ELLIPSE': {
      const [from, to] = [numberOf(entity, 41), numberOf(entity, 42, 2 * Math.PI)]
      return [ellipsePoints(pointOf(entity), pointOf(entity, 11), numberOf(entity, 40, 1), from, to)]
    }
    case 'SPLINE': {
      const control = pointsOf(entity)
      if (control.length === 0) return [pointsOf(entity, 11)]
      return [splinePoints(control, numbersOf(entity, 40), numberOf(entity, 71, 3))]
    }
    case '3DFACE':
      return [
        bulged(
          [10, 11, 12, 13].map((code) => pointOf(entity, code)),
          [],
          true,
        ),
      ]
    default:
      return null
  }
}

/** How each side of a light polyline bulges: its number comes after the corner it begins at. */
function bulgesOf({ pairs }: DxfEntity): number[] {
  const bulges: number[] = []
  for (const { code, value } of pairs) {
    if (code === 10) bulges.push(0)
    if (code === 42 && bulges.length > 0) bulges[bulges.length - 1] = Number(value)
  }
  return bulges
}

function bulged(corners: readonly Vec2[], bulges: readonly number[], closed: boolean): Vec2[] {
  const [first] = corners
  if (!first) return []
  const points = [first]
  const ends = closed ? [...corners.slice(1), first] : corners.slice(1)
  ends.forEach((to, i) => {
    for (const point of bulgePoints(corners[i] ?? first, to, bulges[i] ?? 0)) points.push(point)
  })
  return points
}
