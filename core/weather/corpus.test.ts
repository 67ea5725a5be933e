import { plainEnglish } from '@/words/plain-english'
import { Fault } from '../model/fault'
import { writeEpw } from './epw-year'
import { readPlaced } from './read-weather'
import { bytes, good, table, year } from './testing'
import { textOf } from './text'
import { writeWeatherCsv } from './write-csv'

/** Files as they come: broken ones get their clear answer, odd ones are read, and what was noticed is said. */

const epw = writeEpw(good)
const epwLines = epw.split('\n')
const csv = writeWeatherCsv(good)
const csvLines = csv.split('\n')

const here = ['# latitude=41.6, longitude=-71.4']

const with29February = () => {
  const lines = [...epwLines]
  const at = 8 + 59 * 24
  const day = lines.slice(at - 24, at).map((line) => line.replace(/^2025,2,28,/, '2024,2,29,'))
  return [...lines.slice(0, at), ...day, ...lines.slice(at)].join('\n')
}
const changed = (line: number, edit: (text: string) => string) =>
  epwLines.map((text, i) => (i === line - 1 ? edit(text) : text)).join('\n')
const cell = (text: string, column: number, value: string) =>
  text
    .split(',')
    .map((old, c) => (c === column ? value : old))
    .join(',')
const everyRecord = (edit: (text: string, i: number) => string) =>
  epwLines.map((text, i) => (i >= 8 && text !== '' ? edit(text, i - 8) : text)).join('\n')
const latin1 = (text: string) => Uint8Array.from(text, (letter) => letter.charCodeAt(0) & 255)

