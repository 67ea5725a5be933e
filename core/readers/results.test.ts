import { freshGraph, job, option, rack, runOf, set, withBattery, worldOf } from '@/town/testing'
import { stationWeather } from '@/town/stations'
import { plainEnglish } from '@/words/plain-english'
import { lossNames } from '../energy/loss-chain'
import { type Run } from '../graph/run'
import { type Objects } from '../kinds/documents'
import { type LineId } from '../model/ledger'
import { billThenStage } from '../stages/bills'
import { yearsStage } from '../stages/finance'
import { powerStage } from '../stages/power'
import { shadeBillStage } from '../stages/shade-bill'
import { stringsStage } from '../stages/strings'
import { type World } from '../stages/world'
import { checksOf, ledgerOf } from './ledger'
import { hourlyCsv, monthlyCsv } from './results-csv'
import { summarise } from './summary'
import { type OwnWeather } from '@/services/world-of'
import { explained } from '@/words/explained'

const graph = freshGraph()
const worldAnd = async (house: Objects = job.house, objects: Objects = option, own?: OwnWeather) => {
  const world = await worldOf(house, objects, own)
  return { world, run: runOf(world, graph) }
}
const runWith = async (...given: Parameters<typeof worldAnd>) => (await worldAnd(...given)).run
const lineIn = (run: Run<World>, id: LineId) => ledgerOf(run).find((line) => line.id === id)
const valueOf = (run: Run<World>, id: LineId) => lineIn(run, id)?.value ?? NaN
const checkOf = (run: Run<World>, id: string) => checksOf(run).find((check) => check.id === id)
const summaryOf = async (objects = option) => {
  const { world, run } = await worldAnd(job.house, objects)
  return summarise(run, world)
}

test('tables: twelve months that add up to the year, column by column', async () => {
  const summary = await summaryOf()
  const [header = '', ...months] = monthlyCsv(summary).trim().split('\n')
  expect(months.map((row) => row.slice(0, 7))).toEqual(
    Array.from({ length: 12 }, (_, m) => `2025-${String(m + 1).padStart(2, '0')}`),
  )
  const names = header.split(',')
  const columns = Object.fromEntries(
    names.slice(1).map((name, c) => [name, months.map((row) => Number(row.split(',')[c + 1]))]),
  )
  const sum = (name: string) => columns[name]?.reduce((s, value) => s + value, 0) ?? NaN
  const line = (id: LineId) => summary.ledger.find((one) => one.id === id)?.value ?? NaN
  expect(sum('irradiationKwhM2')).toBeCloseTo((line('sun-on-modules') / summary.powerW) * 1000, 1)
  expect(sum('sunKwh')).toBeCloseTo(line('sun-on-modules'), 1)
  const losses = { reflection: 'reflection', shade: 'shade', heat: 'heat', low_light: 'low-light' } as const
  for (const [column, id] of Object.entries(losses)) expect(sum(`${column}LostKwh`)).toBeCloseTo(-line(id), 1)
  expect(sum('yieldKwh')).toBeCloseTo(line('yield'), 1)
  expect(sum('loadKwh')).toBeCloseTo(11_400, 1)
  expect(sum('usedKwh')).toBeCloseTo(line('used'), 1)
  expect(sum('billBefore')).toBeCloseTo(line('bill-now'), 1)
  expect(sum('billAfter')).toBeCloseTo(line('bill-then'), 1)
  expect(sum('value')).toBeCloseTo(line('bill-now') - line('bill-then'), 1)
  expect(sum('boughtKwh')).toBeCloseTo(line('bought'), 1)
  expect(sum('soldKwh')).toBeCloseTo(line('sold'), 1)
  for (const m of months.keys()) {
    const at = (name: string) => columns[name]?.[m] ?? NaN
    const lost = names.filter((name) => name.endsWith('LostKwh')).reduce((s, name) => s + at(name), 0)
    expect(at('sunKwh') - lost).toBeCloseTo(at('yieldKwh'), 1)
    expect(at('usedKwh') + at('boughtKwh')).toBeCloseTo(at('loadKwh'), 3)
    expect(at('usedKwh') + at('soldKwh') + at('batteryLostKwh') + at('curtailedKwh')).toBeCloseTo(
      at('yieldKwh'),
      2,
    )
  }
  for (const name of lossNames) expect(summary.chain.lost[name].monthly).toHaveLength(12)
})

