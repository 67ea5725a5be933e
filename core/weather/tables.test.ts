import { daysInMonth } from '../model/model-year'
import { readWeather } from './read-weather'
import { bytes, good, place, table } from './testing'
import { textOf } from './text'

/** Tables as other programs and devices write them. */

const tables: Readonly<Record<string, readonly [() => string, readonly string[]]>> = {
  'semicolons and decimal commas': [() => table({ separator: ';', decimal: ',' }), ['split']],
  tabs: [() => table({ separator: '\t' }), ['split']],
  'day first': [
    () =>
      table({
        stamp: (at) =>
          `${at.getUTCDate()}.${at.getUTCMonth() + 1}.${at.getUTCFullYear()} ${at.getUTCHours()}:00`,
      }),
    ['split'],
  ],
  'month first': [
    () =>
      table({
        stamp: (at) =>
          `${at.getUTCMonth() + 1}/${at.getUTCDate()}/${at.getUTCFullYear()} ${at.getUTCHours() % 12 || 12}:00 ${at.getUTCHours() < 12 ? 'AM' : 'PM'}`,
      }),
    ['split'],
  ],
  'seconds since 1970': [
    () =>
      table({
        heading: ['Timestamp', 'GHI', 'Temp', 'Wind'],
        stamp: (at) => String(at.getTime() / 1000 + 5 * 3600),
      }),
    ['split'],
  ],
  'a zone in every stamp': [
    () => table({ stamp: (at) => `${new Date(at.getTime() + 5 * 3_600_000).toISOString().slice(0, 19)}Z` }),
    ['split'],
  ],
  'year, month, day, hour in columns, hours 1 to 24': [
    () =>
      table({
        heading: ['Year', 'Month', 'Day', 'Hour', 'GHI', 'DHI', 'Tamb'],
        stamp: (at) =>
          [at.getUTCFullYear(), at.getUTCMonth() + 1, at.getUTCDate(), at.getUTCHours() + 1].join(','),
        row: (i) => [good.ghi[i] ?? 0, good.dhi[i] ?? 0, good.temperatureC[i] ?? 0],
      }),
    ['no-wind'],
  ],
  'nothing but values': [
    () =>
      table({
        heading: ['GHI', 'DNI', 'DHI', 'temp', 'wind'],
        stamp: () => '',
        row: (i) => [good.ghi[i] ?? 0, good.dni[i] ?? 0, good.dhi[i] ?? 0, 12, 2],
      }).replaceAll(/^,/gm, ''),
    [],
  ],
  'kilojoules and Fahrenheit': [
    () =>
      table({
        heading: ['time', 'Global radiation [kJ/m2]', 'Air temperature [°F]', 'wind [mph]'],
        row: (i) => [(good.ghi[i] ?? 0) * 3.6, ((good.temperatureC[i] ?? 0) * 9) / 5 + 32, 5.6],
      }),
    ['split'],
  ],
  'a leap year with lines before it': [
    () => table({ preamble: ['Station report', 'Owner: nobody'], from: Date.UTC(2024, 0, 1), days: 366 }),
    ['leap-day', 'split'],
  ],
  'three years': [() => table({ from: Date.UTC(2021, 0, 1), days: 3 * 365 }), ['several-years', 'split']],
  'from July to the August after next year’s': [
    () => table({ from: Date.UTC(2022, 6, 1), days: 400 }),
    ['several-years', 'split'],
  ],
  'a leap year whose year is not said': [
    () =>
      table({
        heading: ['Month', 'Day', 'Hour', 'GHI', 'Tamb', 'Wind'],
        stamp: (at) => [at.getUTCMonth() + 1, at.getUTCDate(), at.getUTCHours()].join(','),
        from: Date.UTC(2024, 0, 1),
        days: 366,
      }),
    ['leap-day', 'split'],
  ],
  'from July to June': [() => table({ from: Date.UTC(2022, 6, 1) }), ['split']],
  'holes and words for nothing': [
    () => table({ row: (i) => [i % 100 === 12 ? 'NaN' : (good.ghi[i] ?? 0), i % 50 === 0 ? '-999' : 11, 2] }),
    ['gap', 'gap-temperature', 'split'],
  ],
  'an hour stands twice in autumn': [
    () => {
      const lines = table().split('\n')
      return [...lines.slice(0, 7000), ...lines.slice(6998, 7000), ...lines.slice(7000)].join('\n')
    },
    ['twice', 'split'],
  ],
}

test.each(Object.entries(tables))('tables of others: %s', (name, [make, codes]) => {
  const { year: read, problems } = readWeather(textOf(bytes(make())), place)
  const found = problems.map(({ code }) => code)
  for (const code of codes) expect(found).toContain(code)
  const sum = (series: Float64Array) => series.reduce((s, v) => s + v, 0)
  if (!name.includes('July')) {
    const i = daysInMonth[0] * 24 + 12
    if (!codes.includes('several-years')) expect(read.ghi[i]).toBeCloseTo(good.ghi[i] ?? 0, 6)
  }
  expect(Math.abs(sum(read.ghi) / sum(good.ghi) - 1)).toBeLessThan(0.02)
})
