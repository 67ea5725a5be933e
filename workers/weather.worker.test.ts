import { defaultLosses } from '@/core/kinds/losses/losses'
import { ofKind } from '@/core/kinds/documents'
import { decodedHours } from '@/core/load/meter-hours'
import { meterTable } from '@/core/load/meter/testing'
import { readPlaced } from '@/core/weather/read-weather'
import { writeWeatherCsv } from '@/core/weather/write-csv'
import { catalogue } from '@/town/equipment'
import { saltmarshJob } from '@/town/shipped-job'
import { stationEpw, stationWeather } from '@/town/stations'
import { type OpenedWeather, type WeatherAnswer, type WeatherRequest } from './weather-messages'

let hear: (answer: WeatherAnswer) => void = () => undefined
const scope = {
  onmessage: null as ((event: { data: WeatherRequest }) => void) | null,
  postMessage: (answer: WeatherAnswer) => hear(answer),
}
const epw = stationEpw('pellworth-pier') ?? ''
Object.assign(globalThis, { self: scope, fetch: async () => new Response(epw) })
await import('./weather.worker')

/** Spares each case its own request id. */
type Asked = WeatherRequest extends infer R ? (R extends WeatherRequest ? Omit<R, 'id'> : never) : never
let asked = 0
const ask = (request: Asked) =>
  new Promise<WeatherAnswer>((done) => {
    const id = ++asked
    hear = (answer) => answer.id === id && done(answer)
    scope.onmessage?.({ data: { ...request, id } })
  })
const bytesOf = (text: string) => new TextEncoder().encode(text).slice().buffer
const year = stationWeather('pellworth-pier')?.year
if (!year) throw new Error('the station has a year')
const place = {
  name: 'Here',
  latitudeDeg: year.latitudeDeg,
  longitudeDeg: year.longitudeDeg,
  elevationM: year.elevationM,
  timeZoneHours: year.timeZoneHours,
}
const opened = (answer: WeatherAnswer): OpenedWeather => {
  if (answer.type !== 'opened') throw new Error(`${answer.type} was not asked for`)
  return answer.opened
}

test('before a file is open there is no table of it', async () => {
  expect(await ask({ type: 'table' })).toMatchObject({ type: 'fault', fault: { code: 'not-read-yet' } })
})

test('an EPW needs no mapping and shows its place and sums', async () => {
  const file = opened(await ask({ type: 'open', bytes: bytesOf(epw), place }))
  expect(file).toMatchObject({ kind: 'epw', mapping: null, fault: null, headings: [] })
  const sum = year.ghi.reduce((s, w) => s + w, 0) / 1000
  expect(file.reading?.ghiKwhM2).toBeCloseTo(sum, 6)
  expect(file.reading?.monthlyGhi.reduce((s, m) => s + m, 0)).toBeCloseTo(sum, 3)
})

test('a table is guessed, comes out as it went in, and says where a wrong mapping fails', async () => {
  const csv = writeWeatherCsv(year)
  const file = opened(await ask({ type: 'open', bytes: bytesOf(csv), place }))
  expect(file.kind).toBe('table')
  expect(file.rows).toBe(8760)
  expect(file.fault).toBeNull()
  if (!file.mapping) throw new Error('a table has a mapping')
  const table = await ask({ type: 'table' })
  expect(table.type === 'table' && table.csv).toBe(csv)
  expect(file.reading).toMatchObject({ stepMinutes: 60, hasSnow: true, problems: [] })
  expect(file.sample).toHaveLength(6)

  const unread = file.mapping.columns.map((column) => ({ ...column, role: 'ignore' as const }))
  const mapped = opened(
    await ask({ type: 'map', mapping: { ...file.mapping, columns: unread }, shiftMinutes: 0, place }),
  )
  expect(mapped.reading).toBeNull()
  expect(mapped.fault?.code).toBe('no-irradiance')
  // What cannot be read cannot be stored; mapped rightly again it can.
  expect(await ask({ type: 'table' })).toMatchObject({ type: 'fault', fault: { code: 'not-read-yet' } })
  const again = opened(await ask({ type: 'map', mapping: file.mapping, shiftMinutes: 60, place }))
  expect(again.shiftMinutes).toBe(60)
  expect(again.reading?.ghiKwhM2).toBeCloseTo(file.reading?.ghiKwhM2 ?? NaN, 6)
  // Moved an hour later, and stored so.
  const moved = await ask({ type: 'table' })
  if (moved.type !== 'table') throw new Error('it can be read')
  const light = readPlaced(moved.csv).year.ghi
  for (const i of [12, 4000, 8000]) expect(light[i + 1]).toBeCloseTo(year.ghi[i] ?? NaN, 3)
})

