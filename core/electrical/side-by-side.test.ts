import { seededRandom } from '../model/random'
import { stringUpWith } from './by-hand'
import { inputName, inverterOf, modulesByInverter, stringPositions, stringsByInverter } from './side-by-side'

test('inputs count on from one inverter to the next, and are named by both', () => {
  const three = { inverters: 3, mppInputs: 2 }
  expect([0, 1, 2, 3, 4, 5].map((input) => inverterOf(input, three))).toEqual([0, 0, 1, 1, 2, 2])
  expect([0, 1, 2, 5].map((input) => inputName(input, three))).toEqual(['1.1', '1.2', '2.1', '3.2'])
  // One alone needs no number.
  expect([0, 3].map((input) => inputName(input, { inverters: 1, mppInputs: 2 }))).toEqual(['1', '4'])
})

test('strings are named by inverter, input and place there', () => {
  const strings = [
    { id: 'S1', input: 0 },
    { id: 'S2', input: 0 },
    { id: 'S3', input: 3 },
    { id: 'S4', input: -1 },
  ]
  expect([...stringPositions(strings, { inverters: 2, mppInputs: 2 })]).toEqual([
    ['S1', '1.1.1'],
    ['S2', '1.1.2'],
    ['S3', '2.2.1'],
  ])
  expect(stringPositions(strings, { inverters: 1, mppInputs: 4 }).get('S3')).toBe('1.4.1')
})

test('what hangs on no input hangs on no inverter', () => {
  const strings = [
    { input: 0, panelIds: ['a', 'b'] },
    { input: 3, panelIds: ['c'] },
    { input: -1, panelIds: ['d', 'e', 'f'] },
  ]
  expect(modulesByInverter(strings, { inverters: 2, mppInputs: 2 })).toEqual([2, 1])
  expect(stringsByInverter(strings, { inverters: 2, mppInputs: 2 }).map((own) => own.length)).toEqual([1, 1])
})

const modulesOf = (name: string, count: number) => Array.from({ length: count }, (_, i) => `${name}/0:${i}`)

test('two share what one would have: four strings of ten are two for each', () => {
  const limits = { fewest: 5, most: 10, inputs: 6, parallel: 1 }
  const { strings } = stringUpWith([], [modulesOf('a', 40)], { ...limits, inverters: 2 })
  expect(strings.map(({ input, panelIds }) => [input, panelIds.length])).toEqual([
    [0, 10],
    [1, 10],
    [3, 10],
    [4, 10],
  ])
  // One alone takes them in a row.
  expect(stringUpWith([], [modulesOf('a', 40)], limits).strings.map(({ input }) => input)).toEqual([
    0, 1, 2, 3,
  ])
})

test('what is drawn for an inverter stays there, and the others make up for it', () => {
  const ids = modulesOf('a', 30)
  const drawn = [{ input: 1, panelIds: ids.slice(0, 10) }]
  const { strings } = stringUpWith(drawn, [ids], {
    fewest: 5,
    most: 10,
    inputs: 6,
    parallel: 1,
    inverters: 2,
  })
  expect(strings.find((string) => string.drawn === 0)).toMatchObject({ input: 1 })
  // Ten are there: of the twenty others most go to the second.
  expect(modulesByInverter(strings, { inverters: 2, mppInputs: 3 })).toEqual([16, 14])
  // Of an inverter that is gone it takes the next free input.
  const gone = [{ input: 5, panelIds: ids.slice(0, 10) }]
  const alone = stringUpWith(gone, [ids], { fewest: 5, most: 10, inputs: 3, parallel: 1 })
  expect(alone.strings.find((string) => string.drawn === 0)).toMatchObject({ input: 0 })
})

