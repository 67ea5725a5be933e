import { type Mark, type PaperDrawing } from './paper'

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')
const mm = (value: number): string => String(Math.round(value * 1000) / 1000)
const ink = '#111'

const grey = (share: number): string => {
  if (share === 0) return ink
  const level = Math.round(share * 255)
    .toString(16)
    .padStart(2, '0')
  return `#${level}${level}${level}`
}

function written(mark: Mark): string {
  if (mark.is === 'text') {
    const [x, y] = mark.at.map(mm)
    const turn = mark.turnDeg ? ` transform="rotate(${mm(mark.turnDeg)} ${x} ${y})"` : ''
    const halo = mark.halo
      ? ` stroke="#fff" stroke-width="${mm(mark.sizeMm * haloShare)}" stroke-linejoin="round" paint-order="stroke"`
      : ''
    return `<text x="${x}" y="${y}" font-size="${mm(mark.sizeMm)}" text-anchor="${mark.anchor}"${mark.bold ? ' font-weight="bold"' : ''} fill="${mark.white ? '#fff' : ink}"${halo}${turn}>${escaped(mark.text)}</text>`
  }
  if (mark.is === 'picture')
    return `<image x="${mm(mark.at[0])}" y="${mm(mark.at[1])}" width="${mm(mark.widthMm)}" height="${mm(mark.heightMm)}" href="data:image/jpeg;base64,${base64(mark.jpeg.bytes)}"/>`
  const stroke = mark.widthMm > 0 ? `stroke="${ink}" stroke-width="${mm(mark.widthMm)}"` : 'stroke="none"'
  const style = `fill="${mark.fill === undefined ? 'none' : grey(mark.fill)}" ${stroke}`
  if (mark.is === 'circle')
    return `<circle cx="${mm(mark.at[0])}" cy="${mm(mark.at[1])}" r="${mm(mark.radiusMm)}" ${style}/>`
  const points = mark.points.map((point) => point.map(mm).join(',')).join(' ')
  const dash = mark.dashed ? ' stroke-dasharray="1.6 1.2"' : ''
  return `<${mark.closed ? 'polygon' : 'polyline'} points="${points}" ${style}${dash} stroke-linejoin="round"/>`
}

/** Of the letters' size: how wide the white around them is. */
export const haloShare = 0.3

const base64 = (bytes: Uint8Array): string =>
  btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''))

/** As an SVG document in millimetres; marks of a layer in a group of its name. */
export function paperSvg({ widthMm, heightMm, title, marks }: PaperDrawing): string {
  const layers = [...new Set(marks.map(({ layer }) => layer))]
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(widthMm)}mm" height="${mm(heightMm)}mm" viewBox="0 0 ${mm(widthMm)} ${mm(heightMm)}" font-family="Helvetica, Arial, sans-serif" role="img">`,
    `<title>${escaped(title)}</title>`,
    `<rect width="${mm(widthMm)}" height="${mm(heightMm)}" fill="#fff"/>`,
    ...layers.map(
      (layer) =>
        `<g id="${escaped(layer.toLowerCase())}">${marks
          .filter((mark) => mark.layer === layer)
          .map(written)
          .join('')}</g>`,
    ),
    '</svg>',
    '',
  ].join('\n')
}
