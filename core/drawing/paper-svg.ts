import { type Mark, type PaperDrawing } from './paper'

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')
const mm = (value: number): string => String(Math.round(value * 1000) / 1000)

function written(mark: Mark): string {
  if (mark.is === 'text')
    return `<text x="${mm(mark.at[0])}" y="${mm(mark.at[1])}" font-size="${mm(mark.sizeMm)}" text-anchor="${mark.anchor}"${mark.bold ? ' font-weight="bold"' : ''} fill="#111">${escaped(mark.text)}</text>`
  const style = `fill="${mark.filled ? '#111' : 'none'}" stroke="#111" stroke-width="${mm(mark.widthMm)}"`
  if (mark.is === 'circle')
    return `<circle cx="${mm(mark.at[0])}" cy="${mm(mark.at[1])}" r="${mm(mark.radiusMm)}" ${style}/>`
  const points = mark.points.map((point) => point.map(mm).join(',')).join(' ')
  const dash = mark.dashed ? ' stroke-dasharray="1.6 1.2"' : ''
  return `<${mark.closed ? 'polygon' : 'polyline'} points="${points}" ${style}${dash} stroke-linejoin="round"/>`
}

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
