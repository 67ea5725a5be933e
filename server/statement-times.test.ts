import { Histogram, Registry } from 'prom-client'
import { statementTimes } from './statement-times'

test('statements are told by what they take in all: how often, on average, and how many were slow', async () => {
  const histogram = new Histogram({
    name: 'times',
    help: 'Times.',
    labelNames: ['statement'],
    buckets: [0.02, 0.1, 1],
    registers: [new Registry()],
  })
  for (const seconds of [0.01, 0.03, 0.2]) histogram.observe({ statement: 'jobs' }, seconds)
  for (const seconds of [2, 0.1]) histogram.observe({ statement: 'offers' }, seconds)
  histogram.observe({ statement: 'alive' }, 0.001)
  const told = await statementTimes(histogram, 2)
  expect(told.map(({ name, count, slow }) => [name, count, slow])).toEqual([
    ['offers', 2, 1],
    ['jobs', 3, 1],
  ])
  expect(told[0]?.meanMs).toBeCloseTo(1050, 6)
  expect(told[1]?.meanMs).toBeCloseTo(80, 6)
})
