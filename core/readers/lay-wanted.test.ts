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
  const few = layWanted(bare, planes, 8, siteOf)
  expect(few.arrays).toEqual([{ id: 'array-2', count: 8 }])
  expect(few.missing).toBe(0)
  const laid = panelsOf(siteOf(few.option))
  expect(laid).toHaveLength(8)
  // The row at the eave holds six.
  expect(laid.filter(({ slot }) => slot.startsWith('0:'))).toHaveLength(6)
  expect(layWanted(bare, planes, 15, siteOf).arrays).toEqual([
    { id: 'array-2', count: 13 },
    { id: 'array-3', count: 2 },
  ])
})

test('more than there is room for is said; what lies already counts, and nothing more is laid than is missing', () => {
  const all = layWanted(bare, planes, 40, siteOf)
  expect(all.missing).toBe(40 - panelsOf(siteOf(all.option)).length)
  expect(all.missing).toBeGreaterThan(0)
  expect(layWanted(all.option, [], 10, siteOf)).toEqual({ option: all.option, arrays: [], missing: 0 })
  expect(layWanted(bare, [], 3, siteOf)).toEqual({ option: bare, arrays: [], missing: 3 })
})
