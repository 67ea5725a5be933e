import { refusal } from '@/words/refusal'
import { greatCircleM } from './station'
import { readEpw, writeEpw } from './epw-year'
import { weatherProblems } from './quality'
import { energyKwh, type WeatherYear } from './weather-year'

const sample = (fill: (i: number) => number): WeatherYear => {
  const series = Float64Array.from({ length: 8760 }, (_, i) => fill(i))
  return {
    name: 'Sample',
    latitudeDeg: 41.6,
    longitudeDeg: -71.4,
    elevationM: 20,
    timeZoneHours: -5,
    stepMinutes: 60,
    ghi: series,
    dni: series,
    dhi: series,
    temperatureC: series.map((v) => v / 20 - 3),
    windMs: series.map((v) => v / 100),
    albedo: null,
    snowDepthM: null,
  }
}

test('EPW is written and read back', () => {
  const year = sample((i) => (i * 7) % 900)
  const back = readEpw(writeEpw(year))
  expect(back.latitudeDeg).toBe(41.6)
  expect(back.timeZoneHours).toBe(-5)
  expect(back.ghi).toEqual(year.ghi)
  expect(back.temperatureC[100]).toBeCloseTo(year.temperatureC[100] ?? 0, 1)
})

test('bad weather files are refused with their line', () => {
  expect(refusal(() => readEpw('hello'))).toMatch(/Line 1: a weather file in EPW begins with LOCATION/)
  const good = writeEpw(sample(() => 1)).split('\n')
  expect(refusal(() => readEpw([...good.slice(0, 20), 'broken', ...good.slice(21)].join('\n')))).toMatch(
    /Line 21/,
  )
  expect(refusal(() => readEpw(good.slice(0, 500).join('\n')))).toMatch(/492 records/)
  expect(refusal(() => readEpw(`LOCATION,a,b,c,d,0,200,0,0,0\n${good.slice(1).join('\n')}`))).toMatch(
    /latitude/,
  )
})

test('a degree of latitude is 111.2 km', () => {
  expect(greatCircleM(41, -71, 42, -71)).toBeCloseTo(111_195, -1)
})

test('constant light day and night is found out', () => {
  const codes = weatherProblems({ year: sample(() => 400), lines: new Int32Array(8760), problems: [] }).map(
    (p) => p.code,
  )
  expect(codes).toContain('night-sun')
  expect(codes).toContain('closure')
})

test('a power of 1000 W/m² for a year is 8760 kWh/m²', () => {
  expect(energyKwh(sample(() => 1000).ghi, 60)).toBeCloseTo(8760, 9)
})
