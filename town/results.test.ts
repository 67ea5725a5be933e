import { type AnyObject, type Objects } from '@/core/model/document'
import { defaultRack } from '@/core/model/kinds/rack'
import { checksOf } from '@/core/pipeline/checks'
import { ledgerOf } from '@/core/pipeline/ledger'
import { lossNames } from '@/core/pipeline/loss-chain'
import { Pipeline } from '@/core/pipeline/pipeline'
import { hourlyCsv, monthlyCsv } from '@/core/pipeline/results-csv'
import { summarise } from '@/core/pipeline/summary'
import { saltmarshJob } from './shipped-job'
import { stationWeather } from './stations'
import { worldInput } from './world-input'

const job = saltmarshJob()
const option = job.options[0]?.objects ?? {}
const pipeline = new Pipeline()
const set = (objects: Objects, id: string, fields: object): Objects => ({
  ...objects,
  [id]: { ...objects[id], ...fields } as AnyObject,
})
const run = (house = job.house, objects = option) => pipeline.run(worldInput(house, objects))
const valueOf = (result: ReturnType<typeof run>, id: string) =>
  ledgerOf(result).find((line) => line.id === id)?.value ?? NaN
const checkOf = (result: ReturnType<typeof run>, id: string) =>
  checksOf(result).find((check) => check.id === id)

test('the ledger’s lines from the sun down add up to the yield', () => {
  const lines = ledgerOf(run()).filter((line) => line.group === 'sun')
  const parts = lines.filter((line) => line.id !== 'yield').reduce((sum, line) => sum + (line.value ?? 0), 0)
  expect(parts).toBeCloseTo(lines.find((line) => line.id === 'yield')?.value ?? NaN, 6)
  for (const line of lines) expect(line.explanation.source).not.toBe('')
})

test('tables: twelve months whose sums are the year’s, and every hour with its offset', () => {
  const summary = summarise(run())
  const [header = '', ...months] = monthlyCsv(summary).trim().split('\n')
  expect(months).toHaveLength(12)
  const column = header.split(',').indexOf('yieldKwh')
  const sum = months.reduce((s, row) => s + Number(row.split(',')[column]), 0)
  expect(sum).toBeCloseTo(summary.chain.ac.kwh, 1)
  for (const name of lossNames) expect(summary.chain.lost[name].monthly).toHaveLength(12)
  const hours = hourlyCsv(summary, summary.timeZoneHours).trim().split('\n')
  expect(hours).toHaveLength(8761)
  expect(hours[1]).toMatch(/^2025-01-01T00:00-05:00,/)
  const made = hours.slice(1).reduce((s, row) => s + Number(row.split(',')[3]), 0)
  expect(made).toBeCloseTo(summary.chain.ac.kwh, 0)
})

test('a rack on the ground adds its modules, turning adds to them, and rows shade each other', () => {
  const rack = {
    ...defaultRack,
    id: 'rack-1',
    name: 'Meadow',
    center: [0, -60],
    azimuthDeg: 180,
    removed: ['0:0'],
  }
  const withRack = (changed: object) =>
    run(job.house, { ...option, 'rack-1': { ...rack, ...changed } as unknown as AnyObject })
  const plain = run()
  const fixed = withRack({})
  expect(fixed.count).toBe(plain.count + 9)
  expect(valueOf(fixed, 'yield')).toBeGreaterThan(valueOf(plain, 'yield'))
  const turning = withRack({ tracking: 'one-axis', tiltDeg: 0, azimuthDeg: 0 })
  expect(valueOf(turning, 'sun-on-modules')).toBeGreaterThan(valueOf(fixed, 'sun-on-modules'))
  const close = withRack({ rowPitchM: 1.9 })
  expect(close.panelLights.at(-1)?.some(({ light }) => (light.lostTo['rack-1'] ?? 0) > 20)).toBe(true)
  expect(valueOf(close, 'shade')).toBeLessThan(valueOf(fixed, 'shade'))
})

test('mounting, months of dirt and albedo reach the yield', () => {
  const array = Object.values(option).find((object) => object.kind === 'array')
  if (!array) throw new Error('the shipped job has arrays')
  const base = valueOf(run(), 'yield')
  expect(valueOf(run(job.house, set(option, array.id, { mount: 'open' })), 'yield')).toBeGreaterThan(base)
  const soiling = Array.from({ length: 12 }, (_, m) => (m === 5 ? 0.3 : 0.02))
  expect(valueOf(run(job.house, set(option, 'losses', { soiling })), 'yield')).toBeLessThan(base)
  const bright = set(job.house, 'site', { albedoByMonth: new Array(12).fill(0.6) })
  expect(valueOf(run(bright), 'yield')).toBeGreaterThan(base)
})

