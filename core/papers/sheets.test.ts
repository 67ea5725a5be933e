import fc from 'fast-check'
import { type Mark, type PaperDrawing } from '../drawing/paper'
import { bound, type Leaf } from './binder'
import { plateSheets } from './plates'
import { furnitureAt, roomOn, sheetOf, signed, textMm, widthOf, wrapped } from './sheet'
import { tableSheets, type Table } from './tables'

const room = roomOn('A4')
const textsOf = (marks: readonly Mark[]) => marks.flatMap((mark) => (mark.is === 'text' ? [mark] : []))
const table = (rows: number, title = 'Parts'): Table => ({
  title,
  columns: [
    { head: 'Part', share: 3 },
    { head: 'Count', share: 1, as: 'figures' },
    { head: '', share: 1, as: 'blank' },
  ],
  rows: Array.from({ length: rows }, (_, i) => [`Part ${i + 1}`, String(i), '']),
})

test('lines are as long as they fit, no letter is lost, and a word too long is broken', () => {
  fc.assert(
    fc.property(
      fc.array(fc.stringMatching(/^[a-zA-Z0-9é-]{1,40}$/), { minLength: 1, maxLength: 20 }),
      fc.double({ min: 8, max: 120, noNaN: true }),
      (words, widthMm) => {
        const lines = wrapped(words.join(' '), widthMm)
        expect(lines.join('').replaceAll(' ', '')).toBe(words.join(''))
        for (const line of lines) expect(line.length === 1 || widthOf(line) <= widthMm).toBe(true)
        // Greedy: the first word of a line would not have gone onto the line before.
        lines.slice(1).forEach((line, i) => {
          const first = line.split(' ')[0] ?? ''
          const before = lines[i] ?? ''
          if (words.includes(first) && words.some((word) => before.endsWith(word)))
            expect(widthOf(`${before} ${first}`)).toBeGreaterThan(widthMm - 1e-9)
        })
      },
    ),
    { seed: 5, numRuns: 500 },
  )
  expect(wrapped('', 50)).toEqual([''])
})

test.each([1, 2] as const)(
  'rows in %d columns are all there once, in order, on the sheet, under a head',
  (columns) => {
    for (const rows of [0, 1, 17, 40, 133]) {
      const sheets = tableSheets([table(rows), table(3, 'Others')], room, columns)
      const names = sheets
        .flatMap((marks) => textsOf(marks).map(({ text }) => text))
        .filter((text) => /^Part \d/.test(text))
      expect(names).toEqual([
        ...Array.from({ length: rows }, (_, i) => `Part ${i + 1}`),
        ...['Part 1', 'Part 2', 'Part 3'],
      ])
      for (const marks of sheets)
        for (const { at, text, anchor } of textsOf(marks)) {
          const left = anchor === 'end' ? at[0] - widthOf(text) : at[0]
          expect(left).toBeGreaterThanOrEqual(room.left)
          expect(at[0]).toBeLessThanOrEqual(room.right)
          expect(at[1]).toBeGreaterThan(room.top)
          expect(at[1]).toBeLessThanOrEqual(room.bottom)
        }
      // Wherever rows go on, the head is said again.
      const heads = sheets.map((marks) => textsOf(marks).filter(({ text }) => text === 'Part').length)
      expect(heads.every((count) => count >= 1)).toBe(true)
    }
  },
)

test('a title never stays behind alone', () => {
  for (let rows = 1; rows < 60; rows++) {
    const sheets = tableSheets([table(rows, 'First'), table(5, 'Second')], room)
    const [at] = sheets.flatMap((marks, sheet) =>
      textsOf(marks).some(({ text }) => text === 'Second') ? [sheet] : [],
    )
    const said = textsOf(sheets[at ?? -1] ?? [])
    const from = said.findIndex(({ text }) => text === 'Second')
    expect(said.slice(from).some(({ text }) => text === 'Part 1')).toBe(true)
  }
})

