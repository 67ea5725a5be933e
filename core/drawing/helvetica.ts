/** Widths of Helvetica's printable ASCII characters from the blank on, thousandths of the size (ISO 32000-1, annex D). */
const widths = [
  278, 278, 355, 556, 556, 889, 667, 191, 333, 333, 389, 584, 278, 333, 278, 278, 556, 556, 556, 556, 556,
  556, 556, 556, 556, 556, 278, 278, 584, 584, 584, 556, 1015, 667, 667, 722, 722, 667, 611, 778, 722, 278,
  500, 667, 556, 833, 722, 778, 667, 778, 722, 667, 611, 722, 667, 944, 667, 667, 611, 278, 278, 278, 469,
  556, 333, 556, 556, 500, 556, 556, 278, 556, 556, 222, 222, 500, 222, 833, 556, 556, 556, 556, 333, 500,
  278, 556, 500, 722, 500, 500, 500, 334, 260, 334, 584,
]
const usual = 556

/** Letters of WinAnsi that are not where Latin-1 has them. */
const elsewhere: Readonly<Record<string, number>> = {
  '€': 0x80,
  '…': 0x85,
  '‘': 0x91,
  '’': 0x92,
  '“': 0x93,
  '”': 0x94,
  '•': 0x95,
  '–': 0x96,
  '—': 0x97,
}
/** What the font has not, in letters that it has. */
const instead: Readonly<Record<string, string>> = {
  '−': '-',
  '≤': '<=',
  '≥': '>=',
  Ω: 'ohm',
  '\u202f': ' ',
  '\u2009': ' ',
}

/** A text as bytes of WinAnsi. */
export function winAnsi(text: string): number[] {
  return [...text].flatMap((character) => {
    const code = character.codePointAt(0) ?? 63
    const other = instead[character]
    if (other !== undefined) return [...other].map((c) => c.charCodeAt(0))
    if (elsewhere[character] !== undefined) return [elsewhere[character]]
    return [code < 32 || (code > 126 && code < 160) || code > 255 ? 63 : code]
  })
}

/** Width of a text of size 1. @param bold letters are a little wider */
export const textWidth = (bytes: readonly number[], bold: boolean): number =>
  bytes.reduce((sum, byte) => sum + (widths[byte - 32] ?? usual), 0) * (bold ? 0.00107 : 0.001)