test('a loss of one’s own that is computed already is named, with a remedy that takes it away', () => {
  const other = [
    { name: 'Hail dents', share: 0.01 },
    { name: 'Shading', share: 0.03 },
  ]
  const result = run(job.house, set(option, 'losses', { other }))
  const check = checkOf(result, 'twice-1')
  expect(check?.severity).toBe('warning')
  expect(check?.remedy?.set.value).toEqual([other[0]])
  expect(checkOf(result, 'twice-0')).toBeUndefined()
})

test('too long a string leaves the MPPT window in the cold before it breaks the inverter', () => {
  const long = run(job.house, set(option, 'electrical', { inverterId: 'halyard-7600', modulesPerString: 14 }))
  const strings = long.wiring.strings.map((string) => string.panelIds.length)
  expect(Math.max(...strings)).toBeLessThanOrEqual(14)
  const { window } = long.wiring
  expect(window.most).toBeLessThanOrEqual(window.mostStanding)
  expect(window.coldVmpV * window.most).toBeLessThanOrEqual(550)
})

test('weather of one’s own is used as it is; when it is not at hand a station stands in and says so', () => {
  const chosen = set(job.house, 'site', { stationId: 'file-0123456789abcdef01234567' })
  const year = stationWeather('gulf-jetty')?.year
  if (!year) throw new Error('the station is known')
  const own = pipeline.run(worldInput(chosen, option, { id: '0123456789abcdef01234567', year }))
  expect(own.input.station.name).toBe('Gulf Jetty')
  expect(checkOf(own, 'station-far')?.severity).toBe('warning')
  expect(checkOf(own, 'weather-missing')).toBeUndefined()
  const without = pipeline.run(worldInput(chosen, option))
  expect(checkOf(without, 'weather-missing')?.remedy?.set).toEqual({
    id: 'site',
    field: 'stationId',
    value: null,
  })
  expect(without.input.station.name).toBe('Pellworth Pier')
})

test('another sky model is another yield, and says so', () => {
  const base = run()
  const other = run(set(job.house, 'site', { skyModel: 'hay-davies' }))
  expect(Math.abs(valueOf(other, 'sun-on-modules') / valueOf(base, 'sun-on-modules') - 1)).toBeLessThan(0.05)
  expect(valueOf(other, 'sun-on-modules')).not.toBe(valueOf(base, 'sun-on-modules'))
  const source = ledgerOf(other).find((line) => line.id === 'sun-on-modules')?.explanation.source
  expect(source).toContain('Hay & Davies 1980')
})

test('a year of quarter hours runs through to payback and says what the hours say', () => {
  const hours = stationWeather('pellworth-pier')?.year
  if (!hours) throw new Error('the station is known')
  const four = (series: Float64Array) =>
    Float64Array.from({ length: series.length * 4 }, (_, i) => series[i >> 2] ?? 0)
  const year = {
    ...hours,
    stepMinutes: 15,
    ghi: four(hours.ghi),
    dni: four(hours.dni),
    dhi: four(hours.dhi),
    temperatureC: four(hours.temperatureC),
    windMs: four(hours.windMs),
    snowDepthM: hours.snowDepthM && four(hours.snowDepthM),
  }
  const fine = pipeline.run(worldInput(job.house, option, { id: 'quarters', year }))
  const coarse = run()
  const alike = (id: string, share: number) =>
    expect(Math.abs(valueOf(fine, id) / valueOf(coarse, id) - 1)).toBeLessThan(share)
  alike('yield', 0.03)
  alike('bill-now', 0.001)
  alike('bill-then', 0.03)
  alike('payback', 0.04)
  expect(summarise(fine).carpet.yield).toHaveLength(35_040)
}, 60_000)

test('the bill of the first year to come is the bill after, with and without a battery', () => {
  for (const batteryId of [null, 'kestrelite-10']) {
    const result = run(job.house, set(option, 'storage', { batteryId, count: 1 }))
    expect(result.money.years[0]?.billAfter).toBeCloseTo(result.after.bill.annual, 6)
    // Older modules make less, so the bill at today's prices grows.
    const atTodays = result.money.years.map(
      ({ billAfter }, y) => billAfter / (1 + result.offer.escalation) ** y,
    )
    expect(atTodays.at(-1)).toBeGreaterThan(atTodays[0] ?? NaN)
  }
})
