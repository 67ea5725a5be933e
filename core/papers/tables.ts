import { type Mark } from '../drawing/paper'
import { box, leading, letters, rule, textMm, wrapped, type Room } from './sheet'

/** A column of a table: how much of the width it takes against the others. */
export interface Column {
  readonly head: string
  readonly share: number
  /** Figures stand at the right; `tick` draws a box, with a cross in it where the cell is not empty, `blank` one to write in. */
  readonly as?: 'text' | 'figures' | 'tick' | 'blank'
}

export interface Table {
  /** Over the table; empty for none. */
  readonly title: string
  /** A table whose columns all have empty heads has no head. */
  readonly columns: readonly Column[]
  readonly rows: readonly (readonly string[])[]
  /** Under the table; empty for none. */
  readonly note?: string
}

const lineMm = textMm * leading
const padMm = 1.1
const titleSizeMm = 3.4
const gapMm = 5
/** Beside what stands in a cell, mm: figures at the right of one and words at the left of the next stay apart. */
const besideMm = 1.8
/** Between two columns of tables, mm. */
const apartMm = 8
const blankMm = 7
const tickMm = 2.8

/** A strip of a sheet that is never broken over two. */
interface Strip {
  readonly heightMm: number
  /** Stays with the next one: a title, the head of a table. */
  readonly withNext: boolean
  readonly draw: (left: number, top: number, widthMm: number) => Mark[]
  /** What is drawn again where the strip begins a new column. */
  readonly again: Strip | null
}

/**
 * Tables one under the other, over as many columns and sheets as they need. A row is never broken, and a table that is
 * says its head again.
 * @param columns of tables, side by side on a sheet
 * @returns the marks of each sheet; one empty sheet where there is nothing
 */
export function tableSheets(tables: readonly Table[], room: Room, columns: 1 | 2 = 1): Mark[][] {
  const widthMm = (room.right - room.left - (columns - 1) * apartMm) / columns
  const strips = tables.flatMap((table, i) => stripsOf(table, widthMm, i > 0))
  const sheets: Mark[][] = [[]]
  let column = 0
  let y = room.top
  const left = () => room.left + column * (widthMm + apartMm)
  const put = (strip: Strip) => {
    sheets.at(-1)?.push(...strip.draw(left(), y, widthMm))
    y += strip.heightMm
  }
  strips.forEach((strip, i) => {
    // What stays with the next one goes over with it.
    let needed = strip.heightMm
    for (let k = i; strips[k]?.withNext; k++) needed += strips[k + 1]?.heightMm ?? 0
    if (y + needed > room.bottom + 1e-6 && y > room.top) {
      y = room.top
      column++
      if (column === columns) {
        column = 0
        sheets.push([])
      }
      if (strip.again) put(strip.again)
    }
    put(strip)
  })
  return sheets
}

function stripsOf(table: Table, widthMm: number, isLater: boolean): Strip[] {
  const whole = table.columns.reduce((sum, { share }) => sum + share, 0)
  const widths = table.columns.map(({ share }) => (share / whole) * widthMm)
  const head = table.columns.some((column) => column.head !== '')
    ? rowStrip(
        table.columns.map((column) => column.head),
        table.columns.map((column) => (column.as === 'figures' ? 'figures' : 'text')),
        widths,
        { bold: true, withNext: true, again: null },
      )
    : null
  const strips: Strip[] = []
  if (isLater) strips.push({ heightMm: gapMm, withNext: false, again: null, draw: () => [] })
  if (table.title !== '')
    strips.push({
      heightMm: titleSizeMm * leading + padMm,
      withNext: true,
      again: null,
      draw: (left, top) => [
        letters(table.title, [left, top + titleSizeMm], { sizeMm: titleSizeMm, bold: true }),
      ],
    })
  if (head) strips.push(head)
  const kinds = table.columns.map(({ as = 'text' }) => as)
  for (const row of table.rows)
    strips.push(rowStrip(row, kinds, widths, { bold: false, withNext: false, again: head }))
  if (table.note !== undefined && table.note !== '') strips.push(noteStrip(table.note, widthMm))
  return strips
}

function rowStrip(
  cells: readonly string[],
  kinds: readonly Required<Column>['as'][],
  widths: readonly number[],
  { bold, withNext, again }: { bold: boolean; withNext: boolean; again: Strip | null },
): Strip {
  const said = kinds.map((kind, i) =>
    kind === 'tick'
      ? ['']
      : wrapped(cells[i] ?? '', Math.max(1, (widths[i] ?? 0) - 2 * besideMm), textMm, bold),
  )
  const high = Math.max(1, ...said.map((lines) => lines.length)) * lineMm + 2 * padMm
  const heightMm = kinds.includes('blank') && !bold ? Math.max(high, blankMm) : high
  return {
    heightMm,
    withNext,
    again,
    draw: (left, top, widthMm) => {
      const marks: Mark[] = [rule([left, top + heightMm], [left + widthMm, top + heightMm], bold ? 0.3 : 0.1)]
      let x = left
      kinds.forEach((kind, i) => {
        const width = widths[i] ?? 0
        if (kind === 'tick') marks.push(...tick(x + besideMm, top + padMm, (cells[i] ?? '') !== ''))
        else {
          const isRight = kind === 'figures'
          marks.push(
            ...(said[i] ?? []).flatMap((line, k) =>
              line === ''
                ? []
                : [
                    letters(
                      line,
                      [isRight ? x + width - besideMm : x + besideMm, top + padMm + textMm + k * lineMm],
                      { bold, anchor: isRight ? 'end' : 'start' },
                    ),
                  ],
            ),
          )
          // A row that says something there has nothing to be written in.
          if (kind === 'blank' && (cells[i] ?? '') === '')
            marks.push(
              box(
                {
                  left: x + besideMm,
                  top: top + 0.8,
                  right: x + width - besideMm,
                  bottom: top + heightMm - 0.8,
                },
                { widthMm: 0.13 },
              ),
            )
        }
        x += width
      })
      return marks
    },
  }
}

function tick(left: number, top: number, isSet: boolean): Mark[] {
  const room = { left, top, right: left + tickMm, bottom: top + tickMm }
  return [
    box(room, { widthMm: 0.2 }),
    ...(isSet
      ? [
          rule([left + 0.5, top + 0.5], [room.right - 0.5, room.bottom - 0.5], 0.35),
          rule([room.right - 0.5, top + 0.5], [left + 0.5, room.bottom - 0.5], 0.35),
        ]
      : []),
  ]
}

function noteStrip(note: string, widthMm: number): Strip {
  const lines = wrapped(note, widthMm)
  return {
    heightMm: lines.length * lineMm + 2 * padMm,
    withNext: false,
    again: null,
    draw: (left, top) => lines.map((line, k) => letters(line, [left, top + padMm + textMm + k * lineMm])),
  }
}
