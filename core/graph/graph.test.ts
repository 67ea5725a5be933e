import { bytesOf } from './bytes'
import { Graph } from './graph'
import { Keyed, keyOf } from './keyed'
import { Overtaken } from './run'
import { itemStage, stage, type Stage } from './stage'

interface World {
  readonly a: number
  readonly b: number
  readonly list: readonly number[]
  readonly name: string
}
const world: World = { a: 1, b: 2, list: [1, 2, 3], name: 'x' }
/** What was computed, in order. */
const computed: string[] = []
beforeEach(() => {
  computed.length = 0
})
const graphOf = (mostBytes?: number) =>
  new Graph<World>({ now: () => performance.now(), ...(mostBytes === undefined ? {} : { mostBytes }) })

const doubled: Stage<World, number> = stage({
  name: 'doubled',
  version: 1,
  reads: ({ a }: World) => ({ a }),
  after: {},
  compute: ({ a }) => {
    computed.push('doubled')
    return a * 2
  },
})
const sum: Stage<World, number> = stage({
  name: 'sum',
  version: 1,
  reads: ({ b }: World) => ({ b }),
  after: { doubled },
  compute: ({ b }, { doubled: twice }) => {
    computed.push('sum')
    return twice + b
  },
})
/** Items of a thousand bytes each. */
const items: Stage<World, readonly Keyed<Float64Array>[]> = itemStage({
  name: 'items',
  version: 1,
  reads: ({ list }: World) => ({ list }),
  after: { doubled },
  each: ({ list }, { doubled: twice }) => list.map((n) => ({ n, parity: twice.value % 4 })),
  compute: ({ n, parity }) => {
    computed.push(`item ${n}`)
    return new Float64Array(125).fill(n + parity)
  },
  bytes: (series) => series.byteLength,
})
const total: Stage<World, number> = stage({
  name: 'total',
  version: 1,
  reads: () => ({}),
  after: { items },
  compute: (_reads, after) => {
    computed.push('total')
    return after.items.reduce((s, { value }) => s + (value[0] ?? 0), 0)
  },
})

test('a stage is worked out once a run, and not again while what it reads stays the same', () => {
  const graph = graphOf()
  const first = graph.open(world)
  expect([first.value(sum), first.value(doubled), first.value(sum)]).toEqual([4, 2, 4])
  expect(computed).toEqual(['doubled', 'sum'])
  expect(graph.open({ ...world, name: 'y' }).value(sum)).toBe(4)
  expect(graph.open({ ...world, b: 5 }).value(sum)).toBe(7)
  expect(graph.open(world).value(sum)).toBe(4)
  expect(computed).toEqual(['doubled', 'sum', 'sum'])
})

test('of many items only those are computed whose own inputs changed, and what comes after rests if none did', () => {
  const graph = graphOf()
  expect(graph.open(world).value(total)).toBe(1 + 2 + 3 + 3 * 2)
  computed.length = 0
  expect(graph.open({ ...world, list: [1, 7, 3] }).value(total)).toBe(1 + 7 + 3 + 3 * 2)
  expect(computed).toEqual(['item 7', 'total'])
  computed.length = 0
  // a = 3: twice that is the same modulo 4, so the items' own inputs are the same.
  const run = graph.open({ ...world, a: 3 })
  expect(run.value(total)).toBe(12)
  expect(computed).toEqual(['doubled'])
  expect(run.times.find(({ name }) => name === 'items')).toMatchObject({ fresh: 0, all: 3 })
})

test('what is kept stays under its bound; the least recently used goes first', () => {
  const graph = graphOf(8_000)
  for (let k = 0; k < 50; k++) {
    graph.open({ ...world, list: [k * 10, k * 10 + 1, k * 10 + 2] }).value(items)
    expect(graph.bytes).toBeLessThanOrEqual(8_000)
  }
  computed.length = 0
  graph.open({ ...world, list: [490, 491, 492] }).value(items)
  expect(computed).toEqual([])
  graph.open({ ...world, list: [0, 1, 2] }).value(items)
  expect(computed).toEqual(['item 0', 'item 1', 'item 2'])
})

test('a run larger than the bound keeps what fits of itself and loses none of it to the rest', () => {
  const graph = graphOf(20_000)
  const list = Array.from({ length: 40 }, (_, n) => n)
  graph.open({ ...world, list }).value(items)
  computed.length = 0
  const again = graph.open({ ...world, list: list.slice(1) })
  again.value(items)
  // About half of it fits: no more than the other half is computed again.
  expect(computed.length).toBeLessThan(28)
  expect(computed.length).toBeGreaterThan(15)
  expect(graph.bytes).toBeLessThanOrEqual(20_000)
})

test('prepared with pauses a run ends between two items when it is overtaken, and keeps what was done', async () => {
  const graph = graphOf()
  let pauses = 0
  const patience = { atMostMs: -1, pause: async () => ++pauses < 3 }
  await expect(graph.open(world).prepare([total], patience)).rejects.toBeInstanceOf(Overtaken)
  expect(computed).toEqual(['doubled', 'item 1', 'item 2', 'item 3'].slice(0, 1 + pauses))
  const before = computed.length
  const run = graph.open(world)
  await run.prepare([total], { atMostMs: -1, pause: async () => true })
  expect(run.value(total)).toBe(12)
  expect(computed.length).toBe(before + (3 - pauses) + 1)
})

test('keys are of values, not of the order of their fields; keyed values stand for themselves', () => {
  expect(keyOf({ a: 1, b: [2, 3] })).toBe(keyOf({ b: [2, 3], a: 1 }))
  expect(keyOf({ a: 1 })).not.toBe(keyOf({ a: '1' }))
  expect(keyOf([1, 23])).not.toBe(keyOf([12, 3]))
  expect(keyOf({ a: [] })).not.toBe(keyOf({ a: {} }))
  expect(keyOf({ a: undefined })).not.toBe(keyOf({ a: null }))
  expect(keyOf({ x: new Keyed('k', 1) })).toBe(keyOf({ x: new Keyed('k', 2) }))
  // Long series are never digested by accident: they come with keys.
  expect(() => keyOf({ series: new Float64Array(2) })).toThrow()
})

test('bytes are about what a value takes', () => {
  expect(bytesOf(new Float64Array(1000))).toBeGreaterThanOrEqual(8000)
  expect(bytesOf(new Float64Array(1000))).toBeLessThan(8200)
  expect(bytesOf([new Float32Array(10), new Float32Array(10)])).toBeGreaterThan(80)
  expect(bytesOf('abc')).toBe(6)
  expect(bytesOf(3)).toBe(0)
})
