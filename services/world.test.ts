import { job, option } from '@/town/testing'
import { askTown } from '@/town/ask'
import { Fault } from '@/core/model/fault'
import { type Ask } from './ask'
import { addressesFor, catalogueFrom, stationsNear } from './world'
import { Surroundings } from './world-of'

const faultOf = async (work: Promise<unknown>) => {
  try {
    await work
    return null
  } catch (error) {
    if (error instanceof Fault) return error
    throw error
  }
}
const answering =
  (status: number, body: string): Ask =>
  async () => ({ status, text: async () => body })
const site = { latitudeDeg: 41.6, longitudeDeg: -71.4 }

test('the made-up world answers in the forms that are read', async () => {
  const [first] = await addressesFor(askTown, '14 Saltmarsh')
  expect(first?.label).toContain('Saltmarsh')
  expect(first?.site).toMatchObject({ id: 'site', kind: 'site' })
  expect(first?.prices.pricePerWatt).toBeGreaterThan(1)
  const stations = await stationsNear(askTown, site)
  const away = stations.map(({ distanceM }) => distanceM)
  expect(away).toEqual([...away].sort((a, b) => a - b))
  expect(stations.length).toBeGreaterThan(8)
  expect((await catalogueFrom(askTown)).modules.length).toBeGreaterThan(2)
})

test('a service that is away, refuses or says something else is a fault of its own each', async () => {
  const gone: Ask = () => Promise.reject(new TypeError('fetch failed'))
  expect(await faultOf(catalogueFrom(gone))).toMatchObject({ code: 'service-away' })
  expect(await faultOf(catalogueFrom(answering(503, '')))).toMatchObject({
    code: 'service-refused',
    data: { status: 503 },
  })
  for (const body of ['<html>', '{"modules": 3}', ''])
    expect(await faultOf(catalogueFrom(answering(200, body)))).toMatchObject({
      code: 'service-garbled',
      data: { path: 'catalogue' },
    })
  // Cut off half-way.
  const cut: Ask = async () => ({ status: 200, text: () => Promise.reject(new TypeError('terminated')) })
  expect(await faultOf(catalogueFrom(cut))).toMatchObject({ code: 'service-away' })
})

test('what was asked once is remembered, what failed is asked again', async () => {
  const asked: string[] = []
  let online = false
  const surroundings = new Surroundings((path) => {
    asked.push(path)
    return online ? askTown(path) : Promise.reject(new TypeError('fetch failed'))
  })
  expect(await faultOf(surroundings.worldOf(job.house, option))).toMatchObject({ code: 'service-away' })
  online = true
  const world = await surroundings.worldOf(job.house, option)
  expect(world.station.id).toBe('pellworth-pier')
  expect(world.weather.value.ghi).toHaveLength(8760)
  const before = asked.length
  expect((await surroundings.worldOf(job.house, option)).weather.key).toBe(world.weather.key)
  expect(asked).toHaveLength(before)
})

test('weather of one’s own goes first; where it is not at hand the nearest station stands in', async () => {
  const surroundings = new Surroundings(askTown)
  const house = {
    ...job.house,
    site: { ...job.house['site'], stationId: 'file-0123456789abcdef01234567' } as (typeof job.house)[string],
  }
  const { weather } = await surroundings.worldOf(job.house, option)
  const own = await surroundings.worldOf(house, option, {
    id: '0123456789abcdef01234567',
    year: weather.value,
  })
  expect([own.station.id, own.station.standsIn]).toEqual(['file-0123456789abcdef01234567', false])
  const other = await surroundings.worldOf(house, option)
  expect([other.station.id, other.station.standsIn]).toEqual(['pellworth-pier', true])
})
