import { toRadians } from '../model/units'
import { seededRandom } from '../model/random'
import { farHorizon } from './far-horizon'
import { horizonLine, type HorizonPoint } from './horizon-line'

test('a line begins and ends at its azimuth, between its neighbours round the circle', () => {
  const heights: HorizonPoint[] = [
    [350, 10],
    [10, 30],
    [180, 0],
  ]
  expect(horizonLine(heights, 0)).toEqual([
    [0, 20],
    [10, 30],
    [180, 0],
    [350, 10],
    [360, 20],
  ])
  expect(horizonLine(heights, 180)[1]).toEqual([180, 0])
  expect(horizonLine(heights, 180).at(-1)).toEqual([540, 0])
  expect(horizonLine([], 0)).toEqual([])
  expect(horizonLine([[90, 7]], 0)).toEqual([
    [0, 7],
    [90, 7],
    [360, 7],
  ])
})

test('it runs where the horizon hides, over seeded horizons', () => {
  const random = seededRandom(9)
  for (let round = 0; round < 300; round++) {
    const heights = Array.from({ length: 2 + Math.floor(random() * 9) }, (): HorizonPoint => [
      random() * 360,
      random() * 40,
    ])
    const hides = farHorizon(heights)
    const line = horizonLine(heights, round % 2 === 0 ? 0 : 180)
    line.slice(1).forEach(([to, high], i) => {
      const [from, low] = line[i] ?? [to, high]
      if (to - from < 0.5) return
      const azimuth = toRadians((from + to) / 2)
      const at = (off: number) => {
        const elevation = toRadians((low + high) / 2 + off)
        const level = Math.cos(elevation)
        return hides(level * Math.sin(azimuth), level * Math.cos(azimuth), Math.sin(elevation))
      }
      expect([at(-0.01), at(0.01)]).toEqual([true, false])
    })
  }
})
