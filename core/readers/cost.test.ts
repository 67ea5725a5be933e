import { freshGraph, job, option, rack, runOf, worldOf } from '@/town/testing'
import { Fault } from '../model/fault'
import { checkCost, costOf } from './cost'

const tree = job.house['tree-1']
const among = async (trees: number, rows: number) => {
  const house = { ...job.house }
  for (let k = 0; k < trees; k++)
    if (tree?.kind === 'tree')
      house[`tree-x${k}`] = { ...tree, id: `tree-x${k}`, center: [((k * 37) % 60) - 30, -20] }
  const world = await worldOf(house, { ...option, [rack.id]: { ...rack, rows, columns: 40 } })
  return runOf(world, freshGraph())
}

test('what shade will cost grows with modules and with what may shade them, and is known before it is computed', async () => {
  const few = costOf(await among(0, 1))
  const more = costOf(await among(0, 10))
  const crowded = costOf(await among(60, 10))
  expect(few.modules).toBe(17 + 40)
  expect(more.modules).toBe(17 + 400)
  expect(more.seconds).toBeGreaterThan(few.seconds * 4)
  expect(crowded.casters).toBeGreaterThan(more.casters + 50)
  expect(crowded.seconds).toBeGreaterThan(more.seconds * 2)
})

test('the shipped job is far from the limit; what is beyond it says of how much', async () => {
  const world = await worldOf(job.house, option)
  const run = runOf(world, freshGraph())
  expect(costOf(run).seconds).toBeLessThan(1)
  expect(() => checkCost(run)).not.toThrow()
  const heavy = await among(300, 40)
  let fault: unknown
  try {
    checkCost(heavy)
  } catch (error) {
    fault = error
  }
  expect(fault).toBeInstanceOf(Fault)
  expect(fault).toMatchObject({ code: 'too-much-shade', data: { modules: 17 + 1600 } })
})
