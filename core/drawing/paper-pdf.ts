import { joinedBytes } from '../model/bytes'
import { textWidth, winAnsi } from './helvetica'
import { type Jpeg, type Mark, type PaperDrawing } from './paper'
import { haloShare } from './paper-svg'

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
const ascii = (text: string): Uint8Array => Uint8Array.from(text, (character) => character.charCodeAt(0))

/** Objects of the document that come before the sheets: catalogue, pages, two fonts, about. */
const [pagesAt, regularAt, boldAt, aboutAt, firstSheetAt] = [2, 3, 4, 5, 6] as const

/**
 * As a PDF (ISO 32000-1) with a page for each sheet and the standard font Helvetica: lines, letters and photos.
 * @param title of the document, where it is not the first sheet's
 */
export function paperPdf(
  drawing: PaperDrawing | readonly PaperDrawing[],
  title?: string,
): Uint8Array<ArrayBuffer> {
  const sheets = 'marks' in drawing ? [drawing] : drawing
  const pictures = [...new Set(sheets.flatMap(picturesOn))]
  const pictureAt = new Map(pictures.map((jpeg, i) => [jpeg, firstSheetAt + 2 * sheets.length + i]))
  const font = (name: string) =>
    ascii(`<< /Type /Font /Subtype /Type1 /BaseFont /${name} /Encoding /WinAnsiEncoding >>`)
  const kids = sheets.map((_, i) => `${firstSheetAt + 2 * i} 0 R`).join(' ')
  const objects = [
    ascii(`<< /Type /Catalog /Pages ${pagesAt} 0 R >>`),
    ascii(`<< /Type /Pages /Kids [${kids}] /Count ${sheets.length} >>`),
    font('Helvetica'),
    font('Helvetica-Bold'),
    ascii(`<< /Title (${literal(winAnsi(title ?? sheets[0]?.title ?? ''))}) >>`),
    ...sheets.flatMap((sheet, i) => sheetObjects(sheet, firstSheetAt + 2 * i, pictureAt)),
    ...pictures.map(pictureObject),
  ]
  const parts: Uint8Array[] = [ascii('%PDF-1.4\n')]
  let length = parts[0]?.length ?? 0
  const put = (bytes: Uint8Array) => {
    parts.push(bytes)
    length += bytes.length
  }
  const offsets = objects.map((object, i) => {
    const at = length
    put(ascii(`${i + 1} 0 obj\n`))
    put(object)
    put(ascii('\nendobj\n'))
    return at
  })
  const start = length
  const rows = offsets.map((at) => `${String(at).padStart(10, '0')} 00000 n \n`).join('')
  put(ascii(`xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${rows}`))
  put(
    ascii(
      `trailer\n<< /Size ${objects.length + 1} /Root 1 0 R /Info ${aboutAt} 0 R >>\nstartxref\n${start}\n%%EOF\n`,
    ),
  )
  return joinedBytes(parts)
}

const picturesOn = ({ marks }: PaperDrawing): Jpeg[] =>
  marks.flatMap((mark) => (mark.is === 'picture' ? [mark.jpeg] : []))

function sheetObjects(
  sheet: PaperDrawing,
  at: number,
  pictureAt: ReadonlyMap<Jpeg, number>,
): [Uint8Array, Uint8Array] {
  const { widthMm, heightMm, marks } = sheet
  const named = [...new Set(picturesOn(sheet))]
    .map((jpeg) => `/P${pictureAt.get(jpeg)} ${pictureAt.get(jpeg)} 0 R`)
    .join(' ')
  const content = marks
    .map((mark) =>
      mark.is === 'picture'
        ? `q ${fixed(mark.widthMm * pt)} 0 0 ${fixed(mark.heightMm * pt)} ${fixed(mark.at[0] * pt)} ${fixed((heightMm - mark.at[1] - mark.heightMm) * pt)} cm /P${pictureAt.get(mark.jpeg)} Do Q`
        : operators(mark, heightMm),
    )
    .join('\n')
  return [
    ascii(
      `<< /Type /Page /Parent ${pagesAt} 0 R /MediaBox [0 0 ${fixed(widthMm * pt)} ${fixed(heightMm * pt)}] /Contents ${at + 1} 0 R /Resources << /Font << /F1 ${regularAt} 0 R /F2 ${boldAt} 0 R >>${named === '' ? '' : ` /XObject << ${named} >>`} >> >>`,
    ),
    ascii(`<< /Length ${content.length} >>\nstream\n${content}\nendstream`),
  ]
}

