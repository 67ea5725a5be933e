import { freshGraph, option, job, runOf, worldOf } from '@/town/testing'
import { containsPoint } from '@/core/geometry/polygon'
import { type Vec2 } from '@/core/geometry/vector'
import { planOf } from '@/core/roof/plane'
import { emptySite, isRoofed } from '@/core/site/site'
import { siteStage } from '@/core/stages/site'
import { placesForReadings } from './new-readings'

const apart = (places: readonly Vec2[]) =>
  Math.min(...places.flatMap((a, i) => places.slice(i + 1).map((b) => Math.hypot(a[0] - b[0], a[1] - b[1]))))

test('they come to lie side by side on the largest plane, and free of those that lie there', async () => {
  const site = runOf(await worldOf(job.house, option), freshGraph()).value(siteStage)
  const largest = site.objects
    .filter(isRoofed)
    .flatMap(({ geometry }) => geometry.faces)
    .reduce((a, b) => (b.areaM2 > a.areaM2 ? b : a))
  const first = placesForReadings(site, [], 3)
  const more = placesForReadings(site, first, 2)
  expect(apart([...first, ...more])).toBeGreaterThanOrEqual(0.999)
  for (const place of [...first, ...more]) expect(containsPoint(planOf(largest.corners), place)).toBe(true)
})

test('more than a plane has room for, and where there is no roof, each has a place', async () => {
  const site = runOf(await worldOf(job.house, option), freshGraph()).value(siteStage)
  expect(placesForReadings(site, [], 60)).toHaveLength(60)
  const open = placesForReadings(emptySite, [], 4)
  expect(open[0]).toEqual([0, 0])
  expect(apart(open)).toBeGreaterThanOrEqual(0.999)
})
