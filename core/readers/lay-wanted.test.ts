import { catalogue } from '@/town/equipment'
import { saltmarshJob } from '@/town/shipped-job'
import { Graph } from '../graph/graph'
import { defaultArray } from '../kinds/array/array'
import { type Objects } from '../kinds/documents'
import { panelsOf } from '../site/site'
import { siteStage } from '../stages/site'
import { type Design } from '../stages/world'
import { layWanted } from './lay-wanted'

const job = saltmarshJob()
const graph = new Graph<Design>({ now: () => 0 })
const siteOf = (option: Objects) => graph.open({ house: job.house, option, catalogue }).value(siteStage)
const bare = Object.fromEntries(
  Object.entries(job.options[0]?.objects ?? {}).filter(([, object]) => object.kind !== 'array'),
)
const planes = [2, 3].map((edgeIndex) => ({
  ...defaultArray,
  id: `array-${edgeIndex}`,
  volumeId: 'volume-1',
  edgeIndex,
  removed: [],
}))

test('whole planes in their order, of the last one what is missing, row by row from the eave', () => {
  const few = layWanted(bare, planes, 8, siteOf, 1)
  expect(few.arrays).toEqual([{ id: 'array-2', count: 8 }])
  expect(few.missing).toBe(0)
  const laid = panelsOf(siteOf(few.option))
  expect(laid).toHaveLength(8)
  // The row at the eave holds six.
  expect(laid.filter(({ slot }) => slot.startsWith('0:'))).toHaveLength(6)
  expect(layWanted(bare, planes, 15, siteOf, 1).arrays).toEqual([
    { id: 'array-2', count: 13 },
    { id: 'array-3', count: 2 },
  ])
})

test('more than there is room for is said; what lies already counts, and nothing more is laid than is missing', () => {
  const all = layWanted(bare, planes, 40, siteOf, 1)
  expect(all.missing).toBe(40 - panelsOf(siteOf(all.option)).length)
  expect(all.missing).toBeGreaterThan(0)
  expect(layWanted(all.option, [], 10, siteOf, 1)).toEqual({ option: all.option, arrays: [], missing: 0 })
  expect(layWanted(bare, [], 3, siteOf, 1)).toEqual({ option: bare, arrays: [], missing: 3 })
})

test('what is too few for a string gets modules of the plane before it, or stays away', () => {
  expect(layWanted(bare, planes, 15, siteOf, 3)).toMatchObject({
    arrays: [
      { id: 'array-2', count: 12 },
      { id: 'array-3', count: 3 },
    ],
    missing: 0,
  })
  // With one less the first would be no string itself.
  const smallFirst = [...planes].reverse()
  const room = layWanted(bare, smallFirst.slice(0, 1), 100, siteOf, 1).arrays[0]?.count ?? 0
  expect(layWanted(bare, smallFirst, room + 1, siteOf, room)).toMatchObject({
    arrays: [{ id: 'array-3', count: room }],
    missing: 1,
  })
  // Two are wanted and three make a string: the inverter is the wrong one, and the two are laid.
  expect(layWanted(bare, planes, 2, siteOf, 3)).toEqual(layWanted(bare, planes, 2, siteOf, 1))
})

test('however many are wanted: each plane has a string or nothing, and laid and missing are what was wanted', () => {
  for (let wanted = 1; wanted <= 24; wanted++)
    for (const fewest of [1, 2, 3, 5, 8]) {
      const inOrder = wanted % 2 === 0 ? planes : [...planes].reverse()
      const { option, arrays, missing } = layWanted(bare, inOrder, wanted, siteOf, fewest)
      const { arrays: stand } = siteOf(option)
      const counts = arrays.map(({ id }) => stand.find((array) => array.id === id)?.panels.length ?? 0)
      expect(counts).toEqual(arrays.map(({ count }) => count))
      if (wanted >= fewest) expect(Math.min(fewest, ...counts)).toBe(fewest)
      else expect(missing).toBe(0)
      expect(counts.reduce((sum, count) => sum + count, 0) + missing).toBe(wanted)
    }
})
