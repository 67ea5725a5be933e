import { freshGraph, job, option, runOf, worldOf } from '@/town/testing'
import { lightSeriesStage } from '../stages/light-series'
import { shadeBillStage } from '../stages/shade-bill'
import { panelLightStage } from '../stages/panel-light'
import { siteStage } from '../stages/site'
import { sunStage } from '../stages/sun'
import { moduleIn } from '../stages/world'
import { zone, zones } from '../shade/sky-zones'
import { accessCsv, accessIn, accessOver, partLight } from './part-light'

const world = await worldOf(job.house, option)
const run = runOf(world, freshGraph())
const partOf = (...ids: string[]) => {
  const part = partLight(run, ids)
  if (!part) throw new Error(`nothing is laid as ${ids.join(', ')}`)
  return part
}
const sum = (values: ArrayLike<number>) => Array.from(values).reduce((a, b) => a + b, 0)
const all = partOf()
const { arrays } = run.value(siteStage)
const lights = run.value(panelLightStage).map(({ value }) => value)

test('all modules are the system: the same light and shade, hour by hour', () => {
  const series = run.value(lightSeriesStage)
  expect(all.modules).toBe(lights.length)
  expect(all.sun).toEqual(series.sun)
  expect(all.shade).toEqual(series.shade)
})

test('a module’s year is the one of its light; arrays are the means of theirs', () => {
  const ids = arrays.flatMap(({ panels }) => panels.map(({ id }) => id))
  for (const m of [0, 7, ids.length - 1]) {
    const part = partOf(ids[m] ?? '')
    const light = lights[m]
    expect(part.modules).toBe(1)
    expect(sum(part.all.open)).toBeCloseTo(light?.unshadedKwhM2 ?? NaN, 6)
    expect(sum(part.all.left)).toBeCloseTo(light?.meanKwhM2 ?? NaN, 3)
    expect(accessOver(part.all)).toBeCloseTo((light?.meanKwhM2 ?? NaN) / (light?.unshadedKwhM2 ?? 1), 6)
  }
  let first = 0
  for (const { id, panels } of arrays) {
    const own = lights.slice(first, (first += panels.length))
    expect(sum(partOf(id).all.open) * panels.length).toBeCloseTo(
      own.reduce((total, { unshadedKwhM2 }) => total + unshadedKwhM2, 0),
      5,
    )
  }
  expect(partLight(run, ['no-such-module'])).toBeNull()
})

test('what is lost by month, by patch of the sky and by caster is one and the same', () => {
  const { beam, sky, lostByZone, modules } = all
  const lostBeam = sum(beam.open) - sum(beam.left)
  expect(sum(lostByZone)).toBeCloseTo(lostBeam, 6)
  const nominal = ((lostBeam + sum(sky.open) - sum(sky.left)) * modules * moduleIn(world).powerW) / 1000
  const billed = run.value(shadeBillStage).casters.reduce((total, { kwh }) => total + kwh, 0)
  expect(nominal / billed).toBeCloseTo(1, 4)
  expect(lostBeam).toBeGreaterThan(1)
})

test('losses stand where the sun does, and the dark hours name what takes most', () => {
  const sun = run.value(sunStage)
  const ups = Array.from(sun.zenithDeg, (zenith, k) => {
    const [column, row] = [
      Math.floor((sun.azimuthDeg[k] ?? 0) / zone.azimuthDeg),
      Math.floor((90 - zenith) / zone.elevationDeg),
    ]
    return Math.max(0, row) * zones.across + (column % zones.across)
  })
  const seen = new Set(ups)
  all.lostByZone.forEach((kwh, patch) => {
    if (kwh > 0) expect(seen.has(patch)).toBe(true)
  })
  for (let i = 0; i < all.worst.length; i++)
    if ((all.shade[i] ?? 0) > 0.3 && (all.sun[i] ?? 0) > 5)
      expect(all.casters[(all.worst[i] ?? 0) - 1] ?? '').not.toBe('')
  // In the evening a neighbour or an oak is before the sun, whatever else is.
  const { casters } = run.value(shadeBillStage)
  expect(all.casters).toEqual(expect.arrayContaining(casters.slice(0, 3).map(({ id }) => id)))
})

test('the table by hour and month: shares of what there is, nothing at night, its figures in the file', () => {
  expect(accessIn(all.all, 5, 1)).toBeNull()
  const noon = accessIn(all.all, 5, 12)
  expect(noon).toBeGreaterThan(0.8)
  expect(noon).toBeLessThanOrEqual(1)
  const [header, ...rows] = accessCsv(all).trim().split('\n')
  expect(header).toBe('month,hour,unshaded kWh/m2,beam access,sky access,sun access')
  expect(rows).toHaveLength(288)
  expect(rows[5 * 24 + 1]).toBe('6,1,0,,,')
  expect(Number(rows[5 * 24 + 12]?.split(',')[5])).toBeCloseTo(noon ?? NaN, 4)
  const total = rows.reduce((kwh, row) => kwh + Number(row.split(',')[2]), 0)
  expect(total).toBeCloseTo(sum(all.all.open), 1)
})
