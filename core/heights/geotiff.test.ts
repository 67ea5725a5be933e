import { fromArrayBuffer, writeArrayBuffer } from 'geotiff'
import { Fault } from '../model/fault'
import { localOf } from '../geometry/geo'
import { coversAll, heightFile, heightsAround } from './geotiff'
import { utmAt } from './projection'
import { cellAt, cellOf, cellSideM, coarser } from './raster'
import { heightsTiff } from './write-geotiff'

const opened = async (bytes: ArrayBuffer | Uint8Array, heightUnitM?: number) =>
  heightFile(
    await fromArrayBuffer(bytes instanceof Uint8Array ? bytes.slice().buffer : bytes),
    'h.tif',
    heightUnitM,
  )

const codeOf = async (run: () => Promise<unknown>) => {
  try {
    await run()
    return null
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    return error.code
  }
}

const keys = { GTModelTypeGeoKey: 1, GTRasterTypeGeoKey: 1, ProjectedCSTypeGeoKey: 32619 }
const placed = { ModelPixelScale: [0.5, 0.5, 0], ModelTiepoint: [0, 0, 0, 500_000, 4_600_000, 0] }
const written = (more: object = {}, values: number[] | Float32Array = [1, 2, 3, 4, 5, 6]) =>
  writeArrayBuffer(Float32Array.from(values), {
    width: 3,
    height: 2,
    BitsPerSample: [32],
    SampleFormat: [3],
    SamplesPerPixel: 1,
    ...placed,
    ...keys,
    ...more,
  })

describe('projections', () => {
  const place = { latitudeDeg: 45, longitudeDeg: 9 }

  test('on the middle meridian of a zone: 500 km east, and 0.9996 of the meridian north', () => {
    const { code, projection } = utmAt(place)
    expect(code).toBe(32632)
    const [east, north] = projection.fromDegrees([9, 45])
    expect(east).toBeCloseTo(500_000, 3)
    // From the equator to 45° along the meridian of WGS 84: 4 984 944.378 m.
    expect(north).toBeCloseTo(0.9996 * 4_984_944.378, 2)
    const [longitude, latitude] = projection.toDegrees([east, north])
    expect(longitude).toBeCloseTo(9, 9)
    expect(latitude).toBeCloseTo(45, 9)
  })

  test('south of the equator, ten million metres are added', () => {
    const { code, projection } = utmAt({ latitudeDeg: -34.7, longitudeDeg: 138.7 })
    expect(code).toBe(32754)
    const north = projection.fromDegrees([141, -34.7])[1]
    const other = utmAt({ latitudeDeg: 34.7, longitudeDeg: 141 }).projection.fromDegrees([141, 34.7])[1]
    expect(north).toBeCloseTo(10_000_000 - other, 3)
  })
})

