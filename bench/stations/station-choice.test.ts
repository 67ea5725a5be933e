import { jest } from '@jest/globals'
import { chosenStation, weatherUrlOf, type StationChoice } from './station-choice'
import { StationList } from './station-list'

const station = (id: string, own = false): StationChoice => ({
  id,
  name: id,
  elevationM: 0,
  distanceM: 1,
  yearSpread: null,
  own,
})
const list = [station('pier'), station('ridge'), station('file-abc', true)]

test('the chosen station, the nearest when none is chosen, and who stands in for a missing file', () => {
  expect(chosenStation(list, 'ridge')).toEqual({ station: list[1], standsIn: false })
  expect(chosenStation(list, null)).toEqual({ station: list[0], standsIn: false })
  expect(chosenStation(list, 'file-abc')).toEqual({ station: list[2], standsIn: false })
  expect(chosenStation(list, 'file-gone')).toEqual({ station: list[0], standsIn: true })
  expect(chosenStation([station('file-abc', true)], null)).toBeNull()
  expect(chosenStation([], null)).toBeNull()
})

test('stations are fetched from the world, own files from the team', () => {
  expect(weatherUrlOf('pier')).toBe('/world/weather/pier.epw')
  expect(weatherUrlOf('a/../b')).toBe('/world/weather/a%2F..%2Fb.epw')
  expect(weatherUrlOf('file-0a1b')).toBe('/api/weather/0a1b')
})

test('the list asks again until the server answers, and forgets a place that was left', async () => {
  const stations = new StationList()
  const asked: string[] = []
  let away = true
  const original = globalThis.fetch
  globalThis.fetch = ((url: string) => {
    asked.push(url)
    if (away) return Promise.reject(new TypeError('away'))
    const feature = {
      geometry: { coordinates: [1, 2] },
      properties: { id: 'pier', name: 'Pier', elevationM: 3, distanceM: 4, yearSpread: 0.03 },
    }
    return Promise.resolve(
      new Response(JSON.stringify({ features: url.startsWith('/api') ? [] : [feature] })),
    )
  }) as typeof fetch
  jest.useFakeTimers()
  try {
    stations.follow({ latitudeDeg: 41, longitudeDeg: -71 })
    await jest.advanceTimersByTimeAsync(100)
    expect(stations.store.getState().list).toEqual([])
    away = false
    await jest.advanceTimersByTimeAsync(2500)
    expect(stations.store.getState().list.map(({ id }) => id)).toEqual(['pier'])
    stations.add(station('file-new', true))
    expect(stations.store.getState().list.map(({ id }) => id)).toEqual(['pier', 'file-new'])
    const count = asked.length
    stations.follow({ latitudeDeg: -34, longitudeDeg: 138 })()
    await jest.advanceTimersByTimeAsync(10_000)
    expect(asked.length).toBe(count + 2)
  } finally {
    jest.useRealTimers()
    globalThis.fetch = original
  }
})
