import { type Vec2 } from '../geometry/vector'
import { Fault } from '../model/fault'
import { type DxfPair } from './dxf-pairs'

/** One entity: its sort, its pairs, and the corners of a polyline that follow it. */
export interface DxfEntity {
  readonly type: string
  readonly pairs: readonly DxfPair[]
  readonly corners: readonly DxfEntity[]
}

/** Entities that are made of a block, by the block's name. */
export interface DxfBlock {
  readonly base: Vec2
  readonly entities: readonly DxfEntity[]
}

/** The number under a code, the first of them. */
export function numberOf({ pairs }: DxfEntity, code: number, without = 0): number {
  const found = pairs.find((pair) => pair.code === code)
  return found ? Number(found.value) : without
}

export const textOf = ({ pairs }: DxfEntity, code: number, without = ''): string =>
  pairs.find((pair) => pair.code === code)?.value.trim() ?? without

/** The point under a code of ten and what follows; 0, 0 where there is none. */
export const pointOf = (entity: DxfEntity, code = 10): Vec2 => [
  numberOf(entity, code),
  numberOf(entity, code + 10),
]

/** Points that come one after the other under one code. */
export function pointsOf({ pairs }: DxfEntity, code = 10): Vec2[] {
  const points: Vec2[] = []
  for (const { code: at, value } of pairs) {
    const last = points.at(-1)
    if (at === code) points.push([Number(value), 0])
    else if (at === code + 10 && last) points[points.length - 1] = [last[0], Number(value)]
  }
  return points
}

export const numbersOf = ({ pairs }: DxfEntity, code: number): number[] =>
  pairs.flatMap((pair) => (pair.code === code ? [Number(pair.value)] : []))

const broken = (line: number) => new Fault('broken-dxf', { line }, `line ${line}`)

/**
 * The entities of a section, each with what belongs to it.
 * @throws Fault `broken-dxf` with the line where a polyline has no end
 */
export function entitiesOf(pairs: readonly DxfPair[]): DxfEntity[] {
  const found: { type: string; pairs: DxfPair[]; corners: DxfEntity[] }[] = []
  let polyline: (typeof found)[number] | null = null
  let polylineLine = 0
  for (const pair of pairs) {
    if (pair.code !== 0) {
      const open = polyline?.corners.at(-1) ?? found.at(-1)
      // A section begins with something, not with what belongs to something.
      if (!open) throw broken(pair.line)
      ;(open.pairs as DxfPair[]).push(pair)
      continue
    }
    const type = pair.value.trim()
    if (polyline && type === 'VERTEX') polyline.corners.push({ type, pairs: [], corners: [] })
    else if (polyline && type === 'SEQEND') {
      polyline = null
      found.push({ type, pairs: [], corners: [] })
    } else if (polyline) throw broken(pair.line)
    else {
      const entity = { type, pairs: [], corners: [] }
      found.push(entity)
      if (type === 'POLYLINE') [polyline, polylineLine] = [entity, pair.line]
    }
  }
  if (polyline) throw broken(polylineLine)
  return found.filter(({ type }) => type !== 'SEQEND' && type !== 'ATTRIB')
}

/** @throws Fault `broken-dxf` with the line where a block has no end */
export function blocksOf(pairs: readonly DxfPair[]): ReadonlyMap<string, DxfBlock> {
  const blocks = new Map<string, DxfBlock>()
  let open: DxfPair[] | null = null
  for (const pair of pairs) {
    const word = pair.code === 0 ? pair.value.trim() : ''
    if (word === 'BLOCK') {
      if (open) throw broken(pair.line)
      open = [pair]
    } else if (word === 'ENDBLK') {
      if (!open) throw broken(pair.line)
      const [head, ...entities] = entitiesOf(open)
      if (head) blocks.set(textOf(head, 2), { base: pointOf(head), entities })
      open = null
    } else open?.push(pair)
  }
  const last = pairs.at(-1)
  if (open && last) throw broken(last.line)
  return blocks
}
