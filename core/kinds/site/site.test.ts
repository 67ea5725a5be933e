import { parseObject } from '../documents'
import { defaultSite, type Site } from './site'

const { windMean: _mean, terrain: _terrain, roofReserveKpa: _reserve, ...fourth } = defaultSite
const read = (windMs: number): Site => parseObject({ ...fourth, windMs }, '', { site: 4 }) as Site

test('a site of the fourth version takes a speed that no mean reaches for a gust', () => {
  expect(read(26)).toEqual({ ...defaultSite, windMs: 26, windMean: 'ten-minutes' })
  expect(read(58)).toEqual({ ...defaultSite, windMs: 58, windMean: 'three-seconds' })
})

test('a roof that can carry less than nothing, or wind of no kind, is refused', () => {
  for (const bad of [{ roofReserveKpa: -1 }, { windMean: 'hourly' }, { terrain: 'moon' }, { windMs: 'fast' }])
    expect(() => parseObject({ ...defaultSite, ...bad })).toThrow()
})
