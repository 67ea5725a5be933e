import { gaussian, seededRandom } from '../model/random'
import { type ComparedDay } from './compare'
import { courseOf } from './changes'
import { hourOfYear, inHours, typicalAt, yearsOf } from './hours'
import { readMade, type Made } from './made'
import { afterReport, type AfterCase } from './report'

const dayMs = 86_400_000
const dayOf = (text: string) => Date.parse(`${text}T00:00Z`) / dayMs
const noon = 12.3

/** An hour of a clear day by the season, kWh; noon at 12.3. */
const clear = (day: number, hour: number): number => {
  const season = 0.65 - 0.35 * Math.cos((2 * Math.PI * (day - 172 + 182)) / 365)
  const half = 4.5 + 3 * season
  const off = (hour + 0.5 - noon) / half
  return Math.abs(off) >= 1 ? 0 : 6 * season * Math.cos((off * Math.PI) / 2) ** 1.3
}

/** A year of hours under clouds that are drawn day by day and hour by hour. */
function yearOf(seed: number): Float64Array {
  const random = seededRandom(seed)
  return Float64Array.from({ length: 8760 }, (_, i) => i).map((i) => {
    const cloud = 0.35 + 0.65 * dayCloud(seed, Math.floor(i / 24))
    return clear(Math.floor(i / 24), i % 24) * cloud * (0.85 + 0.15 * random())
  })
}
const dayCloud = (seed: number, day: number) => seededRandom(seed * 1000 + day)()

const typical = yearOf(1)
const weather2025 = yearOf(2)
const weather2026 = yearOf(3)
const given: AfterCase = {
  typical,
  asWeather: new Map([
    [2025, weather2025],
    [2026, weather2026],
  ]),
  degradation: 0.005,
  sinceHour: null,
  strings: [
    { id: 'string-1', share: 0.72 },
    { id: 'string-2', share: 0.28 },
  ],
  noonHour: noon,
}

/** Hour after hour from July to June, as the weather was and with what is done to it. */
function madeOf(
  change: (kwh: number, day: number, hour: number) => number = (kwh) => kwh,
  { noise = 0.03, seed = 9, from = '2025-07-01', days = 365, ahead = 0 } = {},
): Made {
  const gauss = gaussian(seededRandom(seed))
  const first = dayOf(from)
  return {
    by: 'hours',
    problems: [],
    spans: Array.from({ length: days * 24 }, (_, k) => {
      const hour = first * 24 + k
      const at = hourOfYear(hour)
      const year = at?.year === 2026 ? weather2026 : weather2025
      const kwh = at ? (year[at.hour] ?? 0) : 0
      return {
        fromHour: hour + ahead,
        hours: 1,
        kwh: Math.max(0, change(kwh * (1 + noise * gauss()), Math.floor(hour / 24), hour % 24)),
      }
    }),
  }
}

test('a year that ran well: expected is made, nothing is off, and the months add up', () => {
  const report = afterReport(madeOf(), given)
  expect(report.total.madeKwh / report.total.expectedKwh).toBeCloseTo(1, 2)
  expect(report.changes).toEqual([])
  expect(report.outages).toEqual([])
  expect(report.clockAheadHours).toBe(0)
  expect(report.weatherKnown).toBe(true)
  expect(report.months).toHaveLength(12)
  expect(report.months[0]).toMatchObject({ year: 2025, month: 6, hours: 744, hoursOfMonth: 744 })
  for (const field of ['promisedKwh', 'expectedKwh', 'madeKwh', 'hours'] as const)
    expect(report.months.reduce((sum, month) => sum + month[field], 0)).toBeCloseTo(report.total[field], 6)
  // What was promised is the typical year, the same hours of it.
  const july = Array.from({ length: 744 }, (_, k) => typical[(181 * 24 + k) % 8760] ?? 0)
  expect(report.months[0]?.promisedKwh).toBeCloseTo(
    july.reduce((sum, kwh) => sum + kwh, 0),
    6,
  )
})

test.each([
  [
    'a string that gives nothing',
    (kwh: number) => kwh * 0.72,
    { is: 'string', stringId: 'string-2', share: 0.28 },
  ],
  [
    'a tree that has grown in the east',
    (kwh: number, _: number, hour: number) => (hour < 11 ? kwh * 0.4 : kwh),
    { is: 'morning' },
  ],
  [
    'a new house in the west',
    (kwh: number, _: number, hour: number) => (hour > 14 ? kwh * 0.3 : kwh),
    { is: 'afternoon' },
  ],
  ['dirt on all of it', (kwh: number) => kwh * 0.88, { is: 'even' }],
] as const)('%s is found to the week, told apart and worth so much', (_, change, cause) => {
  const since = dayOf('2026-03-10')
  const report = afterReport(
    madeOf((kwh, day, hour) => (day >= since ? change(kwh, day, hour) : kwh)),
    given,
  )
  expect(report.changes).toHaveLength(1)
  const [found] = report.changes
  expect(Math.abs((found?.day ?? 0) - since)).toBeLessThanOrEqual(7)
  expect(found?.cause).toMatchObject(cause)
  expect(found?.before).toBeCloseTo(1, 1)
  expect(found?.kwhPerYear ?? 0).toBeGreaterThan(0)
})

