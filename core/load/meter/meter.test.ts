import { plainEnglish } from '@/words/plain-english'
import { meterProblems } from '@/words/en/meter-problems'
import { Fault } from '../../model/fault'
import { seededRandom } from '../../model/random'
import { textOf } from '../../weather/text'
import { energyOf, readMeter } from './read-meter'
import { atomFeed, dayFirst, isoTime, meterTable, monthFirst, usual, type MeterTable } from './testing'

const hour = 3600
const day = 24 * hour
const start = Date.UTC(2023, 0, 9) / 1000
const hours = (count: number, from = start) =>
  Array.from({ length: count }, (_, i) => ({ start: from + i * hour, value: 500 }))

/** Two weeks: 14 x (23 x 0.5 + 2). */
const twoWeeks = 14 * 13.5

const read = (text: string, column?: string) => {
  const series = readMeter(text, column ?? null)
  return { ...series, codes: series.problems.map(({ code }) => code), total: energyOf(series).totalKwh }
}

/** Odd files that say all the same what was used: what they hold and what is said of them. */
const odd: readonly (readonly [
  string,
  string,
  { total: number; step?: number; says?: readonly string[] },
])[] = [
  ['plain', meterTable(), { total: twoWeeks }],
  ['semicolons and commas', meterTable({ separator: ';', decimal: ',' }), { total: twoWeeks }],
  ['tabs', meterTable({ separator: '\t' }), { total: twoWeeks }],
  ['day first', meterTable({ time: dayFirst }), { total: twoWeeks }],
  ['month first with am and pm', meterTable({ time: monthFirst }), { total: twoWeeks }],
  [
    'days that could be months',
    meterTable({ time: dayFirst, days: 5, from: Date.UTC(2023, 4, 6) }),
    { total: 5 * 13.5 },
  ],
  [
    'with offsets',
    meterTable({ time: (at) => `${at.toISOString().slice(0, 19)}-05:00` }),
    { total: twoWeeks },
  ],
  [
    'date and time apart',
    meterTable({
      headings: ['Date', 'Start time', 'End time', 'Usage', 'Units', 'Cost'],
      row: (time, value) => [time.slice(0, 10), time.slice(11), '00:00', value, 'kWh', '$0.10'],
    }),
    { total: twoWeeks, says: ['unit-guessed'] },
  ],
  ['quarter-hours', meterTable({ step: 15 }), { total: twoWeeks, step: 15 }],
  ['five minutes', meterTable({ step: 5, days: 2 }), { total: 27, step: 5 }],
  [
    'ends of intervals',
    meterTable({ time: (at) => isoTime(new Date(at.getTime() + hour * 1000)) }),
    { total: twoWeeks },
  ],
  [
    'watt-hours',
    meterTable({ headings: ['Time', 'Energy Wh'], value: (_, at) => usual(at) * 1000 }),
    { total: twoWeeks },
  ],
  [
    'kilowatts of quarters',
    meterTable({ step: 15, headings: ['Time', 'Demand kW'], value: (_, at) => usual(at) }),
    { total: twoWeeks, step: 15 },
  ],
  [
    'no unit, large values',
    meterTable({ headings: ['Time', 'Reading'], value: (_, at) => usual(at) * 1000 }),
    { total: twoWeeks, says: ['unit-guessed'] },
  ],
  [
    'export beside it',
    meterTable({
      headings: ['Time', 'Export (kWh)', 'Import (kWh)', 'Solar (kWh)'],
      row: (time, value) => [time, '9', value, '9'],
    }),
    { total: twoWeeks },
  ],
  [
    'two registers',
    meterTable({
      headings: ['Time', 'Consumption day (kWh)', 'Voltage', 'Consumption night (kWh)'],
      row: (time, value) => [time, value, '230', '0'],
    }),
    { total: twoWeeks, says: ['columns-left'] },
  ],
  [
    'a counter',
    meterTable({
      headings: ['Time', 'Meter reading kWh'],
      value: (i) => 40_000 + i * 0.5,
    }),
    { total: (14 * 24 - 1) * 0.5, says: ['counter'] },
  ],
  [
    'a counter that was changed',
    meterTable({
      headings: ['Time', 'Register (kWh)'],
      value: (i) => (i < 100 ? 40_000 : 0) + i * 0.5,
    }),
    { total: (14 * 24 - 1) * 0.5, says: ['counter', 'counter-falls', 'gaps'] },
  ],
  ['newest first', reversed(meterTable()), { total: twoWeeks, says: ['backwards'] }],
  ['shuffled', swapped(meterTable(), 10, 50), { total: twoWeeks, says: ['unsorted'] }],
  ['a line twice', doubled(meterTable(), 20), { total: twoWeeks, says: ['repeated'] }],
  ['hours missing', without(meterTable(), 30, 3), { total: twoWeeks, says: ['gaps'] }],
  [
    'empty cells',
    meterTable({ value: (i, at) => (i === 40 ? '' : usual(at)) }),
    { total: twoWeeks, says: ['gaps'] },
  ],
  [
    'words among values',
    meterTable({ value: (i, at) => (i === 40 ? 'n/a' : usual(at)) }),
    { total: twoWeeks, says: ['bad-value', 'gaps'] },
  ],
  [
    'below zero',
    meterTable({ value: (i, at) => (i === 12 ? -3 : usual(at)) }),
    { total: twoWeeks - 0.5, says: ['negative'] },
  ],
  [
    'a line that is no reading',
    withLine(meterTable(), 40, 'Subtotal,12.5'),
    { total: twoWeeks, says: ['bad-time'] },
  ],
  ['a foot with totals', `${meterTable()}\nTotal,189\n`, { total: twoWeeks, says: ['bad-time'] }],
  [
    'a head of remarks',
    meterTable({ above: ['Customer,A. Person', 'Meter,12345', ''] }),
    { total: twoWeeks },
  ],
  [
    'a spike',
    meterTable({ value: (i, at) => (i === 12 ? 500 : usual(at)) }),
    { total: twoWeeks + 499.5, says: ['spike'] },
  ],
  [
    'off for days',
    meterTable({ value: (i, at) => (i < 60 ? 0 : usual(at)) }),
    { total: twoWeeks - 30 - 3, says: ['silent'] },
  ],
  [
    'off the step',
    meterTable({
      time: (at) => (at.getUTCHours() === 5 ? isoTime(new Date(at.getTime() + 60_000)) : isoTime(at)),
    }),
    { total: twoWeeks, says: ['off-step'] },
  ],
  ['a row a day', dayRows(24), { total: twoWeeks }],
  ['a row a day of quarters', dayRows(96), { total: twoWeeks, step: 15 }],
  [
    'quoted, with a mark and other line ends',
    `\uFEFF${meterTable().replaceAll('\n', '\r\n').replace('Time', '"Time"')}`,
    { total: twoWeeks },
  ],
  [
    'thousands',
    meterTable({
      headings: ['Time', 'Consumption (Wh)'],
      row: (time, value) => [time, `"${Number(value) > 1000 ? '2,000' : value}"`],
      value: (_, at) => usual(at) * 1000,
    }),
    { total: twoWeeks },
  ],
  [
    'a year without times',
    `kWh\n${Array.from({ length: 8760 }, () => '0.5').join('\n')}\n`,
    { total: 4380, says: ['no-times'] },
  ],
  [
    'a leap year of quarters without times',
    `${Array.from({ length: 35_136 }, () => '0.25').join('\n')}\n`,
    { total: 8784, step: 15, says: ['no-times', 'unit-guessed'] },
  ],
  [
    'Spanish',
    meterTable({
      separator: ';',
      decimal: ',',
      headings: ['Fecha', 'Hora', 'Consumo_kWh'],
      time: dayFirst,
      row: (time, value) => [time.slice(0, 10), time.slice(11), value],
    }),
    { total: twoWeeks },
  ],
  ['seconds since 1970', meterTable({ time: (at) => String(at.getTime() / 1000) }), { total: twoWeeks }],
  ['Atom', atomFeed([{ values: hours(48) }]), { total: 24 }],
  [
    'Atom in thousandths',
    atomFeed([{ powerOfTen: -3, values: hours(48).map((one) => ({ ...one, value: 500_000 })) }]),
    { total: 24 },
  ],
  ['Atom in watts', atomFeed([{ unit: 38, values: hours(48) }]), { total: 24 }],
  [
    'Atom of two meters',
    atomFeed([{ values: hours(48) }, { values: hours(48) }]),
    { total: 48, says: ['several-meters'] },
  ],
  [
    'Atom both ways',
    atomFeed([{ values: hours(48) }, { direction: 19, values: hours(48) }]),
    { total: 24, says: ['reverse-left'] },
  ],
  [
    'Atom with gas',
    atomFeed([{ values: hours(48) }, { unit: 119, values: hours(48) }]),
    { total: 24, says: ['other-unit'] },
  ],
  [
    'Atom estimated',
    atomFeed([{ values: hours(48).map((one, i) => ({ ...one, quality: i === 3 ? 8 : 17 })) }]),
    { total: 24, says: ['estimated'] },
  ],
]

