import { placed, type Mark, type PaperDrawing } from './paper'

type Pair = readonly [code: number, value: string | number]

const fixed = (value: number): string => value.toFixed(4)
/** Letters of this format are as high as capitals are. */
const capitals = 0.72
const anchors = { start: 0, middle: 1, end: 2 } as const

/** Beyond ASCII a character is written by its number. */
const inDxf = (character: string): string => {
  const code = character.codePointAt(0) ?? 0
  if (code < 32) return ' '
  return code < 127 ? character : `\\U+${code.toString(16).toUpperCase().padStart(4, '0')}`
}

/** Free between two sheets, mm. */
const apartMm = 20

/** As DXF of release 12, millimetres, y up; layers as they are named, sheets side by side. Photos are left out. */
export function paperDxf(drawing: PaperDrawing | readonly PaperDrawing[]): string {
  const sheets = 'marks' in drawing ? [drawing] : drawing
  const heightMm = Math.max(0, ...sheets.map((sheet) => sheet.heightMm))
  let widthMm = -apartMm
  const marks = sheets.flatMap((sheet) => {
    const at = widthMm + apartMm
    widthMm = at + sheet.widthMm
    return placed(sheet.marks, [at, 0])
  })
  const layers = [...new Set(marks.map(({ layer }) => layer))]
  const pairs: Pair[] = [
    ...([
      [0, 'SECTION'],
      [2, 'HEADER'],
      [9, '$ACADVER'],
      [1, 'AC1009'],
      [9, '$INSUNITS'],
      [70, 4],
    ] as const),
    ...([
      [9, '$EXTMIN'],
      [10, '0'],
      [20, '0'],
      [30, '0'],
    ] as const),
    ...([
      [9, '$EXTMAX'],
      [10, fixed(widthMm)],
      [20, fixed(heightMm)],
      [30, '0'],
      [0, 'ENDSEC'],
    ] as const),
    ...([
      [0, 'SECTION'],
      [2, 'TABLES'],
      [0, 'TABLE'],
      [2, 'LTYPE'],
      [70, 2],
    ] as const),
    ...([
      [0, 'LTYPE'],
      [2, 'CONTINUOUS'],
      [70, 0],
      [3, ''],
      [72, 65],
      [73, 0],
      [40, '0'],
    ] as const),
    ...([
      [0, 'LTYPE'],
      [2, 'DASHED'],
      [70, 0],
      [3, ''],
      [72, 65],
      [73, 2],
      [40, '2.8'],
      [49, '1.6'],
    ] as const),
    ...([
      [49, '-1.2'],
      [0, 'ENDTAB'],
      [0, 'TABLE'],
      [2, 'LAYER'],
      [70, layers.length],
    ] as const),
    ...layers.flatMap((layer): Pair[] => [
      [0, 'LAYER'],
      [2, layer],
      [70, 0],
      [62, 7],
      [6, 'CONTINUOUS'],
    ]),
    ...([
      [0, 'ENDTAB'],
      [0, 'ENDSEC'],
      [0, 'SECTION'],
      [2, 'ENTITIES'],
    ] as const),
    ...marks.flatMap((mark) => entity(mark, heightMm)),
    ...([
      [0, 'ENDSEC'],
      [0, 'EOF'],
    ] as const),
  ]
  return `${pairs.map(([code, value]) => `${String(code).padStart(3)}\r\n${value}`).join('\r\n')}\r\n`
}

function entity(mark: Mark, heightMm: number): Pair[] {
  const at = ([x, y]: readonly [number, number], first = 10): Pair[] => [
    [first, fixed(x)],
    [first + 10, fixed(heightMm - y)],
    [first + 20, '0'],
  ]
  if (mark.is === 'circle')
    return [[0, 'CIRCLE'], [8, mark.layer], ...at(mark.at), [40, fixed(mark.radiusMm)]]
  if (mark.is === 'picture') return []
  if (mark.is === 'text')
    return [
      [0, 'TEXT'],
      [8, mark.layer],
      ...at(mark.at),
      [40, fixed(mark.sizeMm * capitals)],
      [1, [...mark.text].map(inDxf).join('')],
      ...(mark.turnDeg ? ([[50, fixed(-mark.turnDeg)]] as const) : []),
      [72, anchors[mark.anchor]],
      ...at(mark.at, 11),
    ]
  return [
    [0, 'POLYLINE'],
    [8, mark.layer],
    [6, mark.dashed ? 'DASHED' : 'CONTINUOUS'],
    [66, 1],
    ...at([0, heightMm]),
    [70, mark.closed ? 1 : 0],
    ...mark.points.flatMap((point): Pair[] => [[0, 'VERTEX'], [8, mark.layer], ...at(point)]),
    [0, 'SEQEND'],
    [8, mark.layer],
  ]
}