test('a file that is no weather is answered with what is wrong', async () => {
  expect(await ask({ type: 'open', bytes: new Uint8Array([0, 1, 2, 255, 0]).buffer, place })).toMatchObject({
    type: 'fault',
    fault: { code: 'not-text' },
  })
  expect(await ask({ type: 'open', bytes: bytesOf('hello'), place })).toMatchObject({
    type: 'fault',
    fault: { code: 'not-a-table' },
  })
  expect(await ask({ type: 'open', bytes: bytesOf(''), place })).toMatchObject({ fault: { code: 'empty' } })
})

test('the quick estimate is of one kilowatt: the best plane is towards the equator and beats all others', async () => {
  const job = saltmarshJob()
  const [site] = ofKind(job.house, 'site')
  const [module, inverter] = [catalogue.modules[0], catalogue.inverters[0]]
  if (!site || !module || !inverter) throw new Error('the shipped job and the catalogue are complete')
  const request = {
    type: 'estimate',
    weatherUrl: '/near.epw',
    site,
    module,
    inverter,
    losses: defaultLosses,
    mount: 'close',
  } as const
  const answer = await ask(request)
  if (answer.type !== 'estimated') throw new Error(JSON.stringify(answer))
  const { best, kwhPerKw } = answer.estimate
  expect(Math.abs(best.azimuthDeg - 180)).toBeLessThan(30)
  expect(best.kwhPerKw).toBeGreaterThan(900)
  expect(Math.max(...kwhPerKw.flat())).toBeLessThanOrEqual(best.kwhPerKw + 1e-6)
  // Level, whichever way, is less; upright to the north far less; an open rack is cooler than a roof.
  expect(kwhPerKw[0]?.[0]).toBeLessThan(best.kwhPerKw * 0.93)
  expect(kwhPerKw.at(-1)?.[0]).toBeLessThan(best.kwhPerKw * 0.5)
  const open = await ask({ ...request, mount: 'open' })
  expect(open.type === 'estimated' && open.estimate.best.kwhPerKw).toBeGreaterThan(best.kwhPerKw)
  const dirty = { ...defaultLosses, soiling: new Array<number>(12).fill(0.12) }
  const soiled = await ask({ ...request, losses: dirty })
  const share = soiled.type === 'estimated' ? soiled.estimate.best.kwhPerKw / best.kwhPerKw : NaN
  // From 2 % of dirt to 12 %.
  expect(share).toBeCloseTo(0.88 / 0.98, 1)
})

test('a meter’s file becomes the hours that a job keeps; one that is none says why', async () => {
  const told = await ask({ type: 'meter', bytes: bytesOf(meterTable({ days: 28 })) })
  if (told.type !== 'meter') throw new Error(`${told.type} was not asked for`)
  const { meter, annualKwh } = told.read
  expect(meter).toMatchObject({ from: '2023-01-09', days: 28, stepMinutes: 60, filledShare: 0 })
  expect(annualKwh).toBeCloseTo(365 * 13.5, 6)
  expect(decodedHours(meter).reduce((sum, kwh) => sum + kwh, 0)).toBeCloseTo(365 * 13.5, 6)
  expect(await ask({ type: 'meter', bytes: bytesOf('Dear neighbours') })).toMatchObject({ type: 'fault' })
  // Twenty hours from noon on: no day is whole.
  const part = meterTable({ days: 20 / 24, from: Date.UTC(2023, 0, 9, 12) })
  expect(await ask({ type: 'meter', bytes: bytesOf(part) })).toMatchObject({
    type: 'fault',
    fault: { code: 'meter-file', data: { reason: 'day' } },
  })
})