function lines(text: string): string[] {
  return text.trimEnd().split('\n')
}
function reversed(text: string): string {
  const [head, ...rest] = lines(text)
  return [head, ...rest.reverse()].join('\n')
}
function swapped(text: string, a: number, b: number): string {
  const all = lines(text)
  ;[all[a], all[b]] = [all[b] ?? '', all[a] ?? '']
  return all.join('\n')
}
function doubled(text: string, at: number): string {
  const all = lines(text)
  return [...all.slice(0, at + 1), all[at], ...all.slice(at + 1)].join('\n')
}
function without(text: string, at: number, count: number): string {
  const all = lines(text)
  return [...all.slice(0, at), ...all.slice(at + count)].join('\n')
}
function withLine(text: string, at: number, line: string): string {
  const all = lines(text)
  return [...all.slice(0, at), line, ...all.slice(at)].join('\n')
}
function dayRows(perDay: number): string {
  const heads = Array.from({ length: perDay }, (_, k) => `kWh ${k + 1}`)
  const rows = Array.from({ length: 14 }, (_, d) => {
    const values = heads.map((_, k) =>
      String(usual(new Date((start + d * day + (k * day) / perDay) * 1000), 1440 / perDay)),
    )
    return [isoTime(new Date((start + d * day) * 1000)).slice(0, 10), ...values].join(',')
  })
  return [['Date', ...heads].join(','), ...rows].join('\n')
}

