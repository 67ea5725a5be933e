import { seededRandom } from '../model/random'
import { electricalSchema, defaultElectrical, type DrawnString } from '../kinds/electrical/electrical'
import { stringUpWith } from './by-hand'
import {
  asDrawn,
  joined,
  reversed,
  splitAfter,
  strungAs,
  wholeOf,
  withModules,
  withoutInput,
} from './edit-strings'
import { type PanelString } from './stringing'

const modules = Array.from({ length: 12 }, (_, m) => `south/0:${m}`)
const one: PanelString = { id: 'S1', input: 0, panelIds: modules.slice(0, 6), drawn: 0 }
const other: PanelString = { id: 'S2', input: -1, panelIds: modules.slice(6, 10) }
const drawn: readonly DrawnString[] = [{ input: 0, panelIds: one.panelIds }]

test('keep, reverse, split, join and let go, by hand', () => {
  expect(strungAs(drawn, [other], [asDrawn(other)])).toEqual([
    ...drawn,
    { input: null, panelIds: other.panelIds },
  ])
  expect(strungAs(drawn, [one], [reversed(one)])).toEqual([{ input: 0, panelIds: one.panelIds.toReversed() }])
  expect(strungAs(drawn, [one], splitAfter(one, 2))).toEqual([
    { input: 0, panelIds: modules.slice(0, 2) },
    { input: null, panelIds: modules.slice(2, 6) },
  ])
  expect(strungAs(drawn, [one, other], [joined(one, other)])).toEqual([
    { input: 0, panelIds: modules.slice(0, 10) },
  ])
  expect(joined(other, one).input).toBe(0)
  expect(strungAs(drawn, [one], [])).toEqual([])
})

test('modules that go to another string leave the one they were in, and one without any is gone', () => {
  const two = [...drawn, { input: 1, panelIds: modules.slice(6, 8) }]
  const moved = withModules(one, modules.slice(6, 8))
  expect(strungAs(two, [one], [moved])).toEqual([{ input: 0, panelIds: modules.slice(0, 8) }])
  expect(withModules(one, [modules[0] ?? '']).panelIds).toEqual([...modules.slice(1, 6), modules[0]])
  expect(strungAs(drawn, [], [{ input: null, panelIds: modules.slice(4, 8) }])).toEqual([
    { input: 0, panelIds: modules.slice(0, 4) },
    { input: null, panelIds: modules.slice(4, 8) },
  ])
})

test('a drawn string is edited as it was drawn: what is gone stays in it, and no input is chosen for it', () => {
  const own: DrawnString = { input: null, panelIds: ['away/0:0', ...modules.slice(0, 3)] }
  const shown: PanelString = { id: 'S1', input: 2, panelIds: modules.slice(0, 3), drawn: 0 }
  expect(strungAs([own], [wholeOf([own], shown)], [reversed(wholeOf([own], shown))])).toEqual([
    { input: null, panelIds: own.panelIds.toReversed() },
  ])
  expect(wholeOf([own], other)).toBe(other)
})

test('branches are kept without an input, however many they are', () => {
  const branches = Array.from({ length: 30 }, (_, b): PanelString => ({
    id: `B${b + 1}`,
    input: b,
    panelIds: [`south/${b}:0`, `south/${b}:1`],
  })).map(withoutInput)
  const kept = strungAs([], branches, branches.map(asDrawn))
  expect(kept?.map(({ input }) => input)).toEqual(branches.map(() => null))
  expect(electricalSchema.safeParse({ ...defaultElectrical, drawn: kept }).success).toBe(true)
})

test('a string of more than sixty is refused', () => {
  const long = Array.from({ length: 61 }, (_, m) => `west/0:${m}`)
  expect(strungAs(drawn, [], [{ input: null, panelIds: long }])).toBeNull()
})

test('whatever is done by hand, again and again, each module stays in one string', () => {
  const random = seededRandom(19)
  const pick = <T>(list: readonly T[]): T | undefined => list[Math.floor(random() * list.length)]
  for (let run = 0; run < 80; run++) {
    const groups = ['a', 'b'].map((name) =>
      Array.from({ length: 3 + Math.floor(random() * 12) }, (_, m) => `${name}/0:${m}`),
    )
    let hand: readonly DrawnString[] = []
    for (let step = 0; step < 25; step++) {
      const { strings } = stringUpWith(hand, groups, { fewest: 2, most: 8, inputs: 3, parallel: 2 })
      const string = pick(strings)
      const next = pick(strings)
      if (!string || !next) throw new Error('there are strings')
      const before: readonly DrawnString[] = hand
      const deeds = [
        () => strungAs(before, [string], [asDrawn(string)]),
        () => strungAs(before, [string], [reversed(string)]),
        () =>
          strungAs(before, [string], splitAfter(string, 1 + Math.floor(random() * string.panelIds.length))),
        () => (string === next ? before : strungAs(before, [string, next], [joined(string, next)])),
        () => strungAs(before, [string], [withModules(string, next.panelIds.slice(0, 2))]),
        () => strungAs(before, [string], []),
        () => strungAs(before, strings, strings.map(asDrawn)),
      ]
      hand = pick(deeds)?.() ?? hand
      expect(electricalSchema.safeParse({ ...defaultElectrical, drawn: hand }).success).toBe(true)
    }
    const { strings, gone } = stringUpWith(hand, groups, { fewest: 2, most: 8, inputs: 3, parallel: 2 })
    expect(gone).toEqual([])
    expect(strings.flatMap(({ panelIds }) => panelIds).sort()).toEqual(groups.flat().sort())
  }
})
