import { readEpwFile, writeEpwFile } from './epw'
import { epwFields } from './epw-fields'
import { epwYear, readEpw, writeEpw } from './epw-year'
import { clockShiftMinutes, shiftSeries } from './clock-shift'
import { fillLinear, fillSameTime } from './fill-gaps'
import { guessColumn, toCoreUnit } from './csv-columns'
import { parseClock, parseStamp } from './csv-time'
import { type WeatherYear } from './weather-year'

/** A file with every column filled, some empty, some with what stands for nothing. */
const rich = () => {
  const header = [
    'LOCATION,Ridge,AL,Nowhere,made up,720000,41.60,-71.40,-5.0,18.0',
    'DESIGN CONDITIONS,1,Heating,1,-12.4',
    'TYPICAL/EXTREME PERIODS,1,Summer - Week,Extreme,7/13,7/19',
    'GROUND TEMPERATURES,1,.5,,,,2.1,1.9',
    'HOLIDAYS/DAYLIGHT SAVINGS,No,0,0,0',
    'COMMENTS 1,"a comma, quoted"',
    'COMMENTS 2,Δ',
    'DATA PERIODS,1,1,Data,Sunday, 1/ 1,12/31',
  ]
  const days = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
  const rows: string[] = []
  days.forEach((count, m) => {
    for (let d = 1; d <= count; d++)
      for (let h = 1; h <= 24; h++) {
        const n = rows.length
        rows.push(
          [
            1999,
            m + 1,
            d,
            h,
            60,
            '?9?9?9E0*_*0',
            -3.25 + (n % 7),
            4.5,
            71,
            101325,
            0,
            1415,
            290,
            n % 900,
            999.5,
            120,
            999999,
            1,
            2,
            3,
          ]
            .concat([270, 3.6, 5, 4, 16.1, 77777, 9, '099999999', 12, 0.0812, n % 30, 88, 0.2, 0, ''])
            .join(','),
        )
      }
  })
  return `${[...header, ...rows].join('\n')}\n`
}

test('EPW is written as it was read: the header, and every column of every record', () => {
  const text = rich()
  const once = readEpwFile(text)
  expect(once.header).toEqual(text.split('\n').slice(0, 8))
  const again = readEpwFile(writeEpwFile(once))
  expect(again).toEqual(once)
  expect(epwFields).toHaveLength(35)
  expect(again.texts.presentWeatherCodes?.[17]).toBe('099999999')
  expect(again.values.rainHours?.[0]).toBeNaN()
  expect(writeEpwFile(again)).toBe(writeEpwFile(once))
})

test('albedo and snow come with the year; centimetres become metres', () => {
  const { year } = epwYear(readEpwFile(rich()))
  expect(year.albedo?.[100]).toBe(0.2)
  expect(year.snowDepthM?.[29]).toBeCloseTo(0.29, 12)
  const back = readEpw(writeEpw(year))
  expect(back.snowDepthM).toEqual(year.snowDepthM)
  expect(back.albedo).toEqual(year.albedo)
})

const peaked = (hourOfNoon: number): WeatherYear => {
  const ghi = Float64Array.from({ length: 8760 }, (_, i) =>
    Math.max(0, 900 * Math.cos(((((i % 24) + 0.5 - hourOfNoon) / 24) * 2 * Math.PI) / 1.1)),
  )
  return {
    name: 'Equator',
    latitudeDeg: 0,
    longitudeDeg: 0,
    elevationM: 0,
    timeZoneHours: 0,
    stepMinutes: 60,
    ghi,
    dni: ghi,
    dhi: ghi,
    temperatureC: ghi,
    windMs: ghi,
    albedo: null,
    snowDepthM: null,
  }
}

test.each([-7, -2, -1, 0, 1, 2.5, 6])('a clock %f hours wrong is found', (hours) => {
  // A file whose noon stands late has to be moved earlier.
  expect(Math.abs(clockShiftMinutes(peaked(12 + hours)) + hours * 60)).toBeLessThanOrEqual(10)
})

test('moving a series keeps its sum and goes round the year', () => {
  const series = Float64Array.of(1, 2, 3, 4)
  expect([...shiftSeries(series, 1)]).toEqual([4, 1, 2, 3])
  expect([...shiftSeries(series, -1)]).toEqual([2, 3, 4, 1])
  const half = shiftSeries(series, 0.5)
  expect([...half]).toEqual([2.5, 1.5, 2.5, 3.5])
  expect(shiftSeries(series, 0)).toBe(series)
  expect(half.reduce((s, v) => s + v, 0)).toBe(10)
})