const broken: Readonly<Record<string, readonly [() => Uint8Array | string, string, RegExp]>> = {
  'empty file': [() => '', 'empty', /empty/],
  'a picture': [
    () => Uint8Array.of(137, 80, 78, 71, 13, 10, 26, 10, 0, 0, 0, 13),
    'not-text',
    /not a text file/,
  ],
  'an archive': [() => Uint8Array.of(80, 75, 3, 4, 20, 0, 0, 0), 'not-text', /Unpack/],
  'zeros, 200 MB of them': [() => new Uint8Array(200_000_000), 'too-large', /200 MB/],
  'zeros, a few': [() => new Uint8Array(5000), 'not-text', /not a text file/],
  prose: [() => 'Dear Sir,\nplease find the weather of last year.\nRegards\n', 'not-a-table', /No table/],
  JSON: [() => '{"ghi": [1, 2, 3]}', 'not-a-table', /No table/],
  'EPW, header only': [() => epwLines.slice(0, 8).join('\n'), 'bad-epw', /no records/],
  'EPW, header cut': [() => [epwLines[0], ...epwLines.slice(8)].join('\n'), 'bad-epw', /8 header lines/],
  'EPW, cut short': [() => epwLines.slice(0, 5000).join('\n'), 'not-a-year', /4,992 records/],
  'EPW, cut within a line': [
    () => epw.slice(0, epw.indexOf('\n', 400_000) + 40),
    'bad-epw',
    /Line \d+: \d+ columns|not a number/,
  ],
  'EPW, a line gone': [() => epwLines.filter((_, i) => i !== 100).join('\n'), 'not-a-year', /8,759/],
  'EPW, a line twice': [
    () => [...epwLines.slice(0, 100), ...epwLines.slice(99)].join('\n'),
    'not-a-year',
    /8,761/,
  ],
  'EPW, two lines swapped': [
    () => [...epwLines.slice(0, 50), epwLines[51], epwLines[50], ...epwLines.slice(52)].join('\n'),
    'bad-epw',
    /Line 51/,
  ],
  'EPW, too few columns': [
    () => changed(77, (t) => t.split(',').slice(0, 12).join(',')),
    'bad-epw',
    /Line 77: 12 columns/,
  ],
  'EPW, letters in a number': [
    () => changed(90, (t) => cell(t, 13, 'n.a.')),
    'bad-epw',
    /Line 90, column 14/,
  ],
  'EPW with decimal commas': [() => everyRecord((t) => t.replaceAll(',', ';')), 'bad-epw', /1 columns/],
  'EPW, latitude of 95': [() => changed(1, (t) => cell(t, 6, '95')), 'bad-epw', /latitude/],
  'EPW, no longitude': [() => changed(1, (t) => cell(t, 7, '')), 'bad-epw', /longitude/],
  'EPW, time zone of 30': [() => changed(1, (t) => cell(t, 8, '30')), 'bad-epw', /time zone/],
  'EPW without light': [
    () => everyRecord((t) => cell(cell(cell(t, 13, '9999'), 14, '9999'), 15, '9999')),
    'no-irradiance',
    /global irradiance/,
  ],
  'EPW, half of the light gone': [
    () => everyRecord((t, i) => (i % 2 ? cell(cell(cell(t, 13, '9999'), 14, '9999'), 15, '9999') : t)),
    'too-many-gaps',
    /at most 10 %/,
  ],
  'CSV, headings only': [() => csvLines.slice(0, 2).join('\n'), 'not-a-table', /No table/],
  'CSV without light': [
    () => table({ preamble: here, heading: ['time', 'air temperature'], row: (i) => [i % 30] }),
    'no-irradiance',
    /which column/,
  ],
  'CSV of half a year': [() => csvLines.slice(0, 4000).join('\n'), 'not-a-year', /whole year/],
  'CSV without times and of no known length': [
    () =>
      table({ preamble: here, heading: ['GHI', 'T'], stamp: () => '0', days: 100 }).replaceAll(/^0,/gm, ''),
    'no-time',
    /which column holds the time/,
  ],
  'CSV, a time that is none': [
    () => csvLines.map((t, i) => (i === 500 ? t.replace(/^[^,]+/, 'noon') : t)).join('\n'),
    'bad-time',
    /Line 501: “noon”/,
  ],
  'CSV, 31 February': [
    () => csvLines.map((t, i) => (i === 1000 ? t.replace(/^[^,]+/, '2025-02-31T00:00') : t)).join('\n'),
    'bad-time',
    /Line 1001/,
  ],
  'CSV with 30 February in columns': [
    () =>
      table({
        preamble: here,
        heading: ['Year', 'Month', 'Day', 'Hour', 'GHI', 'T', 'Wind'],
        stamp: (at, i) =>
          i === 1400
            ? '2023,2,30,4'
            : [at.getUTCFullYear(), at.getUTCMonth() + 1, at.getUTCDate(), at.getUTCHours()].join(','),
      }),
    'bad-time',
    /Line 1403/,
  ],
  'CSV with an hour that is not there': [
    () =>
      table({
        preamble: here,
        heading: ['Date', 'Hour', 'GHI', 'T', 'Wind'],
        stamp: (at, i) => `${at.toISOString().slice(0, 10)},${i === 77 ? '' : at.getUTCHours()}`,
      }),
    'bad-time',
    /Line 80/,
  ],
  'CSV, 29 February of a year that has none': [
    () => csvLines.map((t, i) => (i === 1500 ? t.replace(/^[^,]+/, '2025-02-29T00:00') : t)).join('\n'),
    'bad-time',
    /Line 1501/,
  ],
  'CSV, 75 minutes past': [
    () => csvLines.map((t, i) => (i === 90 ? t.replace(/^[^,]+/, '2025-01-04T15:75') : t)).join('\n'),
    'bad-time',
    /Line 91/,
  ],
  'CSV, letters in a number': [
    () => csvLines.map((t, i) => (i === 300 ? t.replace(/,[^,]+,/, ',bright,') : t)).join('\n'),
    'bad-cell',
    /Line 301/,
  ],
  'CSV of days': [
    () =>
      table({
        preamble: here,
        stamp: (at, i) => new Date(at.getTime() + i * 23 * 3_600_000).toISOString().slice(0, 16),
        days: 16,
      }),
    'bad-step',
    /1,440 minutes/,
  ],
  'CSV of seven minutes': [
    () =>
      table({
        preamble: here,
        stamp: (_at, i) => new Date(Date.UTC(2023, 0, 1) + i * 420_000).toISOString().slice(0, 16),
      }),
    'bad-step',
    /7 minutes/,
  ],
  'CSV with 300 columns': [
    () =>
      [
        new Array(300).fill('a').join(','),
        ...Array.from({ length: 30 }, () => new Array(300).fill('1').join(',')),
      ].join('\n'),
    'too-large',
    /300 columns/,
  ],
  'CSV with a row for every second': [
    () => `time,ghi\n${'2023-01-01T00:00,1\n'.repeat(200_100)}`,
    'too-large',
    /200,000 rows/,
  ],
  'one line of twelve million letters': [() => 'ghi '.repeat(3_000_000), 'too-large', /Line 1 has more/],
  'digits without an end': [
    () => `time,ghi\n${'1'.repeat(19_000)}x,1\n`.repeat(40),
    'not-a-table',
    /No table/,
  ],
  'CSV that does not say where': [() => table(), 'no-place', /latitude=/],
}