test.each(odd)('%s', (_name, text, { total, step = 60, says = [] }) => {
  const series = read(textOf(new TextEncoder().encode(text)))
  expect(series.codes).toEqual(says)
  expect(series.stepMinutes).toBe(step)
  expect(series.total).toBeCloseTo(total, 6)
  for (const { code, data, line } of series.problems)
    expect(
      plainEnglish.say(meterProblems[code as keyof typeof meterProblems], { ...data, line }),
    ).not.toMatch(/[{}]/)
})

/** Broken ones: the code and the reason that are said. */
const broken: readonly (readonly [string, string, string])[] = [
  ['nothing but headings', 'Time,kWh\n', 'not-a-table'],
  ['a letter', 'Dear customer,\nplease find attached\n', 'not-a-table'],
  ['days', meterTable({ step: 1440 }), 'coarse'],
  ['months', 'Month,kWh\n2023-01-01,300\n2023-02-01,280\n2023-03-01,290\n2023-04-01,250\n', 'coarse'],
  ['steps of 45 minutes', meterTable({ step: 45 }), 'step'],
  ['one row', 'Time,kWh\n2023-01-01 00:00,1\n', 'not-a-table'],
  ['times alone', meterTable({ headings: ['Time', 'Note'], value: () => 'ok' }), 'values'],
  ['no values at all', meterTable({ value: () => '' }), 'values'],
  ['a column of no year', `kWh\n${Array.from({ length: 500 }, () => '1').join('\n')}`, 'times'],
  ['years apart', `${meterTable()}2093-01-01 00:00,1\n`, 'long'],
  ['Atom cut off', atomFeed([{ values: hours(4) }]).slice(0, -300), 'xml'],
  ['Atom with a document type', `<?xml version="1.0"?><!DOCTYPE feed [<!ENTITY a "b">]><feed/>`, 'doctype'],
  ['Atom with words for values', atomFeed([{ values: [{ start, value: 'much' }] }]), 'field'],
  [
    'Atom of days',
    atomFeed([{ values: [0, 1, 2].map((d) => ({ start: start + d * day, duration: day, value: 9000 })) }]),
    'coarse',
  ],
  ['Atom without readings', atomFeed([]), 'nothing'],
  ['Atom of what goes out only', atomFeed([{ direction: 19, values: hours(5) }]), 'nothing'],
  ['nested without end', `<feed>${'<a>'.repeat(90)}`, 'deep'],
  ['a web page', '<html><body><p>Signed out</body></html>', 'xml'],
]

