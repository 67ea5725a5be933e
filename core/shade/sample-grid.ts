import { type CellGroups } from './engine'

/** A word holds as many bits as an integer of 32 bits shifts without its sign. */
const wordBits = 30
const rowsInAll = 10
const columnsAtLeast = 6

/**
 * The points of a module that light is sought at: columns across the strips, rows along them, each in the middle of its
 * own piece, so that every cell group has points of its own. A set of points is a bit mask: whole rows of columns to a
 * word.
 */
export interface SampleGrid {
  readonly columns: number
  readonly rows: number
  readonly points: number
  readonly rowsPerWord: number
  readonly words: number
  readonly groups: number
  /** Points of each group, its words together; groups strip after strip, the halves of one together. */
  readonly groupMasks: Int32Array
}

const grids = new Map<string, SampleGrid>()

/** @throws RangeError for more strips than a word has bits */
export function sampleGrid({ strips, halves }: CellGroups): SampleGrid {
  const known = grids.get(`${strips} ${halves}`)
  if (known) return known
  if (strips < 1 || strips > wordBits) throw new RangeError(`a module of ${strips} strips`)
  const perStrip = Math.ceil(columnsAtLeast / strips)
  const columns = strips * perStrip
  const rows = rowsInAll
  const rowsPerWord = Math.min(rows, Math.floor(wordBits / columns))
  const words = Math.ceil(rows / rowsPerWord)
  const groups = strips * halves
  const groupMasks = new Int32Array(groups * words)
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const group = Math.floor(column / perStrip) * halves + Math.floor((row * halves) / rows)
      const word = group * words + Math.floor(row / rowsPerWord)
      groupMasks[word] = (groupMasks[word] as number) | (1 << bitOf(row, column, rowsPerWord, columns))
    }
  const grid: SampleGrid = {
    columns,
    rows,
    points: columns * rows,
    rowsPerWord,
    words,
    groups,
    groupMasks,
  }
  grids.set(`${strips} ${halves}`, grid)
  return grid
}

const bitOf = (row: number, column: number, rowsPerWord: number, columns: number) =>
  (row % rowsPerWord) * columns + column

/** How many bits of a word are set. */
export function bitsIn(word: number): number {
  let v = word - ((word >>> 1) & 0x55555555)
  v = (v & 0x33333333) + ((v >>> 2) & 0x33333333)
  return Math.imul((v + (v >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24
}
