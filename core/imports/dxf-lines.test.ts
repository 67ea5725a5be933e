import fc from 'fast-check'
import { distance2, type Vec2 } from '../geometry/vector'
import { Fault } from '../model/fault'
import { bulgePoints, splinePoints } from './dxf-curves'
import { dxfLines } from './dxf-lines'

/** A drawing in text form: pairs of a code and a value, by sections. */
const dxf = (entities: string, { header = '', tables = '', blocks = '' } = {}): string =>
  [
    header && `0 SECTION 2 HEADER ${header} 0 ENDSEC`,
    tables && `0 SECTION 2 TABLES ${tables} 0 ENDSEC`,
    blocks && `0 SECTION 2 BLOCKS ${blocks} 0 ENDSEC`,
    `0 SECTION 2 ENTITIES ${entities} 0 ENDSEC`,
    '0 EOF',
  ]
    .filter((section) => section !== '')
    .join(' ')
    .split(/\s+/)
    .join('\n')

const line = (layer: string, [x, y]: Vec2, [tx, ty]: Vec2) =>
  `0 LINE 8 ${layer} 10 ${x} 20 ${y} 11 ${tx} 21 ${ty}`
const millimetres = '9 $INSUNITS 70 4'
const read = (text: string) => {
  try {
    return dxfLines(text)
  } catch (error) {
    if (error instanceof Fault) return error
    throw error
  }
}
const drawing = (text: string) => {
  const found = read(text)
  if (found instanceof Fault) throw found
  return found
}
/** A layer with its pieces joined to lines again where one begins at the end of the other. */
function drawnLayers(text: string) {
  return drawing(text).layers.map(({ name, on, pieces }) => {
    const lines: [number, number][][] = []
    for (let k = 0; k < pieces.length; k += 4) {
      const [ax = NaN, ay = NaN, bx = NaN, by = NaN] = pieces.subarray(k, k + 4)
      const end = lines.at(-1)?.at(-1)
      if (end?.[0] === ax && end[1] === ay) lines.at(-1)?.push([bx, by])
      else
        lines.push([
          [ax, ay],
          [bx, by],
        ])
    }
    return { name, on, lines }
  })
}
const layer = (text: string, name: string) => drawnLayers(text).find((one) => one.name === name)

test('a wall of 8 m in millimetres, far from the origin: its units, its extent, its points about the middle', () => {
  const found = drawing(
    dxf(
      line('WALLS', [500_000, 2_000_000], [508_000, 2_000_000]) +
        ' ' +
        line('WALLS', [508_000, 2_000_000], [508_000, 2_003_000]),
      {
        header: millimetres,
      },
    ),
  )
  expect(found).toMatchObject({ metresPerUnit: 0.001, width: 8000, height: 3000, leftOut: {} })
  expect(found.layers).toEqual([
    {
      name: 'WALLS',
      on: true,
      pieces: Float64Array.of(-4000, -1500, 4000, -1500, 4000, -1500, 4000, 1500),
    },
  ])
})

test('a drawing that does not say its units says so; feet and inches are known', () => {
  const units = (header: string) => drawing(dxf(line('0', [0, 0], [1, 1]), { header })).metresPerUnit
  expect(units('')).toBeNull()
  expect(units('9 $INSUNITS 70 0')).toBeNull()
  expect(units('9 $INSUNITS 70 1')).toBe(0.0254)
  expect(units('9 $INSUNITS 70 2')).toBe(0.3048)
  expect(units('9 $INSUNITS 70 99')).toBeNull()
})

test('layers that are switched off or frozen are there and say so, and do not count for the extent', () => {
  const text = dxf(
    line('A', [0, 0], [2, 0]) + ' ' + line('B', [0, 0], [90, 0]) + ' ' + line('C', [0, 0], [70, 0]),
    {
      tables:
        '0 TABLE 2 LAYER 70 3 0 LAYER 2 A 70 0 62 7 0 LAYER 2 B 70 0 62 -7 0 LAYER 2 C 70 1 62 7 0 ENDTAB',
    },
  )
  expect(drawing(text).layers.map(({ name, on }) => [name, on])).toEqual([
    ['A', true],
    ['B', false],
    ['C', false],
  ])
  expect(drawing(text).width).toBe(2)
})