test.each([
  ['without a battery', false],
  ['with one', true],
])('tables: every hour with its offset, as the carpet has it, %s', async (_, stores) => {
  const summary = await summaryOf(stores ? withBattery : option)
  const [header, ...hours] = hourlyCsv(summary, summary.timeZoneHours).trim().split('\n')
  expect(header).toBe(
    'time,lightOnModulesWm2,shadeShare,yieldKwh,loadKwh,boughtKwh,soldKwh,chargedKwh,dischargedKwh,batteryOwnKwh,storedKwh,curtailedKwh,priceNowPerKwh,priceWithSolarPerKwh',
  )
  expect(hours).toHaveLength(8760)
  expect(hours[0]).toMatch(/^2025-01-01T00:00-05:00,/)
  expect(hours.at(-1)).toMatch(/^2025-12-31T23:00-05:00,/)
  const { carpet } = summary
  for (const i of [12, 4000, 8000]) {
    const values = (hours[i] ?? '').split(',').slice(1).map(Number)
    const shown = [
      carpet.sun[i],
      carpet.shade[i],
      carpet.yield[i],
      carpet.load[i],
      carpet.bought[i],
      carpet.sold[i],
      carpet.charged[i],
      carpet.discharged[i],
      carpet.standbyKwh,
      carpet.battery[i],
      carpet.curtailed[i],
      carpet.priceNow[i],
      carpet.price[i],
    ]
    // Seven significant digits.
    shown.forEach((value = NaN, c) =>
      expect(Math.abs((values[c] ?? NaN) - value)).toBeLessThanOrEqual(Math.abs(value) * 5e-7),
    )
  }
  for (const row of hours) {
    const [, , made = 0, load = 0, bought = 0, sold = 0, charged = 0, given = 0, own = 0, , curtailed = 0] =
      row.split(',').slice(1).map(Number)
    expect(made + bought + given).toBeCloseTo(load + own + sold + charged + curtailed, 5)
  }
  expect(carpet.standbyKwh > 0).toBe(stores)
})

test('a rack on the ground adds its modules, turning adds to them, and rows shade each other', async () => {
  const withRack = (changed: object) =>
    runWith(job.house, set({ ...option, 'rack-1': rack }, 'rack-1', { removed: ['0:0'], ...changed }))
  const plain = await runWith()
  const fixed = await withRack({})
  expect(fixed.value(powerStage).count).toBe(plain.value(powerStage).count + 9)
  expect(valueOf(fixed, 'yield')).toBeGreaterThan(valueOf(plain, 'yield'))
  const turning = await withRack({ tracking: 'one-axis', tiltDeg: 0, azimuthDeg: 0 })
  expect(valueOf(turning, 'sun-on-modules')).toBeGreaterThan(valueOf(fixed, 'sun-on-modules'))
  const close = await withRack({ rowPitchM: 1.9 })
  expect(close.value(shadeBillStage).casters.find(({ id }) => id === 'rack-1')?.kwh).toBeGreaterThan(20)
  expect(valueOf(close, 'shade')).toBeLessThan(valueOf(fixed, 'shade'))
})

test('mounting, months of dirt and albedo reach the yield', async () => {
  const array = Object.values(option).find((object) => object.kind === 'array')
  if (!array) throw new Error('the shipped job has arrays')
  const base = valueOf(await runWith(), 'yield')
  expect(valueOf(await runWith(job.house, set(option, array.id, { liftM: 0.3 })), 'yield')).toBeGreaterThan(
    base,
  )
  const soiling = Array.from({ length: 12 }, (_, m) => (m === 5 ? 0.3 : 0.02))
  expect(valueOf(await runWith(job.house, set(option, 'losses', { soiling })), 'yield')).toBeLessThan(base)
  const bright = set(job.house, 'site', { albedoByMonth: new Array(12).fill(0.6) })
  expect(valueOf(await runWith(bright), 'yield')).toBeGreaterThan(base)
})

