import { checkOutline } from '@/core/roof/check-outline'
import { housesEach, practiceHouse, practiceKinds } from './houses'
import { planesSeen, truthOf } from './truth'
import { surveyed } from './survey'

test('sixty-four houses of each kind, all of them roofs; the same for the same seed', () => {
  expect(housesEach).toBeGreaterThanOrEqual(60)
  for (const kind of practiceKinds) {
    const forms = new Set<string>()
    for (let house = 0; house < housesEach; house++) {
      const { lot, outline } = practiceHouse(12, kind, house)
      checkOutline(outline)
      const planes = planesSeen(lot)
      expect(planes.length).toBeGreaterThan(0)
      forms.add(lot.volumes.map(({ edges, flat }) => `${edges.length}${flat ? 'f' : ''}`).join('+'))
      for (const { areaM2, corners } of planes) {
        expect(areaM2).toBeGreaterThan(0)
        expect(corners.every((corner) => corner.every(Number.isFinite))).toBe(true)
      }
    }
    expect(forms.size).toBeGreaterThan(2)
  }
  expect(practiceHouse(12, 'pellworth', 5)).toMatchObject({
    outline: practiceHouse(12, 'pellworth', 5).outline,
  })
  expect(practiceHouse(13, 'pellworth', 5).outline).not.toEqual(practiceHouse(12, 'pellworth', 5).outline)
})

test('heights scatter about what stands there as they were told to, and some are missing', () => {
  const place = practiceHouse(12, 'tarrowee', 9)
  const flight = { cellM: 0.5, noiseM: 0.1, seed: 3 }
  const { grid } = surveyed(place, flight)
  const calm = surveyed(place, { ...flight, noiseM: 0 }).grid
  const known = [...grid.heights].filter((height) => !Number.isNaN(height))
  expect(known.length).toBeGreaterThan(0.95 * grid.heights.length)
  expect(known.length).toBeLessThan(grid.heights.length)
  const off = [...grid.heights].flatMap((height, k) => {
    const own = calm.heights[k] ?? NaN
    return Number.isNaN(height) || Number.isNaN(own) ? [] : [height - own]
  })
  const rms = Math.sqrt(off.reduce((sum, one) => sum + one * one, 0) / off.length)
  expect(Math.abs(rms - 0.1)).toBeLessThan(0.005)
  const { groundM, planes } = truthOf(place)
  expect(Math.min(...planes.flatMap(({ corners }) => corners.map((corner) => corner[2])))).toBeGreaterThan(
    groundM + 2,
  )
})