test('a limit that was set is one thing, whatever the season, with what it takes', () => {
  const since = dayOf('2025-09-10')
  const report = afterReport(
    madeOf((kwh, day) => (day >= since ? Math.min(kwh, 2) : kwh)),
    given,
  )
  expect(report.changes).toEqual([])
  expect(report.lid?.kw).toBeCloseTo(2, 2)
  expect(Math.abs((report.lid?.day ?? 0) - since)).toBeLessThanOrEqual(7)
  const over = typical.reduce((sum, kwh) => sum + Math.max(0, kwh - 2), 0)
  expect((report.lid?.kwhPerYear ?? 0) / over).toBeCloseTo(1, 1)
  // An inverter that is simply no larger is no lid: what is expected is held down too.
  const small = new Map(
    [...given.asWeather].map(([year, hours]) => [year, hours.map((kwh) => Math.min(kwh, 2))]),
  )
  expect(
    afterReport(
      madeOf((kwh) => Math.min(kwh, 2)),
      { ...given, asWeather: small },
    ).lid,
  ).toBeNull()
})

test('where a limit is set, a step is worth its share of what the limit leaves: nothing is told twice', () => {
  const [step, limit] = [dayOf('2025-08-15'), dayOf('2025-10-01')]
  const report = afterReport(
    madeOf((kwh, day) => Math.min(day >= step ? kwh * 0.8 : kwh, day >= limit ? 2 : Infinity)),
    given,
  )
  const [change] = report.changes
  expect(report.lid?.kw).toBeCloseTo(2, 2)
  expect(Math.abs((change?.day ?? 0) - step)).toBeLessThanOrEqual(7)
  const left = typical.reduce((sum, kwh) => sum + Math.min(kwh, 2), 0)
  expect((change?.kwhPerYear ?? 0) / left).toBeCloseTo((change?.before ?? 0) - (change?.after ?? 0), 3)
})

test('it was mended: what makes more again is a change for the better', () => {
  const [out, back] = [dayOf('2025-10-01'), dayOf('2026-02-01')]
  const report = afterReport(
    madeOf((kwh, day) => (day >= out && day < back ? kwh * 0.72 : kwh)),
    given,
  )
  expect(report.changes.map(({ cause }) => cause.is)).toEqual(['string', 'better'])
  expect(report.changes[1]?.kwhPerYear).toBeLessThan(0)
})

test('days without a kilowatt-hour are an outage with its loss, not a worse system', () => {
  const [out, back] = [dayOf('2026-05-02'), dayOf('2026-05-20')]
  const report = afterReport(
    madeOf((kwh, day) => (day >= out && day < back ? 0 : kwh)),
    given,
  )
  expect(report.changes).toEqual([])
  expect(report.outages).toHaveLength(1)
  const [found] = report.outages
  expect(Math.abs((found?.fromDay ?? 0) - out)).toBeLessThanOrEqual(2)
  expect(Math.abs((found?.toDay ?? 0) - (back - 1))).toBeLessThanOrEqual(2)
  const lost = Array.from(
    { length: 18 * 24 },
    (_, k) => weather2026[(out - dayOf('2026-01-01')) * 24 + k] ?? 0,
  )
  const all = lost.reduce((sum, kwh) => sum + kwh, 0)
  expect((found?.lostKwh ?? 0) / all).toBeGreaterThan(0.9)
  expect((found?.lostKwh ?? 0) / all).toBeLessThan(1.01)
})

test.each([-5, 1, 9])('a clock that is %d hours ahead is set right', (ahead) => {
  const report = afterReport(madeOf(undefined, { ahead }), given)
  expect(report.clockAheadHours).toBe(ahead)
  expect(report.total.madeKwh / report.total.expectedKwh).toBeCloseTo(1, 2)
})

test('without the weather that was the typical year stands in, and that is told', () => {
  const report = afterReport(madeOf(), { ...given, asWeather: new Map([[2025, weather2025]]) })
  expect(report.weatherKnown).toBe(false)
  expect(report.total.expectedKwh).toBeCloseTo(report.total.promisedKwh, 6)
})

test('after years the modules are older: what is expected is less by as much', () => {
  const young = afterReport(madeOf(), given)
  const old = afterReport(madeOf(), { ...given, sinceHour: dayOf('2020-06-30') * 24 })
  expect(old.total.expectedKwh / young.total.expectedKwh).toBeCloseTo(0.995 ** 5, 4)
})

