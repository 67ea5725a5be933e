import { freshGraph, job, option, rack, runOf, worldOf } from '@/town/testing'
import { monthsIn, sunTimes } from '../energy/sun-span'
import { shareOfYear } from '../model/model-year'
import { panelLightStage } from '../stages/panel-light'
import { visibilityStage } from '../stages/visibility'
import { panelSun } from './panel-sun'

const run = runOf(await worldOf(job.house, option), freshGraph())

test('twelve months of each module are its year, and none has more than the sunniest in the open', () => {
  const year = panelSun(run, 'year')
  const months = Array.from({ length: 12 }, (_, month) => panelSun(run, month))
  const lights = run.value(panelLightStage).map(({ value }) => value)
  expect(year.values).toHaveLength(lights.length)
  expect(year.best).toBeCloseTo(Math.max(...lights.map(({ unshadedKwhM2 }) => unshadedKwhM2)), 6)
  lights.forEach(({ meanKwhM2 }, i) => {
    expect(year.values[i]).toBeCloseTo(meanKwhM2, 2)
    expect(months.reduce((sum, { values }) => sum + (values[i] ?? 0), 0)).toBeCloseTo(meanKwhM2, 2)
  })
  for (const { values, best } of [year, ...months])
    for (const one of values) expect(one).toBeLessThanOrEqual(best * 1.000001)
  expect(months[5]?.best).toBeGreaterThan(1.5 * (months[11]?.best ?? Infinity))
})

test('hours of sun a day on each module: never more than the plane has, and the quarters make the year', () => {
  const [year, ...quarters] = sunTimes.map((time) => panelSun(run, time))
  if (!year) throw new Error('there is a year')
  const shades = run.value(visibilityStage).map(({ value }) => value)
  expect(year.values).toHaveLength(shades.length)
  const weights = sunTimes.slice(1).map((time) => shareOfYear(monthsIn(time)))
  expect(weights.reduce((sum, weight) => sum + weight, 0)).toBeCloseTo(1, 12)
  year.values.forEach((hours, i) => {
    expect(hours).toBeLessThanOrEqual(year.best * 1.000001)
    expect(hours).toBeGreaterThan(2)
    const sum = quarters.reduce((all, { values }, q) => all + (values[i] ?? 0) * (weights[q] ?? 0), 0)
    expect(sum).toBeCloseTo(hours, 4)
  })
  // A module with less shade on the same roof has more hours.
  const lost = shades.map(({ litMean }) => litMean.reduce((sum, lit) => sum + 1 - lit, 0))
  const south = lost.slice(0, 9)
  const [least, most] = [south.indexOf(Math.min(...south)), south.indexOf(Math.max(...south))]
  expect(year.values[least]).toBeGreaterThan(year.values[most] ?? Infinity)
})

test('the sun is before modules that turn with it all day: more hours than before those that lie still', async () => {
  const hoursOn = async (tracking: 'fixed' | 'two-axis') => {
    const turning = runOf(await worldOf(job.house, { ...option, rack: { ...rack, id: 'rack', tracking } }))
    return panelSun(turning, 'hours').best
  }
  const fixed = await hoursOn('fixed')
  // 4,380 h of sun a year and a little more, by how it is lifted over the horizon.
  const turned = await hoursOn('two-axis')
  expect(turned).toBeGreaterThan(12)
  expect(turned).toBeLessThan(12.4)
  expect(turned).toBeGreaterThan(fixed + 0.3)
})