test('fewest strings give way to shorter ones where one inverter would have nearly all', () => {
  const limits = { fewest: 4, most: 13, inputs: 4, parallel: 1, inverters: 2 }
  const lengths = (groups: string[][], own: typeof limits) =>
    stringUpWith([], groups, own).strings.map(({ input, panelIds }) => [input, panelIds.length])
  const house = [modulesOf('south', 13), modulesOf('west', 4)]
  // 13 and 4 become 7 and 6 + 4.
  expect(lengths(house, limits)).toEqual([
    [0, 7],
    [2, 6],
    [3, 4],
  ])
  // No string may be so short: they stay as they are.
  expect(lengths([modulesOf('south', 13), modulesOf('west', 8)], { ...limits, fewest: 8 })).toEqual([
    [0, 13],
    [2, 8],
  ])
  // Eleven and nine are even enough.
  expect(lengths([modulesOf('south', 11), modulesOf('west', 9)], limits)).toEqual([
    [0, 11],
    [2, 9],
  ])
})

test('seeded roofs: no more modules without an input than one inverter with all inputs leaves, shared out no worse than its strings', () => {
  const random = seededRandom(140)
  const upTo = (most: number) => 1 + Math.floor(random() * most)
  let better = 0
  for (let round = 0; round < 1500; round++) {
    const [inverters, mppInputs] = [1 + upTo(3), upTo(4)]
    const fewest = upTo(6)
    const limits = {
      fewest,
      most: fewest + upTo(8),
      inputs: inverters * mppInputs,
      parallel: upTo(2),
    }
    const beside = { inverters, mppInputs }
    const groups = Array.from({ length: upTo(3) }, (_, g) => modulesOf(`g${g}`, Math.floor(random() * 40)))
    const shared = stringUpWith([], groups, { ...limits, inverters }).strings
    const one = stringUpWith([], groups, limits).strings
    expect(shared.flatMap(({ panelIds }) => panelIds).sort()).toEqual(groups.flat().sort())
    const left = (strings: typeof one) =>
      strings.flatMap(({ input, panelIds }) => (input < 0 ? panelIds : [])).length
    expect(left(shared)).toBeLessThanOrEqual(left(one))
    const inputs = new Map<number, number[]>()
    for (const { input, panelIds } of shared)
      if (input >= 0) inputs.set(input, [...(inputs.get(input) ?? []), panelIds.length])
    for (const [input, own] of inputs) {
      expect(input).toBeLessThan(limits.inputs)
      // Strings in parallel are equally long, and all are as long as they may be.
      expect(new Set(own).size).toBe(1)
      expect(own.length).toBeLessThanOrEqual(limits.parallel)
      expect(own[0]).toBeGreaterThanOrEqual(limits.fewest)
      expect(own[0]).toBeLessThanOrEqual(limits.most)
    }
    const hung = modulesByInverter(shared, beside)
    const sums = [...inputs.values()].map((own) => own.reduce((sum, length) => sum + length, 0))
    expect(Math.max(...hung) - Math.min(...hung)).toBeLessThanOrEqual(Math.max(0, ...sums))
    const fullest = Math.max(...dealtOut(one, beside))
    if (left(shared) === left(one)) expect(Math.max(...hung)).toBeLessThanOrEqual(fullest)
    better += Number(Math.max(...hung) < fullest)
  }
  expect(better).toBeGreaterThan(100)
})

/** Modules on each inverter when inputs are dealt to the emptiest, the largest first. */
function dealtOut(
  strings: readonly { readonly input: number; readonly panelIds: readonly string[] }[],
  { inverters, mppInputs }: { readonly inverters: number; readonly mppInputs: number },
): number[] {
  const sums = new Map<number, number>()
  for (const { input, panelIds } of strings)
    if (input >= 0) sums.set(input, (sums.get(input) ?? 0) + panelIds.length)
  const dealt = Array.from({ length: inverters }, () => ({ modules: 0, inputs: 0 }))
  for (const modules of [...sums.values()].sort((a, b) => b - a)) {
    const [emptiest] = dealt.filter(({ inputs }) => inputs < mppInputs).sort((a, b) => a.modules - b.modules)
    if (!emptiest) throw new Error('there are as many inputs')
    emptiest.modules += modules
    emptiest.inputs++
  }
  return dealt.map(({ modules }) => modules)
}
