import { type Made } from '../after/made'
import { Keyed } from '../graph/keyed'
import { acStage } from '../stages/ac'
import { stringShareStage } from '../stages/dc'
import { dispatchStage } from '../stages/dispatch'
import { stringsStage } from '../stages/strings'
import { type WeatherYear } from '../weather/weather-year'
import { weatherIn } from '@/services/weather'
import { freshGraph, job, set, worldOf } from '@/town/testing'
import { stationEpw } from '@/town/stations'
import { yearAfter, yearsOfMade } from './year-after'

const patience = { atMostMs: Infinity, pause: async () => true }
const hourMs = 3_600_000
const world = await worldOf()
const graph = freshGraph()
const weathers = new Map<number, Keyed<WeatherYear>>()
const made = new Map<number, Float64Array>()
for (const year of [2025, 2026]) {
  const weather = weatherIn(stationEpw(world.station.id, year) ?? '')
  const run = graph.open({ ...world, weather })
  await run.prepare([acStage], patience)
  weathers.set(year, weather)
  made.set(year, run.value(acStage).kwhByInterval)
}
const from = Date.UTC(2025, 8, 1) / hourMs
const madeWith = (change: (kwh: number, hour: number) => number): Made => ({
  by: 'hours',
  problems: [],
  spans: Array.from({ length: 8760 }, (_, k) => {
    const at = new Date((from + k) * hourMs)
    const hour = (at.getTime() - Date.UTC(at.getUTCFullYear(), 0, 1)) / hourMs
    return { fromHour: from + k, hours: 1, kwh: change(made.get(at.getUTCFullYear())?.[hour] ?? 0, from + k) }
  }),
})

test('a house that runs as its model does makes what is expected to the kilowatt-hour, and nothing is off', async () => {
  const given = madeWith((kwh) => kwh)
  expect(yearsOfMade(given)).toEqual([2025, 2026])
  const report = await yearAfter(graph, world, given, weathers, null, patience)
  expect(report.total.madeKwh).toBeCloseTo(report.total.expectedKwh, 6)
  expect(report.changes).toEqual([])
  expect(report.outages).toEqual([])
  expect(report.lid).toBeNull()
  // What was promised is the typical year of the option, whole.
  const run = graph.open(world)
  await run.prepare([acStage], patience)
  expect(report.total.promisedKwh).toBeCloseTo(
    run.value(acStage).kwhByInterval.reduce((sum, kwh) => sum + kwh, 0),
    6,
  )
})

test('what may not go out is neither promised nor expected: a limit on exports is no fault of the modules', async () => {
  const limited = await worldOf(set(job.house, 'site', { exportLimitKw: 1.5 }))
  const run = graph.open(limited)
  await run.prepare([acStage, dispatchStage], patience)
  const sumOf = (values: Float64Array) => values.reduce((sum, kwh) => sum + kwh, 0)
  const kept = sumOf(run.value(dispatchStage).curtailed)
  expect(kept).toBeGreaterThan(300)
  const whole = sumOf(run.value(acStage).kwhByInterval)
  const report = await yearAfter(
    graph,
    limited,
    madeWith((kwh) => kwh),
    weathers,
    null,
    patience,
  )
  expect(report.yieldKwh).toBeCloseTo(whole, 6)
  expect(report.total.promisedKwh).toBeCloseTo(whole - kept, 6)
  expect(report.total.expectedKwh).toBeLessThan(report.total.madeKwh - 300)
  // Without a limit nothing is held back.
  const free = await yearAfter(
    graph,
    world,
    madeWith((kwh) => kwh),
    weathers,
    null,
    patience,
  )
  expect(free.total.promisedKwh).toBeCloseTo(free.yieldKwh, 6)
})

test('a string that has gone is called by its name', async () => {
  const run = graph.open(world)
  await run.prepare([stringShareStage], patience)
  const shares = run.value(stringShareStage)
  const strings = run.value(stringsStage).strings
  const [last] = strings.slice(-1)
  const gone = Date.UTC(2026, 3, 20) / hourMs
  const share = shares.at(-1) ?? 0
  const report = await yearAfter(
    graph,
    world,
    madeWith((kwh, hour) => (hour >= gone ? kwh * (1 - share) : kwh)),
    weathers,
    null,
    patience,
  )
  expect(report.changes).toHaveLength(1)
  expect(Math.abs((report.changes[0]?.day ?? 0) - gone / 24)).toBeLessThanOrEqual(2)
  expect(report.changes[0]?.cause).toEqual({ is: 'string', stringId: last?.id, share })
})

test('weather that nobody has, or by another standard time, is not taken for what was', async () => {
  const [first] = weathers
  if (!first) throw new Error('there is weather')
  const elsewhere = new Map(
    [...weathers].map(([year, { key, value }]) => [
      year,
      new Keyed(`${key} 3`, { ...value, timeZoneHours: 3 }),
    ]),
  )
  for (const known of [new Map([first]), elsewhere]) {
    const report = await yearAfter(
      graph,
      world,
      madeWith((kwh) => kwh),
      known,
      null,
      patience,
    )
    expect(report.weatherKnown).toBe(false)
    expect(report.total.expectedKwh).toBeCloseTo(report.total.promisedKwh, 6)
  }
})