test('labels are as large as they are put up, and none hangs over its sheet or its band', () => {
  const plates = Array.from({ length: 9 }, (_, i) => ({
    title: i === 0 ? 'A TITLE THAT IS FAR TOO LONG FOR THE BAND OF A LABEL' : 'WARNING',
    lines: ['Maximum voltage 554 V', 'Parts may be live on both sides in the open position, and more'],
    where: 'On the disconnect',
  }))
  const sheets = plateSheets(plates, roomOn('Letter'))
  expect(sheets.length).toBeGreaterThan(1)
  const boxes = sheets.flatMap((marks) =>
    marks.filter((mark) => mark.is === 'line' && mark.fill === undefined),
  )
  expect(boxes).toHaveLength(9)
  for (const mark of boxes)
    if (mark.is === 'line') {
      const [a, b] = mark.points
      expect((b?.[0] ?? 0) - (a?.[0] ?? 0)).toBeCloseTo(100, 9)
      expect(Math.max(...mark.points.map(([, y]) => y))).toBeLessThanOrEqual(roomOn('Letter').bottom)
    }
  for (const marks of sheets)
    for (const { text, sizeMm, bold } of textsOf(marks))
      expect(widthOf(text, sizeMm, bold)).toBeLessThanOrEqual(100)
})

describe('a set', () => {
  const drawing = (title: string, number: string): PaperDrawing =>
    sheetOf('A4', { title, lines: ['14 Saltmarsh Road'], number }, [])
  const leaf = (title: string): Leaf => ({ title, draw: (number) => drawing(title, number) })
  const said = (sheet: PaperDrawing | undefined) => textsOf(sheet?.marks ?? []).map(({ text }) => text)

  test('counts its sheets, and its list says where each begins', () => {
    let list: readonly { number: number; title: string }[] = []
    const sheets = bound(
      (given) => {
        list = given
        return [leaf('Cover')]
      },
      [leaf('Plan'), leaf('Parts'), leaf('Parts'), leaf('Photos')],
      (number, of) => `${number} / ${of}`,
    )
    expect(sheets.map((sheet) => said(sheet).at(-1))).toEqual(['1 / 5', '2 / 5', '3 / 5', '4 / 5', '5 / 5'])
    expect(list).toEqual([
      { number: 2, title: 'Plan' },
      { number: 3, title: 'Parts' },
      { number: 5, title: 'Photos' },
    ])
  })

  test('with a cover of several sheets tells the numbers that its sheets have', () => {
    let list: readonly { number: number; title: string }[] = []
    const leaves = Array.from({ length: 60 }, (_, i) => leaf(`Sheet ${i}`))
    const sheets = bound(
      (given) => {
        list = given
        return tableSheets(
          [{ title: '', columns: [{ head: 'Title', share: 1 }], rows: given.map(({ title }) => [title]) }],
          room,
        ).map(() => leaf('Cover'))
      },
      leaves,
      (number) => String(number),
    )
    expect(sheets.length).toBeGreaterThan(61)
    for (const { number, title } of list) {
      expect(sheets[number - 1]?.title).toBe(title)
      expect(said(sheets[number - 1]).at(-1)).toBe(String(number))
    }
  })
})

test('a line too long for the title block ends in dots before the drawing’s own', () => {
  const sheet = sheetOf('Letter', { title: 'Plan', lines: ['x'.repeat(300)], number: '1 / 2' }, [])
  const [line] = textsOf(sheet.marks).filter(({ text }) => text.startsWith('xx'))
  expect(line?.text.endsWith('…')).toBe(true)
  expect(widthOf(line?.text ?? '', textMm)).toBeLessThan(160)
})

test('who a sheet is from stands beside its title, however long both are, and nothing where nobody has said', () => {
  fc.assert(
    fc.property(
      fc.stringMatching(/^[A-Za-z][A-Za-z ]{0,28}$/),
      fc
        .integer({ min: 1, max: 160 })
        .map((length) => 'Gull Lane Solar, licence '.repeat(7).slice(0, length)),
      fc.constantFrom('A4' as const, 'Letter' as const),
      (title, from, paper) => {
        const sheet = sheetOf(paper, { title, lines: [], number: '1 / 2' }, [])
        const titled = textsOf(sheet.marks).find(({ text }) => text === title)
        const said = textsOf(signed(sheet, paper, from).marks).at(-1)
        if (!said || !titled) throw new Error('both are drawn')
        expect(from.startsWith(said.text.replace(/…$/, ''))).toBe(true)
        const [right, y] = said.at
        expect(y).toBe(titled.at[1])
        expect(right).toBeLessThan(furnitureAt(paper)[0])
        expect(right - widthOf(said.text)).toBeGreaterThan(titled.at[0] + widthOf(title, titled.sizeMm, true))
      },
    ),
    { numRuns: 300, seed: 9 },
  )
  const plain = sheetOf('A4', { title: 'Plan', lines: [], number: null }, [])
  expect(signed(plain, 'A4', null)).toBe(plain)
})
