import { Fault } from '../model/fault'
import { epwColumn, epwFields, type EpwField } from './epw-fields'
import { largestWeatherBytes } from './text'

/** An EPW file as it stands: nothing of it is lost when it is written again. */
export interface EpwFile {
  readonly location: {
    readonly name: string
    readonly latitudeDeg: number
    readonly longitudeDeg: number
    readonly timeZoneHours: number
    readonly elevationM: number
  }
  /** The eight header lines, LOCATION first, as they were. */
  readonly header: readonly string[]
  /** Columns in a record: 35, or fewer where a writer left the last ones out. */
  readonly width: number
  /** Values of the number fields by record; text fields are in `texts`. */
  readonly values: Readonly<Partial<Record<EpwField, Float64Array>>>
  readonly texts: Readonly<Partial<Record<EpwField, readonly string[]>>>
  /** Line of each record in the file, from 1. */
  readonly lines: Int32Array
}

const headerLines = 8
/** The wind speed is the last column that a year of yield needs. */
const fewestColumns = epwColumn.windSpeedMs + 1

const location = (cells: readonly string[]) => {
  const field = (index: number, what: string, low: number, high: number) => {
    const text = cells[index]?.trim() ?? ''
    const value = Number(text)
    if (text === '' || !(value >= low && value <= high))
      throw new Fault('bad-epw', { reason: 'location', what, text, low, high }, 'line 1')
    return value
  }
  return {
    name: (cells[1] ?? '').trim(),
    latitudeDeg: field(6, 'latitude', -90, 90),
    longitudeDeg: field(7, 'longitude', -180, 180),
    timeZoneHours: field(8, 'timezone', -12, 14),
    elevationM: field(9, 'elevation', -1000, 9999.9),
  }
}

export const isEpw = (text: string) => /^\s*LOCATION\s*,/i.test(text)

/**
 * Reads a weather file in EPW.
 * @throws Fault `too-large`, `not-epw`, `bad-epw` with the line.
 */
export function readEpwFile(text: string): EpwFile {
  if (text.length > largestWeatherBytes)
    throw new Fault('too-large', {
      reason: 'file',
      bytes: { value: text.length, unit: 'bytes' },
      limit: { value: largestWeatherBytes, unit: 'bytes' },
    })
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/)
  if (!isEpw(lines[0] ?? '')) throw new Fault('not-epw', {}, 'line 1')
  const place = location((lines[0] ?? '').split(','))
  const header = lines.slice(0, headerLines)
  const short = header.findIndex((line) => /^\s*-?\d/.test(line))
  if (header.length < headerLines || short > 0)
    throw new Fault(
      'bad-epw',
      { reason: 'header', line: short > 0 ? short + 1 : header.length, lines: headerLines },
      `line ${short > 0 ? short + 1 : header.length}`,
    )
  const rows: string[][] = []
  const at: number[] = []
  for (let i = headerLines; i < lines.length; i++) {
    const line = lines[i] ?? ''
    if (line.trim() === '') continue
    const cells = line.split(',')
    if (cells.length < fewestColumns)
      throw new Fault(
        'bad-epw',
        { reason: 'columns', line: i + 1, found: cells.length, expected: fewestColumns },
        `line ${i + 1}`,
      )
    rows.push(cells)
    at.push(i + 1)
  }
  if (rows.length === 0) throw new Fault('bad-epw', { reason: 'empty', lines: headerLines }, 'line 9')
  const width = Math.min(epwFields.length, Math.max(...rows.slice(0, 100).map((cells) => cells.length)))
  const values: Partial<Record<EpwField, Float64Array>> = {}
  const texts: Partial<Record<EpwField, readonly string[]>> = {}
  epwFields.slice(0, width).forEach((field, column) => {
    if ('text' in field) texts[field.name] = rows.map((cells) => cells[column] ?? '')
    else values[field.name] = numbers(field.name, column, rows, at)
  })
  return { location: place, header, width, values, texts, lines: Int32Array.from(at) }
}

function numbers(
  name: EpwField,
  column: number,
  rows: readonly string[][],
  at: readonly number[],
): Float64Array {
  return Float64Array.from(rows, (cells, r) => {
    const text = cells[column]?.trim() ?? ''
    // An empty cell is a value that was not measured.
    const value = text === '' ? NaN : Number(text)
    if (text !== '' && !Number.isFinite(value))
      throw new Fault(
        'bad-epw',
        { reason: 'number', line: at[r] ?? 0, column: column + 1, name, text: text.slice(0, 30) },
        `line ${at[r]}`,
      )
    return value
  })
}

/** Writes what `readEpwFile` read: the same header, the same values in every column. */
export function writeEpwFile(file: EpwFile): string {
  const fields = epwFields.slice(0, file.width)
  const lines: string[] = [...file.header]
  for (let r = 0; r < file.lines.length; r++)
    lines.push(
      fields
        .map(({ name }) => {
          const value = file.values[name]?.[r]
          if (value === undefined) return file.texts[name]?.[r] ?? ''
          return Number.isNaN(value) ? '' : String(value)
        })
        .join(','),
    )
  return `${lines.join('\n')}\n`
}
