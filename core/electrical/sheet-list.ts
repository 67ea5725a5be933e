interface Sheet {
  readonly maker: string
  readonly name: string
}

/** Whether maker and name hold every word of a text, in whatever order and case. */
export function saysAll({ maker, name }: Sheet, text: string): boolean {
  const said = `${maker} ${name}`.toLocaleLowerCase('en')
  const words = text.toLocaleLowerCase('en').split(/\s+/).filter(Boolean)
  return words.every((word) => said.includes(word))
}

/**
 * Sheets by a figure, or by their names where that is null. Those that do not say it come last either way; what is equal
 * keeps its order.
 */
export function sortedSheets<T extends Sheet>(
  sheets: readonly T[],
  of: ((sheet: T) => number | undefined) | null,
  down: boolean,
): T[] {
  const way = down ? -1 : 1
  if (!of) return sheets.toSorted((a, b) => way * a.name.localeCompare(b.name, 'en', { numeric: true }))
  return sheets.toSorted((a, b) => {
    const [x, y] = [of(a), of(b)]
    if (x === undefined || y === undefined) return (x === undefined ? 1 : 0) - (y === undefined ? 1 : 0)
    return way * (x - y)
  })
}
