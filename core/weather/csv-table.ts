import Papa from 'papaparse'
import { Fault } from '../model/fault'
import { guessColumn, type CsvColumn } from './csv-columns'
import { looksLikeTime } from './csv-time'

/** A table of text as it stands in a file. */
export interface CsvTable {
  readonly headings: readonly string[]
  readonly rows: readonly (readonly string[])[]
  /** Line of each row in the file, from 1. */
  readonly lines: Int32Array
  readonly decimal: '.' | ','
  /** What stands before the table as `key=value`, such as the place. */
  readonly remarks: Readonly<Record<string, string>>
}

/** How a table is to be read: what the person sees and may change before it is imported. */
export interface CsvMapping {
  readonly columns: readonly CsvColumn[]
  readonly decimal: '.' | ','
  /** Day before month, where the order is not year first. */
  readonly dayFirst: boolean
  /** Whether a stamp says when its interval begins or ends. */
  readonly stamp: 'start' | 'end'
  /** Clock of the stamps, hours east of Greenwich. */
  readonly timeZoneHours: number
}

const mostRows = 200_000
const mostColumns = 200
/** Longer lines are no table's; and what looks for patterns in them would take for ever. */
const longestLine = 20_000
const longestCell = 40
/** Lines before the heading that are looked through. */
const mostPreamble = 60
const isNumber = (cell: string) =>
  cell.length <= longestCell && /^-?\d*[.,]?\d+(e[-+]?\d+)?$/i.test(cell.trim())

/**
 * Splits a text into a table: separator, heading and decimal mark are found out.
 * @param dataShare of the cells of a row, those that are times or numbers at least
 * @throws Fault `not-a-table`, `too-large`
 */
export function readTable(text: string, dataShare = 0.5): CsvTable {
  const all = text.split('\n', mostRows + mostPreamble + 2)
  if (all.length > mostRows + mostPreamble) throw new Fault('too-large', { reason: 'rows', limit: mostRows })
  const long = all.findIndex((line) => line.length > longestLine)
  if (long >= 0)
    throw new Fault('too-large', { reason: 'line', line: long + 1, limit: longestLine }, `line ${long + 1}`)
  const delimiter = separatorOf(all)
  const parsed = Papa.parse<string[]>(all.join('\n'), { delimiter, skipEmptyLines: false, quoteChar: '"' })
  const cells = parsed.data
  const start = firstDataRow(cells, dataShare)
  if (start < 0) throw new Fault('not-a-table', {}, 'line 1')
  const width = (cells[start] ?? []).length
  if (width > mostColumns)
    throw new Fault(
      'too-large',
      { reason: 'columns', line: start + 1, columns: width, limit: mostColumns },
      `line ${start + 1}`,
    )
  const above = start > 0 ? cells[start - 1] : undefined
  const named = above && above.length >= width && !above.every((cell) => cell.trim() === '')
  const headings = Array.from({ length: width }, (_, c) =>
    named ? (above[c] ?? '').trim() : `Column ${c + 1}`,
  )
  const rows: string[][] = []
  const lines: number[] = []
  for (let r = start; r < cells.length; r++) {
    const row = cells[r] ?? []
    if (row.every((cell) => cell.trim() === '')) continue
    rows.push(row)
    lines.push(r + 1)
  }
  const decimal =
    delimiter !== ',' && rows.slice(0, 300).some((row) => row.some((cell) => /^-?\d*,\d+$/.test(cell.trim())))
      ? ','
      : '.'
  return { headings, rows, lines: Int32Array.from(lines), decimal, remarks: remarksOf(all.slice(0, start)) }
}

/** The separator that cuts the first hundred lines most evenly. */
function separatorOf(lines: readonly string[]): string {
  const sample = lines
    .slice(0, 400)
    .filter((line) => line.trim() !== '')
    .slice(-100)
  const score = (separator: string) => {
    const counts = sample.map((line) => line.split(separator).length - 1)
    const usual = counts.sort((a, b) => a - b)[Math.floor(counts.length / 2)] ?? 0
    return usual === 0 ? 0 : counts.filter((count) => count === usual).length + usual / 100
  }
  // Semicolon and tab before the comma: it may be a decimal mark.
  const [best] = [';', '\t', ',', '|'].sort((a, b) => score(b) - score(a))
  return best !== undefined && score(best) > 0 ? best : ','
}

/** The first row from which on most cells are numbers or times. */
function firstDataRow(cells: readonly (readonly string[])[], dataShare: number): number {
  const isData = (row: readonly string[] | undefined) =>
    row !== undefined &&
    row.some((cell) => isNumber(cell) || looksLikeTime(cell)) &&
    row.filter((cell) => cell.trim() === '' || isNumber(cell) || looksLikeTime(cell)).length >=
      row.length * dataShare
  const widest = Math.max(...cells.slice(0, 300).map((row) => row.length))
  return cells.findIndex(
    (row, r) =>
      r <= mostPreamble && row.length >= widest * 0.8 && isData(row) && (isData(cells[r + 1]) || r === 0),
  )
}

function remarksOf(lines: readonly string[]): Record<string, string> {
  const found: Record<string, string> = {}
  for (const line of lines)
    for (const [, key, value] of line.matchAll(/([A-Za-z][\w ]*?)\s*[=:]\s*([^,;=]+)/g))
      if (key !== undefined && value !== undefined) found[key.trim().toLowerCase()] = value.trim()
  return found
}

/** What a table most likely means; the person may change all of it. */
export function guessMapping(table: CsvTable, timeZoneHours: number): CsvMapping {
  const columns = table.headings.map((heading, c): CsvColumn => {
    const guess = guessColumn(heading)
    // A column of stamps is one whatever it is called.
    const sample = table.rows.slice(0, 20).map((row) => row[c] ?? '')
    if (guess.role === 'ignore' && sample.length > 0 && sample.every(looksLikeTime))
      return { role: 'time', unit: null }
    return guess
  })
  // The same thing twice: the first counts.
  const seen = new Set<string>()
  const once = columns.map((column): CsvColumn => {
    if (column.role === 'ignore' || !seen.has(column.role)) {
      seen.add(column.role)
      return column
    }
    return { role: 'ignore', unit: null }
  })
  const stampColumn = once.findIndex(({ role }) => role === 'time' || role === 'date')
  const firsts =
    stampColumn < 0
      ? []
      : table.rows.map((row) => /^\D*(\d{1,2})[./-](\d{1,2})[./-]\d{2,4}/.exec(row[stampColumn] ?? ''))
  const monthFirst = firsts.some((found) => found && Number(found[2]) > 12)
  const zone = Number(table.remarks['time_zone_h'] ?? table.remarks['time zone'] ?? NaN)
  const hourColumn = once.findIndex(({ role }) => role === 'hour')
  const hours = hourColumn < 0 ? [] : table.rows.slice(0, 48).map((row) => Number(row[hourColumn]))
  return {
    columns: once,
    decimal: table.decimal,
    dayFirst: !monthFirst,
    // Hours from 1 to 24 are counted by their ends.
    stamp: hours.includes(24) ? 'end' : 'start',
    timeZoneHours: Number.isFinite(zone) && zone >= -12 && zone <= 14 ? zone : timeZoneHours,
  }
}
