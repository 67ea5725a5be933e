import { Fault } from '../../model/fault'
import { mostInRow, mostRows } from './part'

/** Rows as they are written: places of each, and which of them are empty. */
export interface WrittenRows {
  readonly counts: readonly number[]
  /** "row:column" */
  readonly removed: readonly string[]
}

/** Rows alike are written once where there are more than this many of them. */
const mostAlike = 3

/**
 * Rows from the eave up: "9, 9, 7", or "3×9"; an underscore is an empty place, so that "4_4" goes round a vent.
 * @throws Fault `bad-rows` with the piece that is none, `most-rows`, `row-length`
 */
export function parseRows(text: string): WrittenRows {
  const pieces = text
    .trim()
    .split(/[,;\s]+/)
    .filter((piece) => piece !== '')
  const rows = pieces.flatMap((piece) => {
    const [, times = '1', row] = /^(?:(\d{1,3})[x×*])?([\d_]+)$/i.exec(piece) ?? []
    if (row === undefined) throw new Fault('bad-rows', { text: piece.slice(0, 20) })
    if (Number(times) > mostRows) throw new Fault('most-rows', { limit: mostRows })
    return Array.from({ length: Number(times) }, () => row)
  })
  if (rows.length === 0) throw new Fault('bad-rows', { text: text.trim().slice(0, 20) })
  if (rows.length > mostRows) throw new Fault('most-rows', { limit: mostRows })
  const removed: string[] = []
  const counts = rows.map((row, at) => {
    let column = 0
    for (const [run] of row.matchAll(/\d+|_/g)) {
      if (run === '_') removed.push(`${at}:${column}`)
      column += run === '_' ? 1 : Number(run)
      if (column > mostInRow) throw new Fault('row-length', { row: at + 1, limit: mostInRow })
    }
    if (column === 0) throw new Fault('bad-rows', { text: row.slice(0, 20) })
    return column
  })
  return { counts, removed }
}

/** The same rows in writing. */
export function writeRows({ counts, removed }: WrittenRows): string {
  const gone = new Set(removed)
  const rows = counts.map((count, row) => {
    let text = ''
    let run = 0
    for (let column = 0; column < count; column++)
      if (gone.has(`${row}:${column}`)) {
        text += `${run > 0 ? run : ''}_`
        run = 0
      } else run++
    return run > 0 ? text + String(run) : text
  })
  const alike = rows.every((row) => row === rows[0])
  return alike && rows.length > mostAlike ? `${rows.length}×${rows[0] ?? ''}` : rows.join(', ')
}
