import { emptyGeometry, type Geometry } from '../kinds/standing'
import { frameOfSite } from './frame'
import { type Site } from './site'

const object = (id: string, geometry: Partial<Geometry>) => ({
  id,
  kind: 'volume' as const,
  key: id,
  geometry: { ...emptyGeometry, ...geometry },
  whole: emptyGeometry,
})
const site: Site = {
  objects: [
    object('house', {
      frame: [
        [-4, -3],
        [4, 3],
      ],
    }),
    object('oak', {
      plan: [
        {
          tone: 'tree',
          points: [
            [16, 0],
            [20, 0],
          ],
        },
      ],
    }),
  ],
  arrays: [],
  faces: [],
  orphaned: [],
  faults: [],
}

test('frames the house alone, or with what is named besides', () => {
  expect(frameOfSite(site)).toEqual({ middle: [0, 0], radiusM: 5 })
  const wide = frameOfSite(site, new Set(['oak']))
  expect(wide?.middle).toEqual([8, 0])
  expect(wide?.radiusM).toBeCloseTo(Math.hypot(12, 3), 9)
  expect(frameOfSite(site, new Set(['nobody']))).toEqual(frameOfSite(site))
})

test('without a house there is nothing to frame, whatever stands around', () => {
  expect(frameOfSite({ ...site, objects: site.objects.slice(1) }, new Set(['oak']))).toBeNull()
})
