import Papa from 'papaparse'

/** A table as people keep it: a heading, and lines with cells by the names of the heading. */
export interface TableFile {
  /** As they are compared: small letters, words joined by "_". */
  readonly names: readonly string[]
  readonly rows: readonly {
    /** In the file, from 1. */
    readonly line: number
    readonly cells: readonly string[]
    readonly texts: Readonly<Record<string, string>>
  }[]
}

/** Parts a text at commas, semicolons or tabs, whichever its heading has most of. Empty lines are left out. */
export function readTable(text: string): TableFile {
  const bare = text.replace(/^\uFEFF/, '')
  const { data } = Papa.parse<string[]>(bare, { delimiter: separatorOf(bare) })
  const lines = data
    .map((cells, i) => ({ cells, line: i + 1 }))
    .filter(({ cells }) => cells.some((cell) => cell.trim() !== ''))
  const [heading, ...rows] = lines
  const names = (heading?.cells ?? []).map((cell) =>
    cell
      .trim()
      .toLowerCase()
      .replaceAll(/[\s-]+/g, '_'),
  )
  return {
    names,
    rows: rows.map(({ cells, line }) => ({
      line,
      cells,
      texts: Object.fromEntries(names.map((name, i) => [name, cells[i] ?? ''])),
    })),
  }
}

/** What parts the names of the heading. */
function separatorOf(text: string): string {
  const heading = text.split('\n').find((line) => line.trim() !== '') ?? ''
  const count = (mark: string) => heading.split(mark).length
  return [',', ';', '\t'].reduce((best, mark) => (count(mark) > count(best) ? mark : best))
}

/** A locale that writes numbers as these cells do: with a comma before decimals where some have one and none has a point. */
export const localeOf = (cells: readonly string[]): string => {
  const figures = cells.filter((cell) => /^\s*-?\d+[.,]\d+\s*$/.test(cell))
  const hasCommas = figures.some((cell) => cell.includes(',')) && !figures.some((cell) => cell.includes('.'))
  return hasCommas ? 'es-ES' : 'en-US'
}
