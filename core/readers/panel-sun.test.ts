import { freshGraph, job, option, runOf, worldOf } from '@/town/testing'
import { panelLightStage } from '../stages/panel-light'
import { panelSun } from './panel-sun'

const run = runOf(await worldOf(job.house, option), freshGraph())

test('twelve months of each module are its year, and none has more than the sunniest in the open', () => {
  const year = panelSun(run, 'year')
  const months = Array.from({ length: 12 }, (_, month) => panelSun(run, month))
  const lights = run.value(panelLightStage).map(({ value }) => value)
  expect(year.kwhM2).toHaveLength(lights.length)
  expect(year.bestKwhM2).toBeCloseTo(Math.max(...lights.map(({ unshadedKwhM2 }) => unshadedKwhM2)), 6)
  lights.forEach(({ meanKwhM2 }, i) => {
    expect(year.kwhM2[i]).toBeCloseTo(meanKwhM2, 2)
    expect(months.reduce((sum, { kwhM2 }) => sum + (kwhM2[i] ?? 0), 0)).toBeCloseTo(meanKwhM2, 2)
  })
  for (const { kwhM2, bestKwhM2 } of [year, ...months])
    for (const one of kwhM2) expect(one).toBeLessThanOrEqual(bestKwhM2 * 1.000001)
  expect(months[5]?.bestKwhM2).toBeGreaterThan(1.5 * (months[11]?.bestKwhM2 ?? Infinity))
})
