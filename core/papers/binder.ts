import { type PaperDrawing } from '../drawing/paper'

/** A sheet of a set that does not know yet which one it is. */
export interface Leaf {
  readonly title: string
  readonly draw: (number: string) => PaperDrawing
}

/** A line of the list of sheets. */
export interface Listed {
  readonly number: number
  readonly title: string
}

/**
 * Sheets in their order, each with its number. The first ones tell which come after them, and may need more sheets for
 * a longer list.
 * @param cover the first sheets, by the list of all
 */
export function bound(
  cover: (list: readonly Listed[]) => readonly Leaf[],
  leaves: readonly Leaf[],
  numbered: (number: number, of: number) => string,
): PaperDrawing[] {
  let first: readonly Leaf[] = cover(listOf(leaves, 1))
  // A list that has grown by a sheet of the cover's own may be longer, but not twice.
  for (let tries = 0; tries < 3; tries++) {
    const again = cover(listOf(leaves, first.length))
    if (again.length === first.length) {
      first = again
      break
    }
    first = again
  }
  const all = [...first, ...leaves]
  return all.map(({ draw }, i) => draw(numbered(i + 1, all.length)))
}

/** Sheets of one title are one line of the list. */
function listOf(leaves: readonly Leaf[], before: number): Listed[] {
  return leaves.flatMap(({ title }, i) =>
    leaves[i - 1]?.title === title ? [] : [{ number: before + i + 1, title }],
  )
}
