import { Fault } from '../../model/fault'
import { daysIn, modelYear } from '../../model/model-year'
import { ProblemList } from '../../weather/reading'
import { type CsvTable } from '../../weather/csv-table'
import { countedUp, isCounter, isCounterHeading, likelihood, toKwh, unitIn, type MeterUnit } from './columns'
import { type RawReadings, type Reading } from './reading'
import { stampAt, timeColumns, type TimeColumns } from './table-times'

/** Values of a day side by side; where clocks are put back one hour more. */
const perDay = [24, 25, 48, 50, 96, 100, 288, 300]
const dayMinutes = 1440
/** A mean of so many an interval is no house’s in kWh. */
const muchKwh = 60

const numberIn = (cell: string | undefined, decimal: '.' | ','): number => {
  const text = (cell ?? '').trim().replace(/\s*k?wh?$/i, '')
  const plain =
    decimal === ','
      ? text.replaceAll('.', '').replace(',', '.')
      : text.replace(/(?<=\d),(?=\d{3}(\D|$))/g, '')
  return /^[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?$/i.test(plain) ? Number(plain) : NaN
}

/** How likely a heading is of what is sought; below zero it is not. */
type Likely = (heading: string) => number

/**
 * Readings of a table: a row an interval, a row a day, or a column alone that is a whole year.
 * @param likely what is sought: what a house takes, where nothing else is said
 * @throws Fault `meter-file`
 */
export function tableReadings(
  table: CsvTable,
  wanted: string | null,
  likely: Likely = likelihood,
): RawReadings {
  const times = timeColumns(table)
  if (!times) return bareColumn(table, wanted, likely)
  const numeric = numericColumns(table, times)
  const wide = perDay.includes(numeric.length) && times.clock === null && !withClock(table, times)
  return wide ? dayRows(table, times, numeric) : intervalRows(table, times, numeric, wanted, likely)
}

const withClock = ({ rows }: CsvTable, { date }: TimeColumns): boolean =>
  rows.slice(0, 50).some((row) => /\d:\d\d|T\d/.test(row[date] ?? ''))

/** Columns of numbers that are no times. */
function numericColumns({ headings, rows, decimal }: CsvTable, times: TimeColumns | null): number[] {
  const sample = rows.slice(0, 400)
  return headings.flatMap((_, c) => {
    if (c === times?.date || c === times?.clock) return []
    const filled = sample.filter((row) => (row[c] ?? '').trim() !== '')
    const numbers = filled.filter((row) => !Number.isNaN(numberIn(row[c], decimal)))
    return numbers.length > 0 && numbers.length >= filled.length * 0.8 ? [c] : []
  })
}

/** The column of what the house takes, and those that might be it as well. */
function valueColumn(
  { headings }: CsvTable,
  numeric: readonly number[],
  wanted: string | null,
  likely: Likely,
  found: ProblemList,
): number {
  if (wanted !== null) {
    const at = headings.findIndex((heading) => heading.toLowerCase() === wanted.trim().toLowerCase())
    if (at < 0)
      throw new Fault('meter-file', { reason: 'column', column: wanted, columns: headings.join(', ') })
    return at
  }
  const ranked = [...numeric].sort((a, b) => likely(headings[b] ?? '') - likely(headings[a] ?? '') || a - b)
  const [best, ...rest] = ranked
  if (best === undefined) throw new Fault('meter-file', { reason: 'values' })
  const left = rest.filter((c) => likely(headings[c] ?? '') >= 0).map((c) => headings[c] ?? '')
  if (left.length > 0)
    found.add('columns-left', 0, () => ({ column: headings[best] ?? '', others: left.join(', ') }), 'note')
  return best
}

function intervalRows(
  table: CsvTable,
  times: TimeColumns,
  numeric: readonly number[],
  wanted: string | null,
  likely: Likely,
): RawReadings {
  const found = new ProblemList()
  const value = valueColumn(table, numeric, wanted, likely, found)
  const heading = table.headings[value] ?? ''
  const stamps = table.rows.map((row, r) => {
    const at = stampAt(
      row[times.date] ?? '',
      times.clock === null ? null : (row[times.clock] ?? ''),
      times.dayFirst,
    )
    if (!at) found.add('bad-time', table.lines[r] ?? 0, (count) => ({ count }))
    return at
  })
  const zoned = stamps.every((at) => at === null || at.zone !== null)
  // By Greenwich no hour comes twice; then by the clock that the file begins with.
  const home = zoned ? stamps.reduce((least, at) => Math.min(least, at?.zone ?? least), Infinity) : 0
  const minutes = stamps.map((at) => (at ? at.minutes - (zoned ? (at.zone ?? 0) - home : 0) : NaN))
  const step = usualStep(minutes)
  // Days and months are called by when they begin.
  const ends = step < dayMinutes && (times.ends || endsIntervals(minutes, step))
  const raw = table.rows.map((row) => numberIn(row[value], table.decimal))
  table.rows.forEach((row, r) => {
    const cell = (row[value] ?? '').trim()
    if (cell !== '' && Number.isNaN(raw[r]))
      found.add('bad-value', table.lines[r] ?? 0, (count) => ({ count }))
  })
  const counter = isCounterHeading(heading) ? isCounter(raw, 1 / 50) : likely(heading) < 4 && isCounter(raw)
  const counted = counter ? countedUp(raw) : null
  if (counted) {
    found.add('counter', 0, () => ({ column: heading }), 'note')
    for (const k of counted.falls) found.add('counter-falls', table.lines[k + 1] ?? 0, (count) => ({ count }))
  }
  const values = counted?.kwh ?? raw
  const unit = unitOf(heading, values, step, found)
  const readings = minutes.flatMap((at, r): Reading[] =>
    Number.isNaN(at)
      ? []
      : [
          {
            start: at - (ends && !counted ? step : 0),
            kwh: toKwh(values[r] ?? NaN, unit, step),
            line: table.lines[r] ?? 0,
          },
        ],
  )
  if (counted) readings.pop()
  return { readings, stepMinutes: step, wallClock: !zoned, problems: found.list }
}

/** The difference between stamps that is met most. */
function usualStep(minutes: readonly number[]): number {
  const counts = new Map<number, number>()
  for (let k = 1; k < minutes.length; k++) {
    const step = Math.abs((minutes[k] ?? NaN) - (minutes[k - 1] ?? NaN))
    if (step > 0) counts.set(step, (counts.get(step) ?? 0) + 1)
  }
  const [best] = [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0])
  if (!best) throw new Fault('meter-file', { reason: 'single' })
  return best[0]
}

