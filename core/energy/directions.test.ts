import { job, option, runOf, worldOf } from '@/town/testing'
import { siteStage } from '../stages/site'
import { facesByDirection, tooFewForString } from './directions'

const { arrays } = runOf(await worldOf(job.house, option)).value(siteStage)
const [some] = arrays
if (!some) throw new Error('the shipped job has arrays')
const part = (id: string, modules: number, fields: object = {}) => ({
  ...some,
  id,
  panels: some.panels.slice(0, modules),
  ...fields,
})
const turned = { plane: { ...some.plane, normal: [0.6, 0, 0.8] as const } }

test('planes that face one way share their strings: alone too few, together enough', () => {
  expect([...tooFewForString([part('a', 2)], 3)]).toEqual(['a'])
  expect([...tooFewForString([part('a', 2), part('b', 2)], 3)]).toEqual([])
  expect([...tooFewForString([part('a', 2), part('b', 2, turned)], 3)]).toEqual(['a', 'b'])
  expect([...tooFewForString([part('a', 4), part('b', 2, turned)], 3)]).toEqual(['b'])
  // Standing free of the roof they are cooler: an input's modules would not be alike.
  expect([...tooFewForString([part('a', 2), part('b', 2, { airGapM: null })], 3)]).toEqual(['a', 'b'])
})

test('with one module enough nothing is too short, and every face is in one group', () => {
  expect(tooFewForString(arrays, 1).size).toBe(0)
  expect(tooFewForString(arrays, 1000).size).toBe(arrays.length)
  expect(facesByDirection(arrays).flat()).toHaveLength(arrays.length)
})
