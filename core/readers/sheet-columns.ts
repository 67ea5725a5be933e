import { Fault } from '../model/fault'
import { parseNumber } from '../model/numbers'
import { parseLength } from '../model/units'
import { csvLine, figure } from './csv'
import { localeOf, readTable } from './table-file'

/** Data sheets as rows of a table, and as the texts of a form: what columns of any kind of sheet have in common. */

export interface SheetColumn {
  /** Whether it must be filled in. */
  readonly needed: boolean
  /** The sheet's field that its number is of; left out where it holds none. */
  readonly of?: string
  /** Leads from the column's unit to the sheet's. */
  readonly factor?: number
  /** Its number is the square of the sheet's, as a way there and back is. */
  readonly square?: true
  /** Metres, or a length with its unit. */
  readonly length?: true
}
export type SheetColumns = Readonly<Record<string, SheetColumn>>
export type SheetTexts = Readonly<Partial<Record<string, string>>>

const yes = /^(yes|y|true|1|ja|sí|si|oui)$/i
const no = /^(no|n|false|0|nein|non)$/i

export const saidIn = (texts: SheetTexts, column: string): string => (texts[column] ?? '').trim()

/** @throws Fault `sheet-cell` where it says neither; nothing at all says no */
export function flagIn(texts: SheetTexts, column: string): boolean {
  const text = saidIn(texts, column)
  if (yes.test(text)) return true
  if (text === '' || no.test(text)) return false
  throw new Fault('sheet-cell', { column, text, why: 'flag' }, column)
}

/** @throws Fault `sheet-cell` where nothing stands there */
export function neededIn(texts: SheetTexts, column: string): string {
  const text = saidIn(texts, column)
  if (text === '') throw new Fault('sheet-cell', { column, text, why: 'empty' }, column)
  return text
}

/**
 * The numbers of a row, by the sheet's fields.
 * @throws Fault `sheet-cell` with the column
 */
export function numbersIn(
  columns: SheetColumns,
  texts: SheetTexts,
  locale: string,
): Readonly<Record<string, number>> {
  return Object.fromEntries(
    Object.entries(columns).flatMap(([name, column]) => {
      if (column.of === undefined) return []
      const text = column.needed ? neededIn(texts, name) : saidIn(texts, name)
      if (text === '') return []
      const value = numberIn(text, name, column, locale) * (column.factor ?? 1)
      // What is below nothing stays so, and out of its bounds.
      return [[column.of, column.square ? Math.sign(value) * Math.sqrt(Math.abs(value)) : value] as const]
    }),
  )
}

/** With a power of ten, as tables of small parameters have it; its one mark is before decimals. */
const powered = /^[-+−]?\d+(?:[.,]\d+)?e[-+−]?\d{1,3}$/i

function numberIn(text: string, column: string, { length }: SheetColumn, locale: string): number {
  if (powered.test(text)) return Number(text.replaceAll('−', '-').replace(',', '.'))
  try {
    return length ? parseLength(text, 'metric', locale) : parseNumber(text, locale)
  } catch (error) {
    if (error instanceof Fault) throw new Fault('sheet-cell', { column, text, why: 'number' }, column)
    throw error
  }
}

/** A fault of a sheet's field, told of the column that the field is from. */
export const toldOfColumn = (fault: Fault, column: string | null): Fault =>
  column === null ? fault : new Fault(fault.code, { ...fault.data, at: column }, fault.path)

/**
 * The numbers of a sheet as a row has them.
 * @param write a number as it is to be read again
 */
export function textsOfNumbers(
  columns: SheetColumns,
  sheet: Readonly<Record<string, unknown>>,
  write: (value: number) => string = (value) => figure(value, 10),
): SheetTexts {
  return Object.fromEntries(
    Object.entries(columns).flatMap(([name, column]) => {
      const value = column.of === undefined ? undefined : sheet[column.of]
      if (typeof value !== 'number') return []
      const said = (column.square ? value ** 2 : value) / (column.factor ?? 1)
      return [[name, write(Number(said.toPrecision(10)))] as const]
    }),
  )
}

/** As many are read at once. */
const mostRows = 200

/**
 * Data sheets from a table with a heading line; columns in any order, by their names.
 * @throws Fault `sheet-columns` with what is missing; `no-sheet-rows`; `too-many-sheets`; `sheet-row` with the line and
 * what is wrong in it
 */
export function sheetsFromTable<T>(
  columns: SheetColumns,
  text: string,
  sheetFrom: (texts: SheetTexts, locale: string) => T,
): T[] {
  const { names, rows } = readTable(text)
  const missing = Object.keys(columns).filter((name) => columns[name]?.needed && !names.includes(name))
  if (missing.length > 0) throw new Fault('sheet-columns', { missing: missing.join(', ') })
  if (rows.length === 0) throw new Fault('no-sheet-rows')
  if (rows.length > mostRows) throw new Fault('too-many-sheets', { limit: mostRows, rows: rows.length })
  const locale = localeOf(rows.flatMap(({ cells }) => cells))
  return rows.map(({ texts, line }) => {
    try {
      return sheetFrom(texts, locale)
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      throw new Fault('sheet-row', { line, why: { code: error.code, data: error.data } })
    }
  })
}

/** Rows as a table that `sheetsFromTable` takes. */
export const tableOfSheets = (columns: SheetColumns, rows: readonly SheetTexts[]): string => {
  const names = Object.keys(columns)
  return [csvLine(names), ...rows.map((texts) => csvLine(names.map((name) => texts[name] ?? '')))]
    .map((line) => `${line}\n`)
    .join('')
}