test('a block is inserted turned, scaled and in rows; what is on layer 0 in it goes to the layer of its insertion', () => {
  const text = dxf(
    '0 INSERT 8 DOORS 2 DOOR 10 10 20 0 41 2 42 2 50 90 70 1 71 2 45 5 ' + line('FRAME', [0, 0], [20, 20]),
    {
      blocks: `0 BLOCK 8 0 2 DOOR 70 0 10 1 20 0 3 DOOR 1 X ${line('0', [1, 0], [2, 0])} ${line('GLASS', [1, 0], [1, 1])} 0 ENDBLK`,
    },
  )
  // About the middle (10, 10): up from (10, 0) by two, and once more a row of 5 on, which lies to the west.
  expect(layer(text, 'DOORS')?.lines).toEqual([
    [
      [0, -10],
      [expect.closeTo(0, 9), -8],
    ],
    [
      [-5, expect.closeTo(-10, 9)],
      [-5, expect.closeTo(-8, 9)],
    ],
  ])
  expect(layer(text, 'GLASS')?.lines[0]?.[1]).toEqual([expect.closeTo(-2, 9), expect.closeTo(-10, 9)])
})

test('a quarter circle bulges to the right of its side, and arcs run counter-clockwise over nought', () => {
  const bulge = Math.tan(Math.PI / 8)
  const points = bulgePoints([1, 0], [0, 1], bulge)
  for (const point of points) expect(Math.hypot(...point)).toBeCloseTo(1, 9)
  expect(points.some(([x, y]) => Math.min(x, y) > 0.6)).toBe(true)
  const arc =
    layer(dxf(`0 ARC 8 A 10 0 20 0 40 2 50 350 51 10 ${line('A', [-5, -5], [5, 5])}`), 'A')?.lines[0] ?? []
  expect(arc.length).toBeGreaterThan(3)
  for (const [x] of arc) expect(x).toBeGreaterThan(1.9)
  const circle = layer(dxf(`0 CIRCLE 8 A 10 3 20 4 40 2`), 'A')?.lines[0] ?? []
  for (const point of circle) expect(Math.hypot(...point)).toBeCloseTo(2, 9)
})

test('every point of a bulge is as far from its middle as its ends, and the turn is four times its arc tangent', () => {
  const coordinate = fc.double({ min: -50, max: 50, noNaN: true })
  fc.assert(
    fc.property(
      fc.tuple(coordinate, coordinate),
      fc.tuple(coordinate, coordinate),
      fc.double({ min: 0.05, max: 4, noNaN: true }),
      fc.boolean(),
      (a, b, size, right) => {
        fc.pre(distance2(a, b) > 0.1)
        const bulge = right ? size : -size
        const points = [a, ...bulgePoints(a, b, bulge)]
        expect(points.at(-1)).toEqual(b)
        // The sagitta is half the chord times the bulge.
        const reach = Math.max(...points.map((p) => distance2(p, a) + distance2(p, b)))
        const half = distance2(a, b) / 2
        expect(reach).toBeLessThanOrEqual(2 * Math.hypot(half, half * size) + 1e-9)
        const turns = points.slice(1, -1).map((p, i) => {
          const [before, next] = [points[i] ?? p, points[i + 2] ?? p]
          const cross = (p[0] - before[0]) * (next[1] - p[1]) - (p[1] - before[1]) * (next[0] - p[0])
          return Math.sign(cross)
        })
        for (const turn of turns) expect(turn).toBe(Math.sign(bulge))
      },
    ),
    { seed: 5, numRuns: 300 },
  )
})

test('a spline of the second degree over three points is a parabola', () => {
  const points = splinePoints(
    [
      [0, 0],
      [1, 2],
      [2, 0],
    ],
    [0, 0, 0, 1, 1, 1],
    2,
  )
  expect(points[0]).toEqual([0, 0])
  expect(points.at(-1)).toEqual([2, 0])
  for (const [x, y] of points) expect(y).toBeCloseTo(2 * x - x * x, 9)
  // Knots that make no curve leave its control points.
  expect(
    splinePoints(
      [
        [0, 0],
        [1, 1],
      ],
      [0, 1],
      3,
    ),
  ).toEqual([
    [0, 0],
    [1, 1],
  ])
})

