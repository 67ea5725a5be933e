import { textWidth, winAnsi } from './helvetica'
import { type PaperDrawing } from './paper'
import { paperDxf } from './paper-dxf'
import { paperPdf } from './paper-pdf'
import { paperSvg } from './paper-svg'

const drawing: PaperDrawing = {
  widthMm: 100,
  heightMm: 50,
  title: 'A <drawing>',
  marks: [
    {
      layer: 'WIRES',
      is: 'line',
      points: [
        [0, 0],
        [100, 50],
      ],
      widthMm: 0.35,
    },
    {
      layer: 'WIRES',
      is: 'line',
      points: [
        [10, 10],
        [20, 10],
        [20, 20],
      ],
      closed: true,
      fill: 0,
      dashed: true,
      widthMm: 0.25,
    },
    { layer: 'SYMBOLS', is: 'circle', at: [50, 25], radiusMm: 5, widthMm: 0.25 },
    {
      layer: 'LABELS',
      is: 'text',
      at: [50, 25],
      text: '25 °C (½) \\ ≤ 6 mm² & “so”',
      sizeMm: 3,
      anchor: 'end',
      bold: true,
    },
  ],
}

test('SVG: millimetres, groups by layer, text that cannot break out', () => {
  const svg = paperSvg(drawing)
  expect(svg).toContain('width="100mm" height="50mm" viewBox="0 0 100 50"')
  expect(svg).toContain('<title>A &lt;drawing&gt;</title>')
  expect(svg).toContain('<g id="wires"><polyline points="0,0 100,50"')
  expect(svg).toContain('&amp; “so”')
})

test('PDF: each object where the table says, the stream as long as it says, letters in its code', () => {
  const bytes = paperPdf(drawing)
  const text = Array.from(bytes, (byte) => String.fromCharCode(byte)).join('')
  const start = Number(/startxref\n(\d+)/.exec(text)?.[1])
  const rows = [...text.slice(start).matchAll(/^(\d{10}) 00000 n /gm)].map(([, at]) => Number(at))
  expect(rows).toHaveLength(7)
  rows.forEach((at, i) => expect(text.slice(at, at + 8)).toBe(`${i + 1} 0 obj\n`))
  const stream = /\/Length (\d+) >>\nstream\n([\s\S]*?)\nendstream/.exec(text)
  expect(stream?.[2]).toHaveLength(Number(stream?.[1]))
  // 100 by 50 mm are 283.465 by 141.732 points; y goes up.
  expect(text).toContain('/MediaBox [0 0 283.465 141.732]')
  expect(stream?.[2]).toContain('0 141.732 m 283.465 0 l S')
  expect(stream?.[2]).toContain(String.raw`25 \260C \(\275\) \\ <= 6 mm\262 & \223so\224`)
  expect(bytes.every((byte) => byte < 127)).toBe(true)
})

test('widths as the font has them: digits 0.556, an i 0.222', () => {
  expect(textWidth(winAnsi('2025'), false)).toBeCloseTo(4 * 0.556, 9)
  expect(textWidth(winAnsi('iW'), false)).toBeCloseTo(0.222 + 0.944, 9)
  expect(winAnsi('☃')).toEqual([63])
})

test('DXF: codes and values in pairs, every entity on a layer of the table', () => {
  const dxf = paperDxf(drawing)
  const lines = dxf.trimEnd().split('\r\n')
  expect(lines.length % 2).toBe(0)
  const pairs = Array.from(
    { length: lines.length / 2 },
    (_, k) => [Number(lines[2 * k]), lines[2 * k + 1] ?? ''] as const,
  )
  expect(pairs.every(([code]) => Number.isInteger(code))).toBe(true)
  const layers = new Set(pairs.filter(([code]) => code === 8).map(([, value]) => value))
  expect([...layers]).toEqual(['WIRES', 'SYMBOLS', 'LABELS'])
  const entities = pairs.filter(([code]) => code === 0).map(([, value]) => value)
  expect(entities.filter((name) => name === 'POLYLINE')).toHaveLength(2)
  expect(entities.filter((name) => name === 'VERTEX')).toHaveLength(5)
  expect(entities.at(-1)).toBe('EOF')
  // Ten millimetres from the top are forty from the foot.
  expect(dxf).toContain(' 10\r\n10.0000\r\n 20\r\n40.0000')
  expect(dxf).toContain('\\U+00B0C')
})