test.each(broken)('broken: %s', (_name, text, reason) => {
  expect.assertions(2)
  try {
    read(text)
  } catch (error) {
    const fault = error as Fault
    expect(fault.code === 'meter-file' ? fault.data['reason'] : fault.code).toBe(reason)
    expect(plainEnglish.fault(fault)).toMatch(/^[A-Z].*[.?]$/s)
  }
})

test('a column that is asked for, and one that is not there', () => {
  const text = meterTable({
    headings: ['Time', 'Export (kWh)', 'Import (kWh)'],
    row: (time, value) => [time, '9', value],
  })
  expect(read(text, 'export (kwh)').total).toBeCloseTo(14 * 24 * 9, 6)
  expect(() => read(text, 'Heat')).toThrow(Fault)
})

/** A year by the clock on the wall, where an hour is skipped in March and comes twice in November. */
function wallYear(options: MeterTable & { readonly zone: (at: Date) => number }): string {
  return meterTable({
    days: 365,
    from: Date.UTC(2023, 0, 1, 5),
    time: (at) => isoTime(new Date(at.getTime() + options.zone(at) * 3_600_000)),
    value: () => 1,
    ...options,
  })
}

test('daylight saving: no hour is missing and none is counted twice, on both sides of the equator', () => {
  const north = (at: Date) =>
    at.getTime() >= Date.UTC(2023, 2, 12, 7) && at.getTime() < Date.UTC(2023, 10, 5, 6) ? -4 : -5
  const series = read(wallYear({ zone: north }))
  expect([series.kwh.length, series.codes]).toEqual([8760, ['daylight-saving']])
  expect(new Date(series.start * 60_000).toISOString()).toBe('2023-01-01T00:00:00.000Z')
  expect(series.measured.every((one) => one === 1)).toBe(true)
  const south = (at: Date) =>
    at.getTime() >= Date.UTC(2023, 3, 1, 16) && at.getTime() < Date.UTC(2023, 8, 30, 16) ? 10 : 11
  const other = read(wallYear({ zone: south, from: Date.UTC(2022, 11, 31, 13), step: 30, value: () => 0.5 }))
  expect([other.kwh.length, other.codes]).toEqual([17_520, ['daylight-saving']])
  // Midnight of a summer's New Year is eleven in the evening by standard time.
  expect(new Date(other.start * 60_000).toISOString()).toBe('2022-12-31T23:00:00.000Z')
})