test('texts and hatches are counted and left out; a drawing of nothing else is none', () => {
  const text = '0 TEXT 8 A 10 0 20 0 40 1 1 HELLO'
  expect(drawing(dxf(`${line('A', [0, 0], [1, 0])} ${text} ${text}`)).leftOut).toEqual({ TEXT: 2 })
  expect(read(dxf(text))).toMatchObject({ code: 'empty-drawing' })
  expect(read(dxf(''))).toMatchObject({ code: 'empty-drawing' })
})

test('what is no drawing, or breaks off, is refused; a comment before it is none', () => {
  for (const text of ['', 'hello', '<svg></svg>', '{"type":"FeatureCollection"}', '0\nEOF'])
    expect(read(text)).toMatchObject({ code: 'not-a-dxf' })
  const whole = dxf(line('A', [0, 0], [1, 0]))
  expect(read(`999\na comment of mine\n${whole}`)).not.toBeInstanceOf(Fault)
  expect(read(whole.replaceAll('\n', '\r\n'))).not.toBeInstanceOf(Fault)
  // Cut anywhere it is refused, or read as far as it goes: nothing else is thrown.
  for (let end = 20; end < whole.length; end += 3) read(whole.slice(0, end))
})

test('random damage breaks nothing but the drawing', () => {
  const whole = dxf(
    `${line('A', [0, 0], [10, 0])} 0 INSERT 8 A 2 DOOR 10 3 20 3 0 POLYLINE 8 A 66 1 70 0 0 VERTEX 8 A 10 0 20 0 0 VERTEX 8 A 10 1 20 1 0 SEQEND 0 LWPOLYLINE 8 B 90 3 70 1 10 0 20 0 42 0.5 10 4 20 0 10 4 20 3 0 CIRCLE 8 C 10 1 20 1 40 2`,
    {
      header: millimetres,
      tables: '0 TABLE 2 LAYER 70 1 0 LAYER 2 A 70 0 62 7 0 ENDTAB',
      blocks: `0 BLOCK 8 0 2 DOOR 70 0 10 1 20 0 3 DOOR 1 X ${line('0', [1, 0], [2, 0])} 0 ENDBLK 8 0`,
    },
  ).split('\n')
  fc.assert(
    fc.property(
      fc.nat(whole.length - 1),
      fc.constantFrom(
        '',
        '-1',
        '1e400',
        'NaN',
        '0',
        'ENDSEC',
        'SECTION',
        'INSERT',
        'BLOCK',
        'ENDBLK',
        'SEQEND',
        'VERTEX',
        'LAYER',
        '70',
        '99999',
        'ö',
      ),
      (at, value) => {
        const found = read(whole.toSpliced(at, 1, value).join('\n'))
        if (found instanceof Fault) return
        for (const { pieces } of found.layers) expect(pieces.every(Number.isFinite)).toBe(true)
      },
    ),
    { seed: 3, numRuns: 2000 },
  )
})

test('a drawing of more points than can be shown is refused with the limit', () => {
  const circles = Array.from({ length: 7000 }, (_, i) => `0 CIRCLE 8 A 10 ${i} 20 0 40 1`).join(' ')
  expect(read(dxf(circles))).toMatchObject({ code: 'too-many-points', data: { limit: 400_000 } })
})

test('empty blocks in blocks in rows come to an end', () => {
  const insert = (name: string) => `0 INSERT 8 A 2 ${name} 10 0 20 0 70 1000 71 1000`
  const blocks = [1, 2, 3, 4, 5]
    .map((n) => `0 BLOCK 8 0 2 B${n} 10 0 20 0 ${insert(`B${n + 1}`)} 0 ENDBLK`)
    .join(' ')
  expect(read(dxf(insert('B1'), { blocks: `${blocks} 0 BLOCK 8 0 2 B6 10 0 20 0 0 ENDBLK` }))).toMatchObject({
    code: 'too-many-points',
  })
  // A block that holds itself is left out where it gets too deep.
  const itself = dxf(`0 INSERT 8 A 2 B 10 0 20 0 ${line('A', [0, 0], [1, 1])}`, {
    blocks: '0 BLOCK 8 0 2 B 10 0 20 0 0 INSERT 8 A 2 B 10 1 20 0 0 ENDBLK',
  })
  expect(drawing(itself).leftOut).toEqual({ INSERT: 1 })
})