describe('several sheets, photos, greys and turned letters', () => {
  const jpeg = { bytes: Uint8Array.from([0xff, 0xd8, 0x0a, 0x80, 0xff, 0xd9]), widthPx: 40, heightPx: 30 }
  const photo = { layer: 'PHOTOS', is: 'picture', at: [10, 5], widthMm: 40, heightMm: 30, jpeg } as const
  const sheets: PaperDrawing[] = [
    { ...drawing, marks: [photo, ...drawing.marks] },
    {
      ...drawing,
      title: 'Second',
      marks: [
        photo,
        { layer: 'A', is: 'circle', at: [10, 10], radiusMm: 2, widthMm: 0, fill: 0.8 },
        {
          layer: 'A',
          is: 'text',
          at: [20, 10],
          text: 'up',
          sizeMm: 3,
          anchor: 'middle',
          turnDeg: -90,
          halo: true,
        },
        { layer: 'A', is: 'text', at: [20, 20], text: 'white', sizeMm: 3, anchor: 'start', white: true },
      ],
    },
  ]

  test('PDF: pages with their own content, a photo that is on both kept once, as it came', () => {
    const bytes = paperPdf(sheets, 'Both')
    const text = Array.from(bytes, (byte) => String.fromCharCode(byte)).join('')
    const start = Number(/startxref\n(\d+)/.exec(text)?.[1])
    const rows = [...text.slice(start).matchAll(/^(\d{10}) 00000 n /gm)].map(([, at]) => Number(at))
    rows.forEach((at, i) => expect(text.slice(at, at + 8).trimEnd()).toBe(`${i + 1} 0 obj`))
    expect(text).toContain('/Title (Both)')
    expect(text).toContain('/Count 2')
    expect(text.match(/\/Type \/Page /g)).toHaveLength(2)
    expect(text.match(/\/Subtype \/Image/g)).toHaveLength(1)
    expect(text.match(/ Do Q/g)).toHaveLength(2)
    const at = text.indexOf('/Length 6 >>\nstream\n') + '/Length 6 >>\nstream\n'.length
    expect([...bytes.slice(at, at + 6)]).toEqual([...jpeg.bytes])
    // 40 by 30 mm, its foot 15 mm over the sheet's.
    expect(text).toContain('q 113.386 0 0 85.039 28.346 42.52 cm')
    expect(text).toContain('0.8 g 0 w')
    // Turned to the left: along the sheet's upright, centred on its place.
    const back = (textWidth(winAnsi('up'), false) * 3) / 2
    const y = (Math.round((50 - 10 - back) * (72 / 25.4) * 1000) / 1000).toString()
    expect(text).toContain(`0 1 -1 0 56.693 ${y} Tm`)
    expect(text).toContain('1 g BT')
  })

  test('DXF: sheets side by side, no photo; letters turned the way they are', () => {
    const dxf = paperDxf(sheets)
    expect(dxf).toContain(' 10\r\n220.0000')
    expect(dxf).toContain('CIRCLE\r\n  8\r\nA\r\n 10\r\n130.0000\r\n 20\r\n40.0000')
    expect(dxf).toContain(' 50\r\n90.0000')
    expect(dxf).not.toContain('PHOTOS\r\n  6')
  })

  test('SVG: a photo, a grey, white around letters', () => {
    const svg = paperSvg(sheets[1] ?? drawing)
    expect(svg).toContain('href="data:image/jpeg;base64,/9gKgP/Z"')
    expect(svg).toContain('fill="#cccccc" stroke="none"')
    expect(svg).toContain('transform="rotate(-90 20 10)"')
    expect(svg).toContain('paint-order="stroke"')
    expect(svg).toContain('fill="#fff">white')
  })
})
