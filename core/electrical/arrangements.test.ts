import { seededRandom } from '../model/random'
import { drawnWay, mostWays, signature, stringWays } from './arrangements'
import { byInput } from './rules'

const field = (name: string, rows: number, columns: number) =>
  Array.from({ length: rows * columns }, (_, m) => {
    const slot = `${Math.floor(m / columns)}:${m % columns}`
    return { id: `${name}/${slot}`, slot }
  })
const limits = { fewest: 3, most: 9, inputs: 3, parallel: 1 }

test('by light, the modules in shade have a string of their own', () => {
  const south = field('south', 2, 5)
  const shaded = ['south/0:0', 'south/1:0', 'south/1:1']
  const light = new Map(south.map(({ id }) => [id, shaded.includes(id) ? 700 : 1000]))
  const ways = stringWays([[south]], light, limits)
  const three = ways
    .flatMap(({ by, strings }) => (by === 'light' ? strings : []))
    .filter(({ panelIds }) => panelIds.length === 3)
    .map(({ panelIds }) => panelIds.toSorted())
  expect(three).toContainEqual(shaded)
})

test('columns go up and down, rows there and back', () => {
  const ways = stringWays([[field('a', 2, 3)]], new Map(), { ...limits, fewest: 6 })
  expect(ways.map(({ by, strings }) => [by, strings[0]?.panelIds.map((id) => id.slice(2))])).toEqual([
    ['rows', ['0:0', '0:1', '0:2', '1:2', '1:1', '1:0']],
  ])
  const split = stringWays([[field('a', 2, 3)]], new Map(), { ...limits, most: 3 })
  expect(split.find(({ by }) => by === 'columns')?.strings[0]?.panelIds).toEqual(['a/0:0', 'a/1:0', 'a/1:1'])
})

test('seeded roofs: every way strings every module once, none twice over, none leaves out more than it must', () => {
  const random = seededRandom(33)
  for (let k = 0; k < 150; k++) {
    const groups = Array.from({ length: 1 + Math.floor(random() * 3) }, (_, g) => [
      field(`g${g}`, 1 + Math.floor(random() * 3), 1 + Math.floor(random() * 5)),
    ])
    const all = groups.flat(2).map(({ id }) => id)
    const light = new Map(all.map((id) => [id, random()]))
    const own = { ...limits, inputs: 1 + Math.floor(random() * 4), parallel: 1 + Math.floor(random() * 2) }
    const ways = stringWays(groups, light, own)
    expect(ways.length).toBeGreaterThan(0)
    expect(ways.length).toBeLessThanOrEqual(mostWays)
    expect(new Set(ways.map(({ strings }) => signature(strings))).size).toBe(ways.length)
    const left = ways.map(({ strings }) =>
      strings.filter(({ input }) => input < 0).flatMap(({ panelIds }) => panelIds),
    )
    expect(new Set(left.map(({ length }) => length)).size).toBe(1)
    for (const way of ways) {
      expect(way.strings.flatMap(({ panelIds }) => panelIds).sort()).toEqual(all.toSorted())
      for (const [input, there] of byInput(way.strings)) {
        expect(input).toBeLessThan(own.inputs)
        expect(there.length).toBeLessThanOrEqual(own.parallel)
        for (const { panelIds } of there) {
          expect(panelIds.length).toBeGreaterThanOrEqual(own.fewest)
          expect(panelIds.length).toBeLessThanOrEqual(own.most)
        }
      }
      expect(drawnWay(way).flatMap(({ panelIds }) => panelIds)).toHaveLength(all.length)
    }
  }
})
