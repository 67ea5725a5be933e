import { freshGraph, job, option, rack, runOf, worldOf } from '@/town/testing'
import { siteStage } from '../stages/site'
import { ownOutlines } from './own-outlines'
import { panelsOf } from './site'

const siteWith = async (objects = option) =>
  runOf(await worldOf(job.house, objects), freshGraph()).value(siteStage)

test('houses and modules on racks of the job: no neighbour, no tree, no module on a roof', async () => {
  const [plain, racked] = [await siteWith(), await siteWith({ ...option, [rack.id]: rack })]
  const own = ownOutlines(plain)
  const house = plain.objects.find(({ geometry }) => geometry.faces.length > 0 && !geometry.faded)
  expect(own).toEqual(expect.arrayContaining(house?.geometry.plan.map(({ points }) => points) ?? []))
  const neighbours = plain.objects.filter(({ geometry }) => geometry.faded)
  expect(neighbours.length).toBeGreaterThan(0)
  for (const { geometry } of neighbours)
    for (const { points } of geometry.plan) expect(own).not.toContainEqual(points)
  const onRack = panelsOf(racked).filter(({ arrayId }) => arrayId === rack.id)
  expect(onRack.length).toBeGreaterThan(0)
  expect(ownOutlines(racked)).toHaveLength(own.length + onRack.length)
})