describe('reading', () => {
  test('what was written comes back, with no-data as none, at the middles of cells', async () => {
    const heights = Float32Array.from([1.5, NaN, 3, 4, 5, 6.25])
    const file = await opened(heightsTiff(heights, 3, 2, 32619, [500_000, 4_600_000], 0.5))
    expect([file.columns, file.rows, file.heightUnitM, file.projection?.unitM]).toEqual([3, 2, 1, 1])
    expect(file.at(0, 0)).toEqual([500_000.25, 4_599_999.75])
    expect(file.at(2, 1)).toEqual([500_001.25, 4_599_999.25])
    expect([...(await file.read(0, 0, 3, 2))]).toEqual([1.5, NaN, 3, 4, 5, 6.25])
    expect([...(await file.read(1, 1, 2, 1))]).toEqual([5, 6.25])
  })

  test('a raster of points is tied at the middle of its first cell', async () => {
    const file = await opened(written({ GTRasterTypeGeoKey: 2 }))
    expect(file.at(0, 0)).toEqual([500_000, 4_600_000])
  })

  test('feet by the key of the file, by its coordinates, or by what is asked', async () => {
    const feet = await opened(written({ VerticalUnitsGeoKey: 9002 }))
    expect((await feet.read(0, 0, 1, 1))[0]).toBeCloseTo(0.3048, 6)
    const asked = await opened(written(), 0.3048)
    expect((await asked.read(2, 1, 1, 1))[0]).toBeCloseTo(6 * 0.3048, 6)
  })

  test('marks that are no heights on earth are none', async () => {
    const file = await opened(written({}, [-3.4e38, 1, 1e6, -32768, 2, 3]))
    expect([...(await file.read(0, 0, 3, 2))]).toEqual([NaN, 1, NaN, NaN, 2, 3])
  })

  test('in a frame of metres east and north, cells stand where the earth has them', async () => {
    const place = { latitudeDeg: 41.6, longitudeDeg: -71.4 }
    const { code, projection } = utmAt(place)
    const [east, north] = projection.fromDegrees([place.longitudeDeg, place.latitudeDeg])
    const corner = [Math.floor(east) - 10, Math.ceil(north) + 10] as const
    const heights = Float32Array.from({ length: 80 * 80 }, (_, k) => k % 80)
    const file = await opened(heightsTiff(heights, 80, 80, code, corner, 0.25))
    const frame = {
      local: (p: readonly [number, number]) => {
        const [longitudeDeg, latitudeDeg] = projection.toDegrees(p)
        return localOf(place, { longitudeDeg, latitudeDeg })
      },
      coordinates: (p: readonly [number, number]) => [east + p[0], north + p[1]] as const,
    }
    const grid = await heightsAround(file, frame, [-4, -4], [4, 4])
    expect(cellSideM(grid)).toBeCloseTo(0.25, 3)
    // The column is the height: one that lies in the grid's frame is found again by its place.
    for (const [column, row] of [
      [0, 0],
      [grid.columns - 1, grid.rows - 1],
      [5, 9],
    ] as const) {
      const p = cellAt(grid, column, row)
      const degrees = { latitudeDeg: place.latitudeDeg, longitudeDeg: place.longitudeDeg }
      expect(localOf(degrees, place)).toEqual([0, 0])
      const [c, r] = cellOf(grid, p)
      expect(c).toBeCloseTo(column, 9)
      expect(r).toBeCloseTo(row, 9)
      const east2 = file.at(grid.heights[row * grid.columns + column] ?? 0, 0)[0]
      expect(Math.abs(frame.local([east2, north])[0] - p[0])).toBeLessThan(0.35)
    }
  })

  test('put together, cells lie in their middle and hold the mean of what was measured', () => {
    const grid = {
      columns: 5,
      rows: 2,
      heights: Float32Array.from([1, 3, NaN, NaN, 9, 5, 7, NaN, 4, 9]),
      first: [0, 0] as const,
      across: [1, 0] as const,
      down: [0, -1] as const,
    }
    const { columns, rows, heights, first, across, down } = coarser(grid, 2)
    expect([columns, rows]).toEqual([2, 1])
    expect([...heights]).toEqual([4, NaN])
    expect([first, across, down]).toEqual([
      [0.5, -0.5],
      [2, 0],
      [0, -2],
    ])
  })

  test('which points lie on it', async () => {
    const file = await opened(written())
    expect(coversAll(file, [[500_000.1, 4_599_999.9]])).toBe(true)
    expect(coversAll(file, [[500_001.4, 4_599_999.1]])).toBe(true)
    expect(coversAll(file, [[500_001.6, 4_599_999.1]])).toBe(false)
    expect(coversAll(file, [[499_999, 4_600_000]])).toBe(false)
  })
})

describe('what is refused', () => {
  test('a picture', async () => {
    const rgb = writeArrayBuffer(new Uint8Array(18), {
      width: 3,
      height: 2,
      BitsPerSample: [8, 8, 8],
      SamplesPerPixel: 3,
      ...placed,
      ...keys,
    })
    expect(await codeOf(() => opened(rgb))).toBe('picture-not-heights')
  })

  test('a system nobody knows here', async () => {
    const odd = written({ ProjectedCSTypeGeoKey: 2056 })
    expect(await codeOf(() => opened(odd))).toBe('unknown-projection')
  })

  test('cut short: said when its cells are wanted', async () => {
    const whole = new Uint8Array(written({}, new Float32Array(6)))
    const cut = whole.slice(0, whole.length - 12)
    expect(await codeOf(async () => (await opened(cut)).read(0, 0, 3, 2))).toBe('bad-raster')
  })

  test('more cells than can be held', async () => {
    const file = await opened(written())
    expect(await codeOf(() => file.read(0, 0, 4_000, 4_000))).toBe('raster-too-fine')
  })

  test('a box that is not on it', async () => {
    const file = await opened(written())
    const frame = {
      local: ([x, y]: readonly [number, number]) => [x - 400_000, y - 4_600_000] as const,
      coordinates: ([x, y]: readonly [number, number]) => [x + 400_000, y + 4_600_000] as const,
    }
    expect(await codeOf(() => heightsAround(file, frame, [0, 0], [10, 10]))).toBe('heights-elsewhere')
  })
})
