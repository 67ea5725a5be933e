import { Fault } from '../model/fault'
import { isStep } from '../model/model-year'
import { completeYear, type RawSeries } from './complete-year'
import { columnUnits, toCoreUnit, type ColumnRole, type MeasuredRole } from './csv-columns'
import { type CsvMapping, type CsvTable } from './csv-table'
import { checkedStamp, parseClock, parseStamp, type Stamp } from './csv-time'
import { ProblemList, type WeatherReading } from './reading'
import { type YearPlace } from './weather-year'

const minuteMs = 60_000
const dayMinutes = 1440
const yearMinutes = 365 * dayMinutes
/** Stand for a year that a table does not name, without and with a 29 February. */
const commonYear = 2001
const leapYear = 2000
/** Written where nothing was measured, beside an empty cell. */
const absent =
  /^(|-|--|n\/?a|nan|null|none|missing|-99(\.9*)?|-999(\.9*)?|-9999(\.0*)?|9999(\.0*)?|99999(\.0*)?)$/i
/** Coverage under which a table is not a year. */
const leastCoverage = 0.85

/** Where the weather of a table was measured; a table seldom says. */
export type CsvPlace = Omit<YearPlace, 'timeZoneHours' | 'stepMinutes'>

/**
 * Reads a table as a year of weather with the mapping the person has seen.
 * @throws Fault `no-time`, `bad-time`, `bad-number`, `bad-step`, `not-a-year` with the line; and as `completeYear`
 */
export function csvYear(
  table: CsvTable,
  mapping: CsvMapping,
  place: CsvPlace,
  shiftMinutes = 0,
): WeatherReading {
  const column = (role: ColumnRole) => mapping.columns.findIndex((c) => c.role === role)
  const problems = new ProblemList()
  const minutes = rowMinutes(table, mapping, column)
  const stepMinutes = stepOf(minutes, table)
  const perDay = dayMinutes / stepMinutes
  const n = 365 * perDay
  const rowOf = placeRows(minutes, table, mapping, stepMinutes, n, problems)
  const covered = rowOf.filter((row) => row >= 0).length
  if (covered < leastCoverage * n)
    throw new Fault(
      'not-a-year',
      { reason: 'intervals', covered, all: n, step: stepMinutes },
      `line ${table.lines.at(-1) ?? 1}`,
    )
  const series = (role: MeasuredRole): Float64Array | null => {
    const c = column(role)
    if (c < 0) return null
    const unit = mapping.columns[c]?.unit ?? columnUnits[role][0]
    return Float64Array.from(rowOf, (row) => {
      if (row < 0) return NaN
      const value = numberIn(table, row, c, mapping.decimal)
      return Number.isNaN(value) ? NaN : toCoreUnit(value, unit, stepMinutes / 60)
    })
  }
  const raw: RawSeries = {
    ghi: series('ghi'),
    dni: series('dni'),
    dhi: series('dhi'),
    temperatureC: series('temperature'),
    windMs: series('wind'),
    albedo: series('albedo'),
    snowDepthM: series('snow-depth'),
  }
  const lines = Int32Array.from(rowOf, (row) => (row < 0 ? 0 : (table.lines[row] ?? 0)))
  const whole = { ...place, timeZoneHours: mapping.timeZoneHours, stepMinutes }
  const reading = completeYear(whole, raw, lines, shiftMinutes)
  return { ...reading, problems: [...problems.list, ...reading.problems] }
}

function numberIn(table: CsvTable, row: number, c: number, decimal: '.' | ','): number {
  const cell = (table.rows[row]?.[c] ?? '').trim()
  if (absent.test(decimal === ',' ? cell.replace(',', '.') : cell)) return NaN
  const value = Number(decimal === ',' ? cell.replace('.', '').replace(',', '.') : cell)
  if (Number.isFinite(value)) return value
  const line = table.lines[row] ?? 0
  throw new Fault(
    'bad-cell',
    { line, column: table.headings[c] ?? String(c + 1), text: cell.slice(0, 30), decimal },
    `line ${line}`,
  )
}

/**
 * Each row's stamp in minutes since 1970 on the mapping's clock.
 * Rows without a stamp column follow each other from 1 January.
 */
