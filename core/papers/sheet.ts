import { type Mark, type PaperDrawing } from '../drawing/paper'
import { textWidth, winAnsi } from '../drawing/helvetica'
import { type Vec2 } from '../geometry/vector'

/** Sheets across, mm. */
export const papers = { A4: [297, 210], Letter: [279.4, 215.9] } as const
export type Paper = keyof typeof papers

/** A part of a sheet, mm from its upper left corner. */
export interface Room {
  readonly left: number
  readonly top: number
  readonly right: number
  readonly bottom: number
}

/** Free around the frame, and how high the title block at its foot is, mm. */
const marginMm = 10
export const titleMm = 24
const insideMm = 4
export const textMm = 2.6
/** From one line of text to the next, as a share of its size. */
export const leading = 1.42

/** What stands in the title block. */
export interface Heading {
  readonly title: string
  /** Address, option, equipment: up to three lines. */
  readonly lines: readonly string[]
  /** "3 / 8"; null for a sheet that stands alone. */
  readonly number: string | null
}

/** Where a sheet has room within its frame, over the title block. */
export function roomOn(paper: Paper): Room {
  const [width, height] = papers[paper]
  const edge = marginMm + insideMm
  return { left: edge, top: edge, right: width - edge, bottom: height - marginMm - titleMm - insideMm }
}

export const letters = (
  text: string,
  at: Vec2,
  more: Partial<Omit<Extract<Mark, { is: 'text' }>, 'is' | 'at' | 'text'>> = {},
): Mark => ({ layer: 'LABELS', is: 'text', at, text, sizeMm: textMm, anchor: 'start', ...more })

export const box = (
  { left, top, right, bottom }: Room,
  more: { readonly layer?: string; readonly widthMm?: number; readonly fill?: number } = {},
): Mark => ({
  layer: 'FRAME',
  is: 'line',
  closed: true,
  widthMm: 0.25,
  points: [
    [left, top],
    [right, top],
    [right, bottom],
    [left, bottom],
  ],
  ...more,
})

export const rule = (from: Vec2, to: Vec2, widthMm = 0.25): Mark => ({
  layer: 'FRAME',
  is: 'line',
  points: [from, to],
  widthMm,
})

/** How much of the foot the number of the sheet takes, mm. */
const numberMm = 26

/** The left border of what a drawing to scale puts into the title block, and its foot. */
export function furnitureAt(paper: Paper): Vec2 {
  const [width, height] = papers[paper]
  return [width - marginMm - numberMm - 78, height - marginMm - titleMm]
}

/** How wide what is said in the title block may be, mm. */
const saidWidth = (paper: Paper): number => furnitureAt(paper)[0] - marginMm - 2 * insideMm

/** The title's line under the upper edge of its block, and its size, mm. */
const titleDownMm = 6.5
const titleTextMm = 4

/** A sheet that bears beside its title who it is from; as it is where nobody has said. */
export function signed(sheet: PaperDrawing, paper: Paper, from: string | null): PaperDrawing {
  if (from === null) return sheet
  const [right, foot] = furnitureAt(paper)
  const room = saidWidth(paper) - widthOf(sheet.title, titleTextMm, true) - insideMm
  const said = letters(cut(from, room), [right - insideMm, foot + titleDownMm], { anchor: 'end' })
  return { ...sheet, marks: [...sheet.marks, said] }
}

/** A sheet with its frame and title block. */
export function sheetOf(
  paper: Paper,
  { title, lines, number }: Heading,
  marks: readonly Mark[],
): PaperDrawing {
  const [widthMm, heightMm] = papers[paper]
  const [right, bottom] = [widthMm - marginMm, heightMm - marginMm]
  const foot = bottom - titleMm
  const widest = saidWidth(paper)
  return {
    widthMm,
    heightMm,
    title,
    marks: [
      ...marks,
      box({ left: marginMm, top: marginMm, right, bottom }, { widthMm: 0.35 }),
      rule([marginMm, foot], [right, foot], 0.35),
      letters(title, [marginMm + insideMm, foot + titleDownMm], { sizeMm: titleTextMm, bold: true }),
      ...lines
        .slice(0, 3)
        .map((line, i) => letters(cut(line, widest), [marginMm + insideMm, foot + 11.8 + i * 4.2])),
      ...(number === null
        ? []
        : [
            rule([right - numberMm, foot], [right - numberMm, bottom], 0.35),
            letters(number, [right - numberMm / 2, foot + titleMm / 2 + 2], {
              sizeMm: 6,
              bold: true,
              anchor: 'middle',
            }),
          ]),
    ],
  }
}

export const widthOf = (text: string, sizeMm = textMm, bold = false): number =>
  textWidth(winAnsi(text), bold) * sizeMm

/** As much of a line as fits, with dots for the rest. */
function cut(text: string, widthMm: number): string {
  if (widthOf(text) <= widthMm) return text
  let rest = text
  while (rest.length > 1 && widthOf(`${rest}…`) > widthMm) rest = rest.slice(0, -1)
  return `${rest.trimEnd()}…`
}

/** A text in lines no wider than that; a word that is wider by itself is broken. */
export function wrapped(text: string, widthMm: number, sizeMm = textMm, bold = false): string[] {
  const lines: string[] = []
  let line = ''
  const fits = (candidate: string) => widthOf(candidate, sizeMm, bold) <= widthMm
  for (const word of text.split(/\s+/)) {
    const longer = line === '' ? word : `${line} ${word}`
    if (fits(longer)) {
      line = longer
      continue
    }
    if (line !== '') lines.push(line)
    line = word
    while (!fits(line) && line.length > 1) {
      let most = line.length - 1
      while (most > 1 && !fits(line.slice(0, most))) most--
      lines.push(line.slice(0, most))
      line = line.slice(most)
    }
  }
  return line === '' && lines.length > 0 ? lines : [...lines, line]
}