function pictureObject({ bytes, widthPx, heightPx }: Jpeg): Uint8Array {
  const head = ascii(
    `<< /Type /XObject /Subtype /Image /Width ${widthPx} /Height ${heightPx} /ColorSpace /DeviceRGB /BitsPerComponent 8 /Filter /DCTDecode /Length ${bytes.length} >>\nstream\n`,
  )
  const foot = ascii('\nendstream')
  return joinedBytes([head, bytes, foot])
}

function operators(mark: Exclude<Mark, { is: 'picture' }>, heightMm: number): string {
  const at = ([x, y]: readonly [number, number]): string => `${fixed(x * pt)} ${fixed((heightMm - y) * pt)}`
  if (mark.is === 'text') return letters(mark, heightMm)
  const pen = `${fixed(mark.widthMm * pt)} w`
  const filled = mark.fill === undefined ? '' : `${fixed(mark.fill)} g `
  const paint = mark.fill === undefined ? 'S' : mark.widthMm > 0 ? 'B' : 'f'
  if (mark.is === 'circle') {
    const [[x, y], r, k] = [mark.at, mark.radiusMm, mark.radiusMm * handle]
    const path = [
      `${at([x + r, y])} m`,
      `${at([x + r, y + k])} ${at([x + k, y + r])} ${at([x, y + r])} c`,
      `${at([x - k, y + r])} ${at([x - r, y + k])} ${at([x - r, y])} c`,
      `${at([x - r, y - k])} ${at([x - k, y - r])} ${at([x, y - r])} c`,
      `${at([x + k, y - r])} ${at([x + r, y - k])} ${at([x + r, y])} c`,
    ]
    return `${filled}${pen} [] 0 d ${path.join(' ')} ${paint}`
  }
  const path = mark.points.map((point, i) => `${at(point)} ${i === 0 ? 'm' : 'l'}`).join(' ')
  const dash = mark.dashed ? `[${fixed(1.6 * pt)} ${fixed(1.2 * pt)}] 0 d` : '[] 0 d'
  return `${filled}${pen} 1 j ${dash} ${path} ${mark.closed ? 'h ' : ''}${paint}`
}

function letters(mark: Extract<Mark, { is: 'text' }>, heightMm: number): string {
  const bytes = winAnsi(mark.text)
  const { sizeMm: size, at } = mark
  const width = textWidth(bytes, mark.bold ?? false) * size
  const back = { start: 0, middle: width / 2, end: width }[mark.anchor]
  const turn = (-(mark.turnDeg ?? 0) * Math.PI) / 180
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
  const [x, y] = [(at[0] - back * cos) * pt, (heightMm - at[1] - back * sin) * pt]
  const placed = [cos, sin, -sin, cos, x, y].map(fixed).join(' ')
  const say = `BT /${mark.bold ? 'F2' : 'F1'} ${fixed(size * pt)} Tf ${placed} Tm`
  const ink = `${mark.white ? 1 : 0} g`
  // Letters with white around them: once as a white outline, then as they are.
  const halo = mark.halo
    ? `1 G 1 j ${fixed(size * haloShare * pt)} w ${say} 1 Tr (${literal(bytes)}) Tj ET 0 G\n`
    : ''
  return `${halo}${ink} ${say} 0 Tr (${literal(bytes)}) Tj ET`
}