const odd: Readonly<Record<string, readonly [() => Uint8Array | string, readonly string[]]>> = {
  'EPW as it should be': [() => epw, []],
  'EPW with a byte-order mark': [() => `\uFEFF${epw}`, []],
  'EPW with CRLF': [() => epw.replaceAll('\n', '\r\n'), []],
  'EPW with old CR ends': [() => epw.replaceAll('\n', '\r'), []],
  'EPW in Latin-1': [() => latin1(epw.replace('Ridge', 'Crête')), []],
  'EPW with blank lines at its end': [() => `${epw}\n\n  \n`, []],
  'EPW of 8784 hours': [() => with29February(), []],
  'EPW that begins in July': [
    () =>
      [...epwLines.slice(0, 8), ...epwLines.slice(8 + 4344, 8 + 8760), ...epwLines.slice(8, 8 + 4344)].join(
        '\n',
      ),
    [],
  ],
  'EPW with 22 columns': [() => everyRecord((t) => t.split(',').slice(0, 22).join(',')), []],
  'EPW of quarter hours': [() => writeEpw(year(15)), []],
  'EPW with some light missing': [
    () =>
      everyRecord((t, i) => (i % 240 === 12 ? cell(cell(cell(t, 13, '9999'), 14, '9999'), 15, '9999') : t)),
    ['gap'],
  ],
  'EPW without wind': [() => everyRecord((t) => cell(t, 21, '999')), ['no-wind']],
  'EPW with negative light': [
    () => everyRecord((t, i) => (i === 12 ? cell(t, 13, '-120') : i === 2 ? cell(t, 13, '-2') : t)),
    ['negative', 'night-offset'],
  ],
  'EPW with sun at night': [
    () => everyRecord((t, i) => (i % 24 === 1 ? cell(t, 13, '300') : t)),
    ['night-sun'],
  ],
  'EPW whose parts do not fit': [() => everyRecord((t) => cell(t, 15, '400')), ['closure']],
  'EPW an hour late': [
    () => {
      const records = epwLines.slice(8, 8 + 8760)
      const light = records.map((t) => t.split(',').slice(13, 16))
      return [
        ...epwLines.slice(0, 8),
        ...records.map((t, i) => {
          const cells = t.split(',')
          cells.splice(13, 3, ...(light[(i + 8759) % 8760] ?? []))
          return cells.join(',')
        }),
      ].join('\n')
    },
    ['shifted-clock'],
  ],
  'EPW from the other side of the equator': [() => changed(1, (t) => cell(t, 6, '-41.6')), ['wrong-season']],
  'EPW in kilojoules': [
    () =>
      everyRecord((t) =>
        [13, 14, 15].reduce((line, c) => cell(line, c, String(Number(line.split(',')[c]) * 3.6)), t),
      ),
    ['units', 'too-bright'],
  ],
  'EPW in kilowatts': [
    () =>
      everyRecord((t) =>
        [13, 14, 15].reduce((line, c) => cell(line, c, String(Number(line.split(',')[c]) / 1000)), t),
      ),
    ['units'],
  ],
  'EPW in Fahrenheit': [
    () => everyRecord((t, i) => cell(t, 6, String(((good.temperatureC[i] ?? 0) * 9) / 5 + 60))),
    ['temperature-range'],
  ],
  'CSV as we write it': [() => csv, []],
  'CSV with quarter hours, 35,040 of them': [() => writeWeatherCsv(year(15)), []],
  'CSV in UTF-16': [
    () => {
      const text = `\uFEFF${csvLines.join('\n')}`
      const out = new Uint8Array(text.length * 2)
      for (let i = 0; i < text.length; i++) {
        out[2 * i] = text.charCodeAt(i) & 255
        out[2 * i + 1] = text.charCodeAt(i) >> 8
      }
      return out
    },
    [],
  ],
}

const readBytes = (given: Uint8Array | string) =>
  readPlaced(textOf(typeof given === 'string' ? bytes(given) : given))

const faultOf = (work: () => unknown): Fault | null => {
  try {
    work()
  } catch (error) {
    if (error instanceof Fault) return error
    throw error
  }
  return null
}

test.each(Object.entries(broken))('broken: %s', (_name, [make, code, message]) => {
  const fault = faultOf(() => readBytes(make()))
  expect(fault?.code).toBe(code)
  expect(fault && plainEnglish.fault(fault)).toMatch(message)
})

test.each(Object.entries(odd))('odd but read: %s', (_name, [make, codes]) => {
  const { year: read, problems } = readBytes(make())
  expect(read.ghi.length % 8760).toBe(0)
  const warnings = problems.map(({ code }) => code)
  for (const code of codes) expect(warnings).toContain(code)
  if (codes.length === 0) expect(warnings).toEqual([])
  expect(read.ghi.every((value) => value >= 0)).toBe(true)
})

test('that is a corpus of more than forty', () => {
  expect(Object.keys(broken).length + Object.keys(odd).length).toBeGreaterThanOrEqual(40)
})
