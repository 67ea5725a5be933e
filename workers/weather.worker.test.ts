import { defaultLosses } from '@/core/model/kinds/losses'
import { ofKind } from '@/core/model/document'
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
  expect(await ask({ type: 'table' })).toMatchObject({ type: 'fault', fault: { code: 'no-file' } })
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
  expect(table.type === 'table' && table.csv.split('\n').length).toBe(csv.split('\n').length)

  const unread = file.mapping.columns.map((column) => ({ ...column, role: 'ignore' as const }))
  const mapped = opened(
    await ask({ type: 'map', mapping: { ...file.mapping, columns: unread }, shiftMinutes: 0, place }),
  )
  expect(mapped.reading).toBeNull()
  expect(mapped.fault?.message.length).toBeGreaterThan(10)
  // What cannot be read cannot be stored; mapped rightly again it can.
  expect((await ask({ type: 'table' })).type).toBe('fault')
  const again = opened(await ask({ type: 'map', mapping: file.mapping, shiftMinutes: 60, place }))
  expect(again.shiftMinutes).toBe(60)
  expect(again.reading).not.toBeNull()
})

test('a file that is no weather is answered with what is wrong', async () => {
  expect(await ask({ type: 'open', bytes: new Uint8Array([0, 1, 2, 255, 0]).buffer, place })).toMatchObject({
    type: 'fault',
  })
})

test('the quick estimate is of one kilowatt: the best plane is towards the equator and beats all others', async () => {
  const job = saltmarshJob()
  const [site] = ofKind(job.house, 'site')
  const [module, inverter] = [catalogue.modules[0], catalogue.inverters[0]]
  if (!site || !module || !inverter) throw new Error('the shipped job and the catalogue are complete')
  const answer = await ask({
    type: 'estimate',
    weatherUrl: '/near.epw',
    site,
    module,
    inverter,
    losses: { ...defaultLosses },
    mount: 'close',
  })
  if (answer.type !== 'estimated') throw new Error(JSON.stringify(answer))
  const { best, kwhPerKw } = answer.estimate
  expect(Math.abs(best.azimuthDeg - 180)).toBeLessThan(30)
  expect(best.kwhPerKw).toBeGreaterThan(900)
  expect(Math.max(...kwhPerKw.flat())).toBeLessThanOrEqual(best.kwhPerKw + 1e-6)
})
