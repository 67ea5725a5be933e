import { textWidth, winAnsi } from './helvetica'
import { type Mark, type PaperDrawing } from './paper'

/** Points to a millimetre. */
const pt = 72 / 25.4
/** Of a circle's radius: how far a cubic's handles stand off (Goldapp 1991). */
const handle = 0.5519

const fixed = (value: number): string => String(Math.round(value * 1000) / 1000)
const literal = (bytes: readonly number[]): string =>
  bytes
    .map((byte) =>
      byte === 40 || byte === 41 || byte === 92
        ? `\\${String.fromCharCode(byte)}`
        : byte > 126
          ? `\\${byte.toString(8).padStart(3, '0')}`
          : String.fromCharCode(byte),
    )
    .join('')

/** As a PDF of one page (ISO 32000-1) with the standard font Helvetica: lines and letters, no picture. */
export function paperPdf(drawing: PaperDrawing): Uint8Array<ArrayBuffer> {
  const { widthMm, heightMm, title, marks } = drawing
  const content = marks.map((mark) => operators(mark, heightMm)).join('\n')
  const font = (name: string) =>
    `<< /Type /Font /Subtype /Type1 /BaseFont /${name} /Encoding /WinAnsiEncoding >>`
  const objects = [
    '<< /Type /Catalog /Pages 2 0 R >>',
    '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
    `<< /Type /Page /Parent 2 0 R /MediaBox [0 0 ${fixed(widthMm * pt)} ${fixed(heightMm * pt)}] /Contents 4 0 R /Resources << /Font << /F1 5 0 R /F2 6 0 R >> >> >>`,
    `<< /Length ${content.length} >>\nstream\n${content}\nendstream`,
    font('Helvetica'),
    font('Helvetica-Bold'),
    `<< /Title (${literal(winAnsi(title))}) >>`,
  ]
  let text = '%PDF-1.4\n'
  const offsets = objects.map((object, i) => {
    const at = text.length
    text += `${i + 1} 0 obj\n${object}\nendobj\n`
    return at
  })
  const start = text.length
  const rows = offsets.map((at) => `${String(at).padStart(10, '0')} 00000 n \n`).join('')
  text += `xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${rows}`
  text += `trailer\n<< /Size ${objects.length + 1} /Root 1 0 R /Info 7 0 R >>\nstartxref\n${start}\n%%EOF\n`
  // ASCII throughout: a character is a byte.
  return Uint8Array.from(text, (character) => character.charCodeAt(0))
}

function operators(mark: Mark, heightMm: number): string {
  const at = ([x, y]: readonly [number, number]): string => `${fixed(x * pt)} ${fixed((heightMm - y) * pt)}`
  if (mark.is === 'text') {
    const bytes = winAnsi(mark.text)
    const size = mark.sizeMm
    const width = textWidth(bytes, mark.bold ?? false) * size
    const back = { start: 0, middle: width / 2, end: width }[mark.anchor]
    return `BT /${mark.bold ? 'F2' : 'F1'} ${fixed(size * pt)} Tf ${at([mark.at[0] - back, mark.at[1]])} Td (${literal(bytes)}) Tj ET`
  }
  const pen = `${fixed(mark.widthMm * pt)} w`
  if (mark.is === 'circle') {
    const [[x, y], r, k] = [mark.at, mark.radiusMm, mark.radiusMm * handle]
    const path = [
      `${at([x + r, y])} m`,
      `${at([x + r, y + k])} ${at([x + k, y + r])} ${at([x, y + r])} c`,
      `${at([x - k, y + r])} ${at([x - r, y + k])} ${at([x - r, y])} c`,
      `${at([x - r, y - k])} ${at([x - k, y - r])} ${at([x, y - r])} c`,
      `${at([x + k, y - r])} ${at([x + r, y - k])} ${at([x + r, y])} c`,
    ]
    return `${pen} [] 0 d ${path.join(' ')} ${mark.filled ? 'B' : 'S'}`
  }
  const path = mark.points.map((point, i) => `${at(point)} ${i === 0 ? 'm' : 'l'}`).join(' ')
  const dash = mark.dashed ? `[${fixed(1.6 * pt)} ${fixed(1.2 * pt)}] 0 d` : '[] 0 d'
  return `${pen} 1 j ${dash} ${path} ${mark.closed ? 'h ' : ''}${mark.filled ? 'B' : 'S'}`
}
