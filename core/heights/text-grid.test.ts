import fc from 'fast-check'
import { Fault } from '../model/fault'
import { openHeights } from './open-heights'
import { heightsInText } from './text-grid'
import { heightsTiff } from './write-geotiff'

const header = ['ncols 3', 'nrows 2', 'xllcorner 100', 'yllcorner 200', 'cellsize 0.5']
const ascii = (lines: readonly string[], body = '1 2 3\n4 5 6\n') => `${lines.join('\n')}\n${body}`
const refused = (text: string) => {
  try {
    heightsInText(text, 'h.asc')
    return null
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    const { why, line } = error.data as { readonly why?: string; readonly line?: number }
    return line ? `${error.code} ${why} ${line}` : `${error.code} ${why ?? ''}`.trim()
  }
}
const plain = (text: string) => {
  const grid = heightsInText(text, 'h.asc')
  return grid && { ...grid, heights: [...grid.heights] }
}

test('an ASCII grid from its corner: rows from the north, cells by their middles', () => {
  expect(plain(ascii(header))).toEqual({
    columns: 3,
    rows: 2,
    heights: [1, 2, 3, 4, 5, 6],
    first: [100.25, 200.75],
    side: [0.5, 0.5],
  })
})

test('keys in any letters and order, middles, two sides, marks for none, commas, line ends of both kinds', () => {
  const text = ascii(
    ['NROWS\t2', 'NCOLS\t3', 'XLLCENTER 100,25', 'YLLCENTER 200,125', 'dx 0,5', 'dy 0,25', 'NODATA_value -1'],
    '1,5 -1\r\n3 4\r\n5 nan',
  ).replaceAll('\n', '\r\n')
  const grid = plain(`\uFEFF${text}`)
  expect(grid).toMatchObject({ first: [100.25, 200.375], side: [0.5, 0.25] })
  expect(grid?.heights).toEqual([1.5, NaN, 3, 4, 5, Infinity])
  // Without a word of it, the usual mark.
  expect(plain(ascii(header, '1 2 -9999 4 5 6'))?.heights[2]).toBeNaN()
})

test('what is wrong with an ASCII grid is said, and where', () => {
  expect(refused(ascii(header.slice(0, 4)))).toBe('text-heights header')
  expect(refused(ascii(['ncols 3', ...header.slice(2)]))).toBe('text-heights header')
  expect(refused(ascii(header, '1 2 3\n4 five 6\n'))).toBe('text-heights number 7')
  expect(refused(ascii(header, '1 2 3\n4 5\n'))).toBe('text-heights few')
  expect(refused(ascii(header, '1 2 3\n4 5 6 7\n'))).toBe('text-heights many')
  expect(refused(ascii(['ncols three', ...header.slice(1)]))).toBe('text-heights number 1')
  expect(refused(ascii(['ncols 1', ...header.slice(1)]))).toBe('text-heights size')
  expect(refused(ascii(['ncols 2.5', ...header.slice(1)]))).toBe('text-heights size')
  expect(refused(ascii([...header.slice(0, 4), 'cellsize 0']))).toBe('text-heights cell')
  expect(refused(ascii(['ncols 999999', 'nrows 999999', ...header.slice(2)]))).toBe('raster-too-fine')
  // Other texts are none at all.
  for (const text of ['', 'hello', '<svg/>', '{"type":"Feature"}', 'north south\nwest east'])
    expect(heightsInText(text, 'x')).toBeNull()
})

test('points of a grid in any order, with or without a heading, parted by whatever', () => {
  const points = [
    [10, 20, 1],
    [10.5, 20, 2],
    [11, 20, 3],
    [10, 20.5, 4],
    [11, 20.5, 6],
  ] as const
  const want = { columns: 3, rows: 2, heights: [4, NaN, 6, 1, 2, 3], first: [10, 20.5], side: [0.5, 0.5] }
  const written = (by: string, comma = false) =>
    points
      .map((point) => point.map((value) => (comma ? String(value).replace('.', ',') : value)).join(by))
      .join('\n')
  for (const text of [
    written(' '),
    written('\t'),
    written(','),
    written(', '),
    written(';', true),
    written('  ', true),
    `x y z\n${written(' ')}\n`,
    `East;North;Height\r\n${written(';').replaceAll('\n', '\r\n')}\r\n\r\n`,
    [...written(' ').split('\n')].reverse().join('\n'),
  ])
    expect({ text, grid: plain(text) }).toEqual({ text, grid: want })
})