function rowMinutes(
  table: CsvTable,
  mapping: CsvMapping,
  column: (role: ColumnRole) => number,
): Float64Array {
  const at = {
    time: column('time'),
    date: column('date'),
    clock: column('clock'),
    year: column('year'),
    month: column('month'),
    day: column('day'),
    hour: column('hour'),
    minute: column('minute'),
  }
  const hasStamp = at.time >= 0 || at.date >= 0 || (at.month >= 0 && at.day >= 0)
  if (!hasStamp) return fromNewYear(table)
  const cell = (row: readonly string[], c: number) => (c < 0 ? '' : (row[c] ?? '').trim())
  /** A number that stands there; NaN for an empty cell, which is not nought. */
  const whole = (row: readonly string[], c: number) => (cell(row, c) === '' ? NaN : Number(cell(row, c)))
  // Without a year: one that has the days the table has.
  const isLeapDay = (row: readonly string[]) => whole(row, at.month) === 2 && whole(row, at.day) === 29
  const unsaid = at.year < 0 && table.rows.some(isLeapDay) ? leapYear : commonYear
  const minutesIn = (row: readonly string[]): number => {
    if (at.clock >= 0) return parseClock(cell(row, at.clock)) ?? NaN
    if (at.hour < 0) return 0
    const minute = at.minute < 0 ? 0 : whole(row, at.minute)
    return minute >= 0 && minute <= 60 ? whole(row, at.hour) * 60 + minute : NaN
  }
  const stampOf = (row: readonly string[]): Stamp | null => {
    if (at.time >= 0) return parseStamp(cell(row, at.time), mapping.dayFirst)
    const minutes = minutesIn(row)
    if (at.date >= 0) {
      const stamp = parseStamp(cell(row, at.date), mapping.dayFirst)
      return stamp && checkedStamp({ ...stamp, minutes: stamp.minutes + minutes })
    }
    const [month, day] = [whole(row, at.month), whole(row, at.day)]
    return checkedStamp({
      year: at.year >= 0 ? whole(row, at.year) : unsaid,
      month,
      day,
      minutes,
      zoneMinutes: null,
    })
  }
  return Float64Array.from(table.rows, (row, r) => {
    const stamp = stampOf(row)
    const line = table.lines[r] ?? 0
    if (!stamp) {
      const shown = at.time >= 0 ? cell(row, at.time) : row.slice(0, 5).join(', ')
      throw new Fault(
        'bad-time',
        {
          reason: 'cell',
          line,
          text: shown.slice(0, 40),
          example: mapping.dayFirst ? '31.03.2024' : '03/31/2024',
        },
        `line ${line}`,
      )
    }
    const shift = stamp.zoneMinutes === null ? 0 : mapping.timeZoneHours * 60 - stamp.zoneMinutes
    return Date.UTC(stamp.year, stamp.month - 1, stamp.day) / minuteMs + stamp.minutes + shift
  })
}

/** Rows that only follow each other: a normal or a leap year in equal steps. */
function fromNewYear(table: CsvTable): Float64Array {
  const n = table.rows.length
  const days = [365, 366].find((d) => n % (d * 24) === 0 && isStep((d * dayMinutes) / n))
  if (days === undefined) throw new Fault('no-time', { rows: n }, 'line 1')
  const year = days === 366 ? leapYear : commonYear
  const step = (days * dayMinutes) / n
  const start = Date.UTC(year, 0, 1) / minuteMs
  return Float64Array.from(table.rows, (_, r) => start + r * step)
}

/** The step that most rows keep. */
function stepOf(minutes: Float64Array, table: CsvTable): number {
  const counts = new Map<number, number>()
  for (let r = 1; r < minutes.length; r++) {
    const step = (minutes[r] as number) - (minutes[r - 1] as number)
    if (step > 0) counts.set(step, (counts.get(step) ?? 0) + 1)
  }
  const [step] = [...counts].sort((a, b) => b[1] - a[1])[0] ?? [0]
  if (!isStep(step)) throw new Fault('bad-step', { step }, `line ${table.lines[1] ?? 1}`)
  return step
}

/** The row of each interval of the year, -1 where there is none. Of several years the fullest is taken. */
function placeRows(
  minutes: Float64Array,
  table: CsvTable,
  mapping: CsvMapping,
  stepMinutes: number,
  n: number,
  problems: ProblemList,
): Int32Array {
  const back = mapping.stamp === 'end' ? stepMinutes : 0
  const begins = minutes.map((m) => m - back)
  const first = begins.reduce((a, b) => Math.min(a, b), Infinity)
  const last = begins.reduce((a, b) => Math.max(a, b), -Infinity)
  let [from, until] = [first, last + stepMinutes]
  if (last - first > 366 * dayMinutes) {
    ;[from, until] = fullestYear(begins, first, leastCoverage * n)
    problems.add(
      'several-years',
      table.lines[0] ?? 1,
      () => ({ from: new Date(from * minuteMs).toISOString().slice(0, 10) }),
      'note',
    )
  }
  const rowOf = new Int32Array(n).fill(-1)
  begins.forEach((m, r) => {
    if (m < from || m >= until) return
    const at = new Date(m * minuteMs)
    const line = table.lines[r] ?? 0
    if (at.getUTCMonth() === 1 && at.getUTCDate() === 29) {
      problems.add('leap-day', line, () => ({}), 'note')
      return
    }
    const leap = new Date(Date.UTC(at.getUTCFullYear(), 1, 29)).getUTCMonth() === 1
    let minute = m - Date.UTC(at.getUTCFullYear(), 0, 1) / minuteMs
    if (leap && at.getUTCMonth() > 1) minute -= dayMinutes
    const i = Math.floor((minute % yearMinutes) / stepMinutes)
    if ((rowOf[i] as number) >= 0) problems.add('twice', line, (count) => ({ count, line }))
    rowOf[i] = r
  })
  return rowOf
}

/** The calendar year with most rows; where none has enough, the twelve months from the first row on. */
function fullestYear(begins: Float64Array, first: number, enough: number): [from: number, until: number] {
  const counts = new Map<number, number>()
  for (const m of begins) {
    const year = new Date(m * minuteMs).getUTCFullYear()
    counts.set(year, (counts.get(year) ?? 0) + 1)
  }
  const [year, rows] = [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0])[0] ?? [0, 0]
  if (rows >= enough) return [Date.UTC(year, 0, 1) / minuteMs, Date.UTC(year + 1, 0, 1) / minuteMs]
  const at = new Date(first * minuteMs)
  const next = Date.UTC(at.getUTCFullYear() + 1, at.getUTCMonth(), at.getUTCDate(), at.getUTCHours())
  return [first, next / minuteMs]
}
