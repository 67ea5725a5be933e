import { type Mark } from '../drawing/paper'
import { box, leading, letters, textMm, widthOf, wrapped, type Room } from './sheet'

/** A label that is put on equipment, at the size it has there. */
export interface Plate {
  /** On the dark band: white letters. */
  readonly title: string
  readonly lines: readonly string[]
  /** Where it belongs; beside the label, not on it. */
  readonly where: string
}

const widthMm = 100
const bandMm = 10
const titleSizeMm = 6
const lineSizeMm = 4
const padMm = 4
/** Under a label for what is said beside it, and between labels, mm. */
const footMm = 7
const apartMm = 12

/** Labels to scale, as many on a sheet as there is room for. */
export function plateSheets(plates: readonly Plate[], room: Room): Mark[][] {
  const across = Math.max(1, Math.floor((room.right - room.left + apartMm) / (widthMm + apartMm)))
  const sheets: Mark[][] = [[]]
  let top = room.top
  for (let i = 0; i < plates.length; i += across) {
    const row = plates.slice(i, i + across)
    const heightMm = Math.max(...row.map(heightOf))
    if (top + heightMm + footMm > room.bottom && top > room.top) {
      sheets.push([])
      top = room.top
    }
    sheets
      .at(-1)
      ?.push(...row.flatMap((plate, k) => plateMarks(plate, room.left + k * (widthMm + apartMm), top)))
    top += heightMm + footMm + 4
  }
  return sheets
}

const linesOf = ({ lines }: Plate): string[] =>
  lines.flatMap((line) => wrapped(line, widthMm - 2 * padMm, lineSizeMm, true))

const heightOf = (plate: Plate): number => bandMm + linesOf(plate).length * lineSizeMm * leading + 2 * padMm

function plateMarks(plate: Plate, left: number, top: number): Mark[] {
  const heightMm = heightOf(plate)
  const right = left + widthMm
  return [
    box({ left, top, right, bottom: top + heightMm }, { layer: 'PLATES', widthMm: 0.35 }),
    box({ left, top, right, bottom: top + bandMm }, { layer: 'PLATES', widthMm: 0, fill: 0 }),
    letters(plate.title, [left + widthMm / 2, top + bandMm / 2 + titleSizeMm * 0.36], {
      layer: 'PLATES',
      anchor: 'middle',
      // A long one is written smaller rather than over the edge.
      sizeMm: Math.min(titleSizeMm, (widthMm - 2 * padMm) / widthOf(plate.title, 1, true)),
      bold: true,
      white: true,
    }),
    ...linesOf(plate).map((line, k) =>
      letters(line, [left + widthMm / 2, top + bandMm + padMm + lineSizeMm * (0.8 + k * leading)], {
        layer: 'PLATES',
        anchor: 'middle',
        sizeMm: lineSizeMm,
        bold: true,
      }),
    ),
    letters(plate.where, [left, top + heightMm + textMm + 1.2]),
  ]
}
