import { catalogue } from '@/town/equipment'
import { type ModuleType } from './catalogue'
import { areaM2, efficiency, listModules, moduleFigures, pricePerW, type ModuleFilter } from './module-list'

const { modules } = catalogue
const all: ModuleFilter = { text: '', colour: 'any', leastW: 0, mostLengthM: Infinity }
const names = (found: readonly ModuleType[]) => found.map(({ name }) => name)
const [first] = modules
if (!first) throw new Error('the catalogue has modules')

test('figures of one, by hand', () => {
  // 420 W of 1.722 by 1.134 m at 185.
  expect(areaM2(first)).toBeCloseTo(1.952748, 9)
  expect(efficiency(first)).toBeCloseTo(0.21508, 5)
  expect(pricePerW(first)).toBeCloseTo(0.440476, 6)
})

test('words are found in any order and case; more words find less', () => {
  expect(
    new Set(listModules(modules, { ...all, text: 'BC corvane' }, 'name', false).map(({ maker }) => maker)),
  ).toEqual(new Set(['Corvane']))
  expect(listModules(modules, { ...all, text: 'corvane long' }, 'name', false)).toHaveLength(3)
  expect(listModules(modules, { ...all, text: 'nobody' }, 'name', false)).toEqual([])
})

test('colour, power and length hold each by itself', () => {
  const found = listModules(
    modules,
    { text: '', colour: 'all-black', leastW: 440, mostLengthM: 1.8 },
    'powerW',
    false,
  )
  expect(found.length).toBeGreaterThan(3)
  for (const { colour, powerW, lengthM } of found) {
    expect(colour).toBe('all-black')
    expect(powerW).toBeGreaterThanOrEqual(440)
    expect(lengthM).toBeLessThanOrEqual(1.8)
  }
})

test.each(moduleFigures)(
  'sorted by %s both ways: the same modules, and what is not said comes last',
  (by) => {
    const { weightKg: _unsaid, ...unsaid } = first
    const list = [{ ...unsaid, id: 'unsaid', name: 'Aaa' }, ...modules]
    const [up, down] = [listModules(list, all, by, false), listModules(list, all, by, true)]
    expect(up).toHaveLength(list.length)
    expect(new Set(names(up))).toEqual(new Set(names(down)))
    if (by === 'weightKg') {
      expect(up.at(-1)?.id).toBe('unsaid')
      expect(down.at(-1)?.id).toBe('unsaid')
    } else if (by === 'name') expect(up[0]?.id).toBe('unsaid')
    else expect(up).not.toEqual(down)
  },
)

test('names with numbers stand in the numbers’ order', () => {
  const found = names(listModules(modules, { ...all, text: 'Lumenfold' }, 'name', false))
  expect(found.indexOf('Lumenfold 405 M')).toBeLessThan(found.indexOf('Lumenfold 490 L'))
})