test('points on no grid, and lines that are none, are refused', () => {
  expect(refused('0 0 1\n1 0 1\nhere 1 1\n')).toBe('text-heights columns 3')
  expect(refused('0 0 1\n1 0 1\n2 0 1\n')).toBe('text-heights grid')
  const scattered = Array.from({ length: 200 }, (_, k) => `${(k * 0.618) % 1} ${(k * 0.414) % 1} 5`)
  expect(refused(scattered.join('\n'))).toBe('text-heights grid')
})

/** A grid written as one of the two, with coordinates rounded as such files are. */
const written = (kind: 'ascii' | 'points', values: readonly number[], columns: number, side: number) => {
  const rows = values.length / columns
  const [west, north] = [480_000, 4_600_000]
  if (kind === 'ascii')
    return `ncols ${columns}\nnrows ${rows}\nxllcorner ${west}\nyllcorner ${north - rows * side}\ncellsize ${side}\n${values.join(' ')}\n`
  return values
    .map((value, k) => {
      const [column, row] = [k % columns, Math.floor(k / columns)]
      const at = [west + (column + 0.5) * side, north - (row + 0.5) * side]
      return `${at.map((c) => c.toFixed(2)).join(' ')} ${value}`
    })
    .join('\n')
}

test('a text and a GeoTIFF of the same heights are read alike, whatever window is wanted', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.constantFrom('ascii' as const, 'points' as const),
      fc.integer({ min: 3, max: 9 }),
      fc.integer({ min: 3, max: 9 }),
      fc.constantFrom(0.25, 0.5, 1, 2),
      fc.infiniteStream(fc.integer({ min: -50, max: 3000 })),
      async (kind, columns, rows, side, stream) => {
        const values = [...stream.take(columns * rows)].map((value) => value / 8)
        const tiff = heightsTiff(Float32Array.from(values), columns, rows, 32619, [480_000, 4_600_000], side)
        const bytes = new TextEncoder().encode(written(kind, values, columns, side))
        const one = await openHeights(bytes.buffer, 'h.txt', { epsg: 32619 })
        const other = await openHeights(tiff.slice().buffer, 'h.tif')
        expect([one.columns, one.rows]).toEqual([columns, rows])
        for (const [column, row] of [
          [0, 0],
          [columns - 1, rows - 1],
        ] as const)
          for (const axis of [0, 1] as const)
            expect(one.at(column, row)[axis]).toBeCloseTo(other.at(column, row)[axis], 1)
        const window = [1, 1, columns - 2, rows - 1] as const
        expect(await one.read(...window)).toEqual(await other.read(...window))
        const degrees = [one, other].map((file) => file.projection?.toDegrees(file.at(1, 1)))
        expect(degrees[0]?.[0]).toBeCloseTo(degrees[1]?.[0] ?? NaN, 6)
      },
    ),
    { numRuns: 150 },
  )
})

test('a system that is given, degrees by their size, feet, and none', async () => {
  const open = (text: string, hints = {}) =>
    openHeights(new TextEncoder().encode(text).buffer, 'h.asc', hints)
  expect((await open(ascii(header))).projection).toBeNull()
  expect((await open(ascii(header), { epsg: 32633 })).projection?.unitM).toBe(1)
  const degrees = ['ncols 3', 'nrows 2', 'xllcorner -71.4', 'yllcorner 41.6', 'cellsize 0.00001']
  expect((await open(ascii(degrees))).projection?.unitM).toBeNull()
  const feet = await open(ascii(header), { heightUnitM: 0.3048 })
  expect((await feet.read(0, 0, 1, 1))[0]).toBeCloseTo(0.3048, 6)
  await expect(open(ascii(header), { epsg: 2 })).rejects.toMatchObject({ code: 'unknown-projection' })
  await expect(open('II*, but no raster')).rejects.toMatchObject({ code: 'bad-raster' })
  await expect(open('a letter to a friend')).rejects.toMatchObject({ code: 'bad-raster' })
})