test('gaps: a straight line across, also over New Year; the same time of near days', () => {
  const line = Float64Array.of(NaN, 2, NaN, NaN, 5, NaN)
  fillLinear(line)
  expect([...line].map((v) => Number(v.toFixed(9)))).toEqual([3, 2, 3, 4, 5, 4])
  const none = Float64Array.of(NaN, NaN)
  fillLinear(none)
  expect([...none]).toEqual([NaN, NaN])
  // Four "hours" a day; the third of day two is missing between 10 and 30.
  const days = Float64Array.from({ length: 12 }, (_, i) => (i % 4 === 2 ? 10 * (Math.floor(i / 4) + 1) : 1))
  days[6] = NaN
  fillSameTime(days, 4)
  expect(days[6]).toBe(20)
})

test.each([
  ['2024-03-31 14:05', true, [2024, 3, 31, 845, null]],
  ['20240331T1405', true, [2024, 3, 31, 845, null]],
  ['2024-03-31T14:05:00-04:00', true, [2024, 3, 31, 845, -240]],
  ['2024-03-31T14:05Z', true, [2024, 3, 31, 845, 0]],
  ['31.03.2024 24:00', true, [2024, 3, 31, 1440, null]],
  ['03/31/24 2:05 PM', false, [2024, 3, 31, 845, null]],
  ['03/31/2024 12:00 am', false, [2024, 3, 31, 0, null]],
  ['1711893900', true, [2024, 3, 31, 845, 0]],
] as const)('a stamp as %s', (text, dayFirst, [year, month, day, minutes, zoneMinutes]) => {
  expect(parseStamp(text, dayFirst)).toEqual({ year, month, day, minutes, zoneMinutes })
})

test('what is no time is none', () => {
  for (const text of ['', 'noon', '2024-13-01', '31/31/2024', '2024-02-30 25:00', '12'])
    expect(parseStamp(text, true)).toBeNull()
  expect(parseClock('7:30')).toBe(450)
  expect(parseClock('1 pm')).toBe(780)
  expect(parseClock('25:00')).toBeNull()
})

test.each([
  ['GHI (W/m2)', 'ghi', 'W/m²'],
  ['Global Horizontal Radiation [kWh/m²]', 'ghi', 'kWh/m²'],
  ['Diffuse Horizontal Irradiance', 'dhi', 'W/m²'],
  ['Direct Normal [MJ/m2]', 'dni', 'MJ/m²'],
  ['Dry bulb temperature (°F)', 'temperature', '°F'],
  ['T_air', 'temperature', '°C'],
  ['Wind speed (km/h)', 'wind', 'km/h'],
  ['Wind direction', 'ignore', null],
  ['Relative humidity', 'ignore', null],
  ['Snow depth (cm)', 'snow-depth', 'cm'],
  ['Date', 'date', null],
  ['Timestamp (UTC)', 'time', null],
  ['Hour', 'hour', null],
] as const)('a heading “%s” is taken as %s', (heading, role, unit) => {
  expect(guessColumn(heading)).toEqual({ role, unit })
})

test('units by hand', () => {
  expect(toCoreUnit(3.6, 'MJ/m²', 1)).toBeCloseTo(1000, 9)
  expect(toCoreUnit(90, 'kJ/m²', 0.25)).toBeCloseTo(100, 9)
  expect(toCoreUnit(36, 'J/cm²', 1)).toBeCloseTo(100, 9)
  expect(toCoreUnit(250, 'Wh/m²', 0.5)).toBe(500)
  expect(toCoreUnit(0.25, 'kWh/m²', 0.5)).toBe(500)
  expect(toCoreUnit(50, '°F', 1)).toBeCloseTo(10, 12)
  expect(toCoreUnit(300, 'K', 1)).toBeCloseTo(26.85, 9)
  expect(toCoreUnit(36, 'km/h', 1)).toBeCloseTo(10, 12)
  expect(toCoreUnit(10, 'mph', 1)).toBeCloseTo(4.4704, 9)
  expect(toCoreUnit(12, 'in', 1)).toBeCloseTo(0.3048, 9)
  expect(toCoreUnit(20, '%', 1)).toBeCloseTo(0.2, 12)
})

test('a file whose clock was wrong is read right when its values are moved', () => {
  const late = rich()
  const { year } = epwYear(readEpwFile(late), -60)
  const asItIs = epwYear(readEpwFile(late)).year
  expect(year.temperatureC[10]).toBe(asItIs.temperatureC[11])
  expect(year.ghi[8759]).toBe(asItIs.ghi[0])
})
