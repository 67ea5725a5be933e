import { seededRandom } from '../model/random'
import { electricalSchema, defaultElectrical, type DrawnString } from '../kinds/electrical/electrical'
import { mixedInputs, stillDrawn, stringUpWith } from './by-hand'
import { branchUp } from './electronics'
import { byInput } from './rules'
import { stringUp } from './stringing'

const limits = { fewest: 3, most: 9, inputs: 3, parallel: 2 }
const modules = (group: string, count: number) => Array.from({ length: count }, (_, m) => `${group}/0:${m}`)
const south = modules('south', 14)
const west = modules('west', 8)
const drawn = (panelIds: readonly string[], input: number | null = null): DrawnString => ({ input, panelIds })

test('nothing drawn is strung as ever', () => {
  const { strings, gone } = stringUpWith([], [south, west], limits)
  expect(strings.map(({ input, panelIds }) => ({ input, panelIds }))).toEqual(
    stringUp([south, west], limits).map(({ input, panelIds }) => ({ input, panelIds })),
  )
  expect(gone).toEqual([])
})

test('what is drawn keeps its order and its input; the others take what is left', () => {
  const own = [...south.slice(5, 9)].reverse()
  const { strings } = stringUpWith([drawn(own, 1)], [south, west], limits)
  // Ten of the south are left for one input, in two strings side by side, and eight of the west for the other.
  expect(strings.map(({ id, input, panelIds }) => [id, input, panelIds.length])).toEqual([
    ['S1', 0, 5],
    ['S2', 0, 5],
    ['S3', 1, 4],
    ['S4', 2, 8],
  ])
  expect(strings[2]).toEqual({ id: 'S3', input: 1, panelIds: own, drawn: 0 })
  const others = strings.slice(0, 2).flatMap(({ panelIds }) => panelIds)
  expect(others.every((id) => id.startsWith('south') && !own.includes(id))).toBe(true)
})

test('without an input of its own it takes the first that is free, then shares with what is like it', () => {
  const parts = [south.slice(0, 4), south.slice(4, 8), south.slice(8, 12), west.slice(0, 4), south.slice(12)]
  const { strings } = stringUpWith(
    parts.map((panelIds, k) => drawn(panelIds, k === 0 ? 1 : k === 2 ? 7 : null)),
    [south, west],
    limits,
  )
  const inputOf = (k: number) => strings.find((string) => string.drawn === k)?.input
  // Input 8 is one that this inverter does not have.
  expect([0, 1, 2, 3, 4].map(inputOf)).toEqual([1, 0, 2, -1, -1])
  const { strings: shared } = stringUpWith(
    [
      drawn(south.slice(0, 4), 0),
      drawn(west.slice(0, 4), 1),
      drawn(west.slice(4), 2),
      drawn(south.slice(4, 8)),
    ],
    [south, west],
    limits,
  )
  expect(shared.find((string) => string.drawn === 3)?.input).toBe(0)
})

test('modules that are no longer laid are told, and their strings go on without them', () => {
  const all = [drawn([...south.slice(0, 3), 'away/0:0']), drawn(['away/0:1', 'away/0:2'])]
  const { kept, gone } = stillDrawn(all, new Set(south))
  expect(kept).toEqual([{ drawn: 0, input: null, panelIds: south.slice(0, 3) }])
  expect(gone).toEqual(['away/0:0', 'away/0:1', 'away/0:2'])
})

test('an input with several directions is told', () => {
  const { strings } = stringUpWith(
    [drawn([...south.slice(0, 3), ...west.slice(0, 2)], 0), drawn(west.slice(2, 6), 1)],
    [south, west],
    limits,
  )
  const [mixed, ...others] = mixedInputs(strings, [south, west])
  expect(others).toEqual([])
  expect(mixed).toMatchObject({ input: 0, directions: 2 })
  expect(mixed?.panelIds).toHaveLength(5)
})

test('seeded drawings by the hundred: every module is in one string, none hangs on an input there is not', () => {
  const random = seededRandom(71)
  for (let k = 0; k < 800; k++) {
    const groups = Array.from({ length: 1 + Math.floor(random() * 3) }, (_, g) =>
      modules(`g${g}`, Math.floor(random() * 16)),
    )
    const all = groups.flat()
    const left = [...all, ...modules('away', 3)].sort(() => random() - 0.5)
    const hand: DrawnString[] = []
    while (left.length > 0 && random() < 0.7)
      hand.push(
        drawn(left.splice(0, 1 + Math.floor(random() * 6)), random() < 0.4 ? Math.floor(random() * 5) : null),
      )
    expect(electricalSchema.safeParse({ ...defaultElectrical, drawn: hand }).success).toBe(true)
    const own = {
      fewest: 1 + Math.floor(random() * 4),
      most: 9,
      inputs: 1 + Math.floor(random() * 4),
      parallel: 2,
    }
    const { strings, gone } = stringUpWith(hand, groups, own)
    expect(strings.flatMap(({ panelIds }) => panelIds).sort()).toEqual(all.toSorted())
    expect(gone.every((id) => id.startsWith('away'))).toBe(true)
    for (const { input, drawn: place, panelIds } of strings) {
      expect(input).toBeLessThan(own.inputs)
      const typed = place === undefined ? null : (hand[place]?.input ?? null)
      if (typed !== null && typed < own.inputs) expect(input).toBe(typed)
      if (place !== undefined)
        expect(panelIds).toEqual(hand[place]?.panelIds.filter((id) => !id.startsWith('away')))
    }
    // What is strung automatically shares no input with what is drawn.
    for (const [, there] of byInput(strings))
      expect(new Set(there.map((string) => string.drawn === undefined)).size).toBe(1)
    expect(strings.map(({ id }) => id)).toEqual(strings.map((_, s) => `S${s + 1}`))
    const { strings: branches, devices } = branchUp(
      stillDrawn(hand, new Set(all)).kept,
      groups.map((ids) => ids.map((id, m) => ({ id, slot: `0:${m}` }))),
      2,
      5,
    )
    expect(branches.flatMap(({ panelIds }) => panelIds).sort()).toEqual(all.toSorted())
    expect(devices.flat().sort()).toEqual(all.toSorted())
    for (const ids of devices) {
      expect(new Set(ids.map((id) => id.split('/')[0])).size).toBe(1)
      expect(ids.length).toBeLessThanOrEqual(2)
    }
    // Devices of a branch follow on each other as its modules do.
    for (const { panelIds } of branches) {
      const there = devices.filter((ids) => panelIds.includes(ids[0] ?? '')).flat()
      expect(there).toEqual(panelIds)
    }
  }
})

test('a module in two strings is refused, and so is a string of more than sixty', () => {
  const bad = (all: readonly DrawnString[]) =>
    electricalSchema.safeParse({ ...defaultElectrical, drawn: all }).success
  expect(bad([drawn(['a/0:1']), drawn(['a/0:2', 'a/0:1'])])).toBe(false)
  expect(bad([drawn(['a/0:1', 'a/0:1'])])).toBe(false)
  expect(bad([drawn(modules('a', 61))])).toBe(false)
  expect(bad([drawn([])])).toBe(false)
  expect(bad([drawn(['nowhere'])])).toBe(false)
  expect(bad([drawn(modules('a', 60), 23)])).toBe(true)
})