test('an hour that is missing on a winter’s Sunday, or comes twice in June, is no change of clocks', () => {
  // 8 January 2023 is a Sunday: from two to three in the morning there is nothing.
  const gap = read(without(meterTable({ days: 9, from: Date.UTC(2023, 0, 2) }), 1 + 6 * 24 + 2, 1))
  expect([gap.kwh.length, gap.codes]).toEqual([9 * 24, ['gaps']])
  const twice = read(doubled(meterTable({ days: 9, from: Date.UTC(2023, 5, 5) }), 1 + 6 * 24 + 2))
  expect([twice.kwh.length, twice.codes]).toEqual([9 * 24, ['repeated']])
})

test('the long day of a row a day has an hour more', () => {
  const heads = ['Date', ...Array.from({ length: 25 }, (_, k) => `H${k + 1}`)]
  const row = (date: string, count: number) =>
    [date, ...Array.from({ length: 25 }, (_, k) => (k < count ? '1' : ''))].join(',')
  const text = [
    heads.join(','),
    ...['2023-10-27', '2023-10-28'].map((date) => row(date, 24)),
    row('2023-10-29', 25),
    ...['2023-10-30', '2023-10-31'].map((date) => row(date, 24)),
  ].join('\n')
  const series = read(text)
  expect([series.kwh.length, series.total]).toEqual([121, 121])
  expect(series.codes).toContain('daylight-saving')
})

test('what is missing is filled from the same weekday and hour', () => {
  // Sundays use three, other days one.
  const value = (_: number, at: Date) => (at.getUTCDay() === 0 ? 3 : 1)
  const text = meterTable({ days: 35, value: (i, at) => (Math.floor(i / 24) === 13 ? '' : value(i, at)) })
  const { kwh, measured } = read(text)
  expect(kwh.slice(13 * 24, 14 * 24).every((one) => one === 3)).toBe(true)
  expect(measured.filter((one) => one === 0)).toHaveLength(24)
})

test('a year of five minutes with offsets, the longest there is', () => {
  const text = meterTable({
    days: 365,
    step: 5,
    from: Date.UTC(2023, 0, 1),
    time: (at) => `${at.toISOString().slice(0, 19)}-05:00`,
  })
  const series = read(text)
  expect([series.kwh.length, series.stepMinutes, series.codes]).toEqual([105_120, 5, []])
  expect(series.total).toBeCloseTo(365 * 13.5, 4)
})

test('a year from less than one, in proportion; a leap year as it is', () => {
  expect(energyOf(read(meterTable())).annualKwh).toBeCloseTo((twoWeeks * 365) / 14, 6)
  const leap = read(meterTable({ days: 366, from: Date.UTC(2024, 0, 1) }))
  expect(energyOf(leap).annualKwh).toBeCloseTo(366 * 13.5, 6)
})

test('whatever is broken in a file: it is read, or refused with a reason', () => {
  const random = seededRandom(157)
  const whole = [
    meterTable({ days: 3 }),
    meterTable({ days: 3, separator: ';', decimal: ',', time: dayFirst }),
    dayRows(24),
    atomFeed([{ values: hours(20) }]),
  ]
  const pieces = [
    '',
    ',',
    ';',
    '\n',
    '-',
    '9',
    '"',
    '<',
    '>',
    ' ',
    '1e9',
    'kWh',
    '2023-01-10 03:00',
    '\u0000',
    'é',
  ]
  let readable = 0
  for (let k = 0; k < 600; k++) {
    let text = whole[k % whole.length] ?? ''
    for (let cuts = 0; cuts < 1 + random() * 4; cuts++) {
      const at = Math.floor(random() * text.length)
      const piece = pieces[Math.floor(random() * pieces.length)] ?? ''
      text = text.slice(0, at) + piece + text.slice(at + Math.floor(random() * 6))
    }
    try {
      const { kwh, stepMinutes } = readMeter(text)
      expect(kwh.every((value) => Number.isFinite(value) && value >= 0)).toBe(true)
      expect(stepMinutes).toBeGreaterThan(0)
      readable++
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      expect(plainEnglish.fault(error)).not.toMatch(/[{}]/)
    }
  }
  expect(readable).toBeGreaterThan(200)
})
