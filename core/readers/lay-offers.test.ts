import { catalogue } from '@/town/equipment'
import { saltmarshJob } from '@/town/shipped-job'
import { Graph } from '../graph/graph'
import { type Design } from '../stages/world'
import { layOffers } from './lay-offers'

const job = saltmarshJob()
const graph = new Graph<Design>({ now: () => 0 })
const option = job.options[0]?.objects ?? {}
const design: Design = { house: job.house, option, catalogue }
const arrays = Object.values(option).filter((object) => object.kind === 'array')

test('each pattern offered holds more than every tidier one; the counts are those it is then laid with', () => {
  expect(arrays.length).toBeGreaterThan(1)
  for (const array of arrays) {
    const offers = layOffers(graph, design, array.id)
    if (!offers) throw new Error('no offers')
    expect(offers.patterns[0]?.pattern).toBe('aligned')
    const counts = offers.patterns.map(({ count }) => count)
    expect(counts).toEqual([...new Set(counts)].sort((a, b) => a - b))
    for (const { pattern, count } of offers.patterns) {
      const laid = layOffers(
        graph,
        { ...design, option: { ...option, [array.id]: { ...array, pattern } } },
        array.id,
      )
      expect(laid?.orientations.find(({ orientation }) => orientation === array.orientation)?.count).toBe(
        count,
      )
    }
  }
})

test('places left empty do not count against a way of laying', () => {
  const [array] = arrays
  if (!array) throw new Error('no array')
  const emptied = { ...array, removed: ['0:0', '0:1'] }
  expect(layOffers(graph, { ...design, option: { ...option, [array.id]: emptied } }, array.id)).toEqual(
    layOffers(graph, design, array.id),
  )
})

test('what is no array has no offers', () => {
  expect(layOffers(graph, design, 'no-such-thing')).toBeNull()
  expect(layOffers(graph, design, 'cover')).toBeNull()
})
