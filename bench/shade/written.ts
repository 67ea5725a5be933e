/** A word in a picture, where it is written; y is its baseline. */
export interface Written {
  readonly x: number
  readonly y: number
  readonly text: string
  readonly anchor: 'start' | 'middle' | 'end'
}

/** Of the picture's small type: a letter's width, and a line's height above and below its baseline. */
const [letter, above, below] = [6.6, 10, 3]

function boxOf({ x, y, text, anchor }: Written) {
  const width = text.length * letter
  const left = x - (anchor === 'start' ? 0 : anchor === 'middle' ? width / 2 : width)
  return { left, right: left + width, top: y - above, bottom: y + below }
}

function meet(a: Written, b: Written): boolean {
  const [one, other] = [boxOf(a), boxOf(b)]
  return one.left < other.right && other.left < one.right && one.top < other.bottom && other.top < one.bottom
}

/**
 * Words one after the other, each moved up as far as it takes to cover none that stands already, and in from the sides.
 * One for which there is no room up to the top stays where it was.
 * @param taken words that stand where they are
 * @param width of the picture
 */
export function apart(words: readonly Written[], taken: readonly Written[], width: number): Written[] {
  const placed: Written[] = []
  for (const word of words) {
    const { left, right } = boxOf(word)
    const x = word.x + Math.max(0, -left) - Math.max(0, right - width)
    const standing = [...taken, ...placed]
    let at = { ...word, x }
    for (let inTheWay: Written | undefined; (inTheWay = standing.find((one) => meet(at, one)));)
      at = { ...at, y: boxOf(inTheWay).top - below - 0.5 }
    placed.push(at.y - above < 0 ? { ...word, x } : at)
  }
  return placed
}