/** A file whose first day has no midnight but whose last has says when intervals end. */
function endsIntervals(minutes: readonly number[], step: number): boolean {
  const known = minutes.filter((at) => !Number.isNaN(at))
  const first = Math.min(known[0] ?? 0, known.at(-1) ?? 0)
  const last = Math.max(known[0] ?? 0, known.at(-1) ?? 0)
  return first % 1440 === step % 1440 && last % 1440 === 0
}

function unitOf(heading: string, values: readonly number[], step: number, found: ProblemList): MeterUnit {
  const named = unitIn(heading)
  if (named) return named
  const known = values.filter((value) => !Number.isNaN(value))
  const mean = known.reduce((sum, value) => sum + Math.abs(value), 0) / Math.max(1, known.length)
  const unit = mean > (muchKwh * step) / 60 ? 'Wh' : 'kWh'
  found.add('unit-guessed', 0, () => ({ unit }), 'note')
  return unit
}

/** A row a day: the last columns are its hours or quarter-hours, in their order. */
function dayRows(table: CsvTable, times: TimeColumns, numeric: readonly number[]): RawReadings {
  const found = new ProblemList()
  const long = numeric.length % 25 === 0
  const usual = long ? (numeric.length * 24) / 25 : numeric.length
  const step = 1440 / usual
  const more = numeric.length - usual
  const values = table.rows.map((row) => numeric.map((c) => numberIn(row[c], table.decimal)))
  const unit = unitOf(table.remarks['unit'] ?? table.headings.join(' '), values.flat(), step, found)
  const readings: Reading[] = []
  table.rows.forEach((row, r) => {
    const day = stampAt(row[times.date] ?? '', null, times.dayFirst)
    if (!day) {
      found.add('bad-time', table.lines[r] ?? 0, (count) => ({ count }))
      return
    }
    const own = values[r] ?? []
    // On the long day the hour from one to two comes twice.
    const twice = long && !Number.isNaN(own.at(-1) ?? NaN) ? 120 / step : Infinity
    const end = twice === Infinity ? usual : usual + more
    for (let k = 0; k < end; k++)
      readings.push({
        start: day.minutes + (k < twice ? k : k - more) * step,
        kwh: toKwh(own[k] ?? NaN, unit, step),
        line: table.lines[r] ?? 0,
      })
  })
  return { readings, stepMinutes: step, wallClock: true, problems: found.list }
}

/** A column without times: a whole year of equal intervals, from New Year on. */
function bareColumn(table: CsvTable, wanted: string | null, likely: Likely): RawReadings {
  const found = new ProblemList()
  const numeric = numericColumns(table, null)
  const value = valueColumn(table, numeric, wanted, likely, found)
  const values = table.rows.map((row) => numberIn(row[value], table.decimal))
  const year = [modelYear, modelYear - 1].find((one) => {
    const step = (daysIn(one) * 1440) / values.length
    return [60, 30, 15, 5].includes(step)
  })
  if (year === undefined) throw new Fault('meter-file', { reason: 'times', found: values.length })
  const step = (daysIn(year) * 1440) / values.length
  found.add('no-times', 0, () => ({ step }), 'note')
  const unit = unitOf(table.headings[value] ?? '', values, step, found)
  const start = Date.UTC(year, 0, 1) / 60_000
  return {
    readings: values.map((one, k) => ({
      start: start + k * step,
      kwh: toKwh(one, unit, step),
      line: table.lines[k] ?? 0,
    })),
    stepMinutes: step,
    wallClock: false,
    problems: found.list,
  }
}