test('of changes of 8 to 40 % 97 in 100 are found to the week, and of years without one 2 in 100 tell of any', () => {
  const random = seededRandom(77)
  const first = dayOf('2025-01-01')
  const days = (step: number, at: number, seed: number): ComparedDay[] => {
    const gauss = gaussian(seededRandom(seed))
    return Array.from({ length: 365 }, (_, k) => {
      const expectedKwh = (8 + 20 * Math.sin((k / 365) * Math.PI)) * (0.2 + 0.8 * dayCloud(seed, k))
      // Weather is measured some miles away.
      const kwh = expectedKwh * Math.exp(0.08 * gauss()) * (k >= at ? 1 - step : 1)
      return { day: first + k, expectedKwh, promisedKwh: expectedKwh, madeKwh: kwh, hours: 24 }
    })
  }
  let [found, alarms] = [0, 0]
  const tries = 300
  for (let i = 0; i < tries; i++) {
    const at = 30 + Math.floor(random() * 300)
    const { stretches } = courseOf(days(0.08 + 0.32 * random(), at, 1000 + i))
    const near = stretches.slice(1).some(({ fromDay }) => Math.abs(fromDay - first - at) <= 7)
    if (near) found++
    if (courseOf(days(0, 365, 5000 + i)).stretches.length > 1) alarms++
  }
  expect(found).toBeGreaterThanOrEqual(0.97 * tries)
  expect(alarms).toBeLessThanOrEqual(0.02 * tries)
})

describe('files', () => {
  const rows = (count: number, row: (k: number) => string) =>
    Array.from({ length: count }, (_, k) => row(k)).join('\n')
  const stamp = (k: number, step: number) =>
    new Date(Date.UTC(2025, 6, 1) + k * step * 60_000).toISOString().slice(0, 16).replace('T', ' ')

  test('of quarter-hours in watts whole hours are made, and an hour with a gap is none', () => {
    const text = `time,Consumption (W),PV production (W)\n${rows(96 * 20, (k) => `${stamp(k, 15)},300,${k === 45 ? '' : 1200}`)}`
    const made = readMade(text)
    expect(made.by).toBe('hours')
    expect(made.spans).toHaveLength(24 * 20 - 1)
    expect(made.spans[0]).toEqual({ fromHour: Date.UTC(2025, 6, 1) / 3_600_000, hours: 1, kwh: 1.2 })
    expect(
      made.spans.some(({ fromHour }) => fromHour % 24 === 11 && fromHour < dayOf('2025-07-02') * 24),
    ).toBe(false)
  })

  test('of days by their dates, day first and with a decimal comma', () => {
    const day = (k: number) =>
      new Date(Date.UTC(2025, 6, 1) + k * dayMs).toISOString().slice(0, 10).split('-').reverse().join('.')
    const made = readMade(
      `Fecha;Producción solar (kWh)\n${rows(40, (k) => `${day(k)};${String(20 + k / 10).replace('.', ',')}`)}`,
    )
    expect(made.by).toBe('days')
    expect(made.spans).toHaveLength(40)
    expect(made.spans[1]).toEqual({ fromHour: dayOf('2025-07-02') * 24, hours: 24, kwh: 20.1 })
  })

  test.each(['2025-07', '2025-07-01', '07/01/2025', '01.07.2025'])('of months, written as %s', (first) => {
    const month = (k: number) => {
      const at = new Date(Date.UTC(2025, 6 + k, 1)).toISOString()
      if (first.includes('.')) return `01.${at.slice(5, 7)}.${at.slice(0, 4)}`
      if (first.includes('/')) return `${at.slice(5, 7)}/01/${at.slice(0, 4)}`
      return at.slice(0, first.length)
    }
    const made = readMade(`Month,Energy (kWh)\n${rows(12, (k) => `${month(k)},${800 + k}`)}`)
    expect(made.by).toBe('months')
    expect(made.spans).toHaveLength(12)
    expect(made.spans[7]).toEqual({ fromHour: dayOf('2026-02-01') * 24, hours: 28 * 24, kwh: 807 })
  })

  test('of weeks it is said that they are of no use, of nothing that there is nothing', () => {
    expect(() => readMade(`day,kWh\n${rows(30, (k) => `${stamp(k * 7, 1440).slice(0, 10)},${k}`)}`)).toThrow(
      'made-step',
    )
    expect(() => readMade('nothing at all')).toThrow('not-a-table')
  })
})

test('hours of a leap year: its 29 February is none, the days after it are as in any year', () => {
  expect(hourOfYear(dayOf('2024-02-29') * 24 + 5)).toBeNull()
  expect(hourOfYear(dayOf('2024-03-01') * 24)).toEqual({ year: 2024, hour: 59 * 24 })
  expect(hourOfYear(dayOf('2023-12-31') * 24 + 23)).toEqual({ year: 2023, hour: 8759 })
  expect(yearsOf([{ fromHour: dayOf('2023-12-31') * 24, hours: 48 }])).toEqual([2023, 2024])
  expect(typicalAt(typical)(dayOf('2024-02-29') * 24)).toBeNaN()
  expect(
    inHours(
      Float64Array.from({ length: 17520 }, () => 0.5),
      30,
    )[8759],
  ).toBe(1)
})
