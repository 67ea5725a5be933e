import { job, option, freshGraph, runOf, worldOf } from '@/town/testing'
import { siteStage } from '../stages/site'
import { panelsOf, standingById, withoutObjects } from './site'

test('what is left out is not there to be seen or met, with its modules; the rest is the same', async () => {
  const site = runOf(await worldOf(job.house, option), freshGraph()).value(siteStage)
  const seen = withoutObjects(site, new Set(['tree-1', 'array-south']))
  expect(standingById(seen, 'tree-1')).toBeUndefined()
  expect(seen.objects).toHaveLength(site.objects.length - 2)
  expect(panelsOf(seen).every(({ arrayId }) => arrayId !== 'array-south')).toBe(true)
  expect(panelsOf(seen).length).toBeGreaterThan(0)
  expect(standingById(seen, 'volume-1')).toBe(standingById(site, 'volume-1'))
  // Nothing to leave out: nothing is drawn anew.
  expect(withoutObjects(site, new Set(['gone']))).toBe(site)
})
