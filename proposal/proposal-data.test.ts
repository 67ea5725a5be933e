import { summarise } from '@/core/readers/summary'
import { alteration, freshGraph, job, option, runOf, worldOf } from '@/town/testing'
import { proposalData } from './proposal-data'

const dataOf = async (objects = option) => {
  const world = await worldOf(job.house, objects)
  const run = runOf(world, freshGraph())
  return proposalData(job.name, world, run, summarise(run, world))
}

test('the customer is told what the figures take to be otherwise, by name; nothing where all stands as it is', async () => {
  const tree = job.house['tree-2']
  const { takenAs, standing } = await dataOf({ ...option, [alteration.id]: alteration })
  expect(takenAs).toEqual([
    { name: tree && 'name' in tree ? tree.name : '', what: 'gone', heightM: 5, years: 10 },
  ])
  // Nor is it in the picture.
  expect(standing.objects.map(({ id }) => id)).not.toContain('tree-2')
  expect((await dataOf()).takenAs).toEqual([])
})

test('nothing leaves the server that the customer’s page does not show', async () => {
  const { standing, summary } = await dataOf()
  expect(Object.keys(summary).sort()).toEqual(['cash', 'ledger', 'monthly'])
  for (const { geometry } of standing.objects) {
    expect([geometry.solids, geometry.keepOuts, geometry.faces]).toEqual([[], [], []])
    expect(geometry.field).toBeNull()
  }
})
