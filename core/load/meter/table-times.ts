import { parseClock, parseStamp } from '../../weather/csv-time'
import { type CsvTable } from '../../weather/csv-table'

/** Where a table says when its intervals are. */
export interface TimeColumns {
  /** Column of the date, with its time or without. */
  readonly date: number
  /** Column of the time of day; null where it stands with the date. */
  readonly clock: number | null
  /** Whether stamps are of the intervals' ends. */
  readonly ends: boolean
  readonly dayFirst: boolean
}

const sampled = 400

/** Minutes since 1970 by the clock that the stamp is written in. */
export interface StampAt {
  readonly minutes: number
  /** Minutes east of Greenwich, where the stamp says so. */
  readonly zone: number | null
}

export function stampAt(date: string, clock: string | null, dayFirst: boolean): StampAt | null {
  const stamp = parseStamp(date, dayFirst)
  if (!stamp) return null
  const ofDay = clock === null ? stamp.minutes : parseClock(clock)
  if (ofDay === null || Number.isNaN(ofDay)) return null
  return {
    minutes: Date.UTC(stamp.year, stamp.month - 1, stamp.day) / 60_000 + ofDay,
    zone: stamp.zoneMinutes,
  }
}

/** Finds the columns of times by their cells; null where none are. */
export function timeColumns({ headings, rows }: CsvTable): TimeColumns | null {
  const sample = rows.slice(0, sampled)
  const share = (test: (cell: string) => boolean, column: number) =>
    sample.filter((row) => test(row[column] ?? '')).length / Math.max(1, sample.length)
  const isDate = (cell: string) => parseStamp(cell, true) !== null || parseStamp(cell, false) !== null
  const isClock = (cell: string) => /\d:\d\d|[ap]m/i.test(cell) && parseClock(cell) !== null
  const dates = headings.flatMap((_, c) => (share(isDate, c) > 0.8 ? [c] : []))
  const [date, second] = dates
  if (date === undefined) return null
  const dayFirst = isDayFirst(rows.map((row) => row[date] ?? ''))
  const withTime = sample.some((row) => /\d:\d\d|T\d/.test(row[date] ?? ''))
  const named = (pattern: RegExp, column: number | undefined) => pattern.test(headings[column ?? -1] ?? '')
  const ends = named(/end|to\b|until|bis/i, date) && !named(/start|begin|from/i, date)
  if (withTime) return { date, clock: null, ends: ends && second === undefined, dayFirst }
  const clocks = headings.flatMap((_, c) => (c !== date && share(isClock, c) > 0.8 ? [c] : []))
  const [clock] = clocks
  if (clock !== undefined)
    return { date, clock, ends: clocks.length === 1 && named(/end|to\b|until/i, clock), dayFirst }
  const hour = headings.findIndex(
    (heading, c) => c !== date && /^(hour|hora|hr|time|he)\b/i.test(heading.trim()),
  )
  return { date, clock: hour >= 0 ? hour : null, ends: false, dayFirst }
}

/** Day before month where one stamp can only be read so, or where days then follow each other more evenly. */
function isDayFirst(cells: readonly string[]): boolean {
  let [first, second] = [0, 0]
  for (const cell of cells) {
    const found = /^\s*(\d{1,2})[-/.](\d{1,2})[-/.]\d{2,4}/.exec(cell)
    if (!found) continue
    first = Math.max(first, Number(found[1]))
    second = Math.max(second, Number(found[2]))
  }
  if (first > 12) return true
  if (second > 12) return false
  return jumps(cells, true) < jumps(cells, false)
}

/** How often a day is neither the one before nor the next. */
function jumps(cells: readonly string[], dayFirst: boolean): number {
  let [count, before] = [0, NaN]
  for (const cell of cells) {
    const at = stampAt(cell, null, dayFirst)
    const day = at ? Math.floor(at.minutes / 1440) : NaN
    if (Math.abs(day - before) > 1) count++
    before = day
  }
  return count
}
