import { freshGraph, job, option, rack, runOf, worldOf } from '@/town/testing'
import { panelLightStage } from '../stages/panel-light'
import { planeLightStage } from '../stages/plane-light'
import { siteStage } from '../stages/site'
import { sunStage } from '../stages/sun'
import { visibilityStage } from '../stages/visibility'
import { shadeCsv, type ShadeGrouping } from './shade-csv'

const graph = freshGraph()
const world = await worldOf(job.house, { ...option, [rack.id]: rack })
const run = runOf(world, graph)
const names: Readonly<Record<string, string>> = { 'array-south': 'South, house', 'array-west': 'West' }
const tableOf = (grouping: ShadeGrouping) => {
  const text = shadeCsv(run, grouping, (id) => names[id] ?? id, world.weather.value.timeZoneHours)
  const [header = '', ...rows] = text.trim().split('\n')
  return { header, rows: rows.map((row) => row.split(',')) }
}

test('every hour of the year has a factor for each column, with the offset of its clock', () => {
  const { header, rows } = tableOf('array')
  expect(header).toBe(
    `time,"South, house beam","South, house sky",West beam,West sky,${rack.id} beam,${rack.id} sky`,
  )
  expect(rows).toHaveLength(8760)
  expect(rows[0]?.[0]).toBe('2025-01-01T00:00-05:00')
  for (const row of rows)
    for (const cell of row.slice(1)) if (!(Number(cell) >= 0 && Number(cell) <= 1)) throw new Error(cell)
  // At night nothing stands in the way.
  expect(rows[0]?.slice(1, 4)).toEqual(['1', rows[4000]?.[2], '1'])
})

test('module by module the factors take from the beam what the shade bill charges', () => {
  const { rows } = tableOf('module')
  const sun = run.value(sunStage)
  const planes = run.value(planeLightStage)
  const lights = run.value(panelLightStage)
  let at = 0
  let worst = 0
  run.value(siteStage).arrays.forEach(({ panels }, a) => {
    for (let p = 0; p < panels.length; p++) {
      const column = 1 + 2 * at
      const direct = planes[a]?.value.direct
      const charged = lights[at]?.value.lostTo.reduce((sum, { beamKwhM2 }) => sum + beamKwhM2, 0) ?? NaN
      let lost = 0
      sun.interval.forEach((interval, entry) => {
        lost += ((direct?.[entry] ?? NaN) * (1 - Number(rows[interval]?.[column]))) / 1000
      })
      worst = Math.max(worst, Math.abs(lost - charged))
      at++
    }
  })
  expect(at).toBe(lights.length)
  // Written with five digits.
  expect(worst).toBeLessThan(0.05)
})

test('an array has the mean of its modules; arrays that look the same way are one column', () => {
  const { panels } = run.value(siteStage).arrays[0] ?? { panels: [] }
  const modules = tableOf('module').rows
  const array = tableOf('array').rows
  for (const hour of [3000, 3001, 3800, 4402, 6000]) {
    const mean = panels.reduce((sum, _, p) => sum + Number(modules[hour]?.[1 + 2 * p]), 0) / panels.length
    expect(Number(array[hour]?.[1])).toBeCloseTo(mean, 4)
  }
  const facing = new Set(
    run
      .value(siteStage)
      .arrays.map(({ plane }) => `${plane.pitchDeg.toFixed(1)} ${plane.azimuthDeg.toFixed(1)}`),
  )
  expect(tableOf('direction').header.split(',')).toHaveLength(1 + 2 * facing.size)
  expect(tableOf('direction').header).toContain('tilt 34.0 azimuth ')
  expect(tableOf('plane').header.split(',').length).toBeGreaterThanOrEqual(1 + 2 * facing.size)
  expect(run.value(visibilityStage)).toHaveLength((modules[0]?.length ?? 0) / 2 - 0.5)
})