test('a loss of one’s own that is computed already is named, with a remedy that takes it away', async () => {
  const other = [
    { name: 'Hail dents', share: 0.01 },
    { name: 'Shading', share: 0.03 },
  ]
  const result = await runWith(job.house, set(option, 'losses', { other }))
  const check = checkOf(result, 'counted-twice-1')
  expect(check?.severity).toBe('warning')
  expect(check?.remedy?.set.value).toEqual([other[0]])
  expect(checkOf(result, 'counted-twice-0')).toBeUndefined()
})

test('too long a string leaves the MPPT window in the cold before it breaks the inverter', async () => {
  const long = await runWith(
    job.house,
    set(option, 'electrical', { inverterId: 'halyard-7600', modulesPerString: 14 }),
  )
  const strings = long.value(stringsStage).strings.map((string) => string.panelIds.length)
  expect(Math.max(...strings)).toBeLessThanOrEqual(14)
  const { window } = long.value(stringsStage)
  expect(window.most).toBeLessThanOrEqual(window.mostStanding)
  expect(window.coldVmpV * window.most).toBeLessThanOrEqual(550)
})

test('weather of one’s own is used as it is; when it is not at hand a station stands in and says so', async () => {
  const chosen = set(job.house, 'site', { stationId: 'file-0123456789abcdef01234567' })
  const year = stationWeather('gulf-jetty')?.year
  if (!year) throw new Error('the station is known')
  const { world, run: own } = await worldAnd(chosen, option, { id: '0123456789abcdef01234567', year })
  expect(world.station.name).toBe('Gulf Jetty')
  expect(checkOf(own, 'station-far')?.severity).toBe('warning')
  expect(checkOf(own, 'weather-missing')).toBeUndefined()
  const { world: other, run: without } = await worldAnd(chosen)
  expect(checkOf(without, 'weather-missing')?.remedy?.set).toEqual({
    id: 'site',
    field: 'stationId',
    value: null,
  })
  expect(other.station.name).toBe('Pellworth Pier')
})

test('another sky model is another yield, and says so', async () => {
  const base = await runWith()
  const other = await runWith(set(job.house, 'site', { skyModel: 'hay-davies' }))
  expect(Math.abs(valueOf(other, 'sun-on-modules') / valueOf(base, 'sun-on-modules') - 1)).toBeLessThan(0.05)
  expect(valueOf(other, 'sun-on-modules')).not.toBe(valueOf(base, 'sun-on-modules'))
  const line = lineIn(other, 'sun-on-modules')
  expect(line && explained(plainEnglish, line).source).toContain('Hay & Davies 1980')
})

test('a year of quarter hours runs through to payback and says what the hours say', async () => {
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
  const { world, run: fine } = await worldAnd(job.house, option, { id: 'quarters', year })
  const coarse = await runWith()
  const alike = (id: LineId, share: number) =>
    expect(Math.abs(valueOf(fine, id) / valueOf(coarse, id) - 1)).toBeLessThan(share)
  alike('yield', 0.03)
  alike('bill-now', 0.001)
  alike('bill-then', 0.03)
  alike('payback', 0.04)
  expect(summarise(fine, world).carpet.yield).toHaveLength(35_040)
}, 60_000)

test('the bill of the first year to come is the bill after, with and without a battery', async () => {
  for (const batteryId of [null, 'kestrelite-10']) {
    const result = await runWith(
      job.house,
      set(set(option, 'storage', { batteryId, count: 1 }), 'offer', { replacements: [] }),
    )
    const atTodays = result.value(yearsStage)
    expect(atTodays).toHaveLength(25)
    expect(atTodays[0]?.bill).toBeCloseTo(result.value(billThenStage).annual, 6)
    // Older modules make less, so the bill at today's prices grows.
    atTodays.slice(1).forEach(({ bill }, y) => expect(bill).toBeGreaterThan(atTodays[y]?.bill ?? NaN))
  }
})
