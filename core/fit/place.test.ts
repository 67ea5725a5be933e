import { placeOf } from '../geometry/geo'
import { signedArea } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { type HeightFile } from '../heights/geotiff'
import { utmAt, type Projection } from '../heights/projection'
import { Fault } from '../model/fault'
import { placedOn } from './place'

/** A raster of 60 m by 60 m whose north-west corner has these coordinates. */
const raster = (projection: Projection | null, [west, north]: Vec2): HeightFile => ({
  name: 'h.tif',
  columns: 240,
  rows: 240,
  projection,
  heightUnitM: 1,
  at: (column, row) => [west + (column + 0.5) / 4, north - (row + 0.5) / 4],
  read: async () => new Float32Array(0),
})

const house: Vec2[] = [
  [0, 0],
  [10, 0],
  [10, 8],
  [0, 8],
]
const closed = (ring: readonly Vec2[]) => [...ring, ...ring.slice(0, 1)]
const codeOf = (run: () => unknown) => {
  try {
    run()
    return null
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    return error.code
  }
}

test('metres of a grid that nobody names: from the first point, whatever the order of the others', () => {
  const file = raster(null, [-20, 30])
  const moved = house.map(([x, y]): Vec2 => [x + 3, y - 5])
  expect(placedOn(file, closed(moved), 'o').outline).toEqual(house)
  const clockwise = [moved[0], moved[3], moved[2], moved[1]] as Vec2[]
  const { outline, frame } = placedOn(file, closed(clockwise), 'o')
  expect(outline).toEqual(house)
  expect(signedArea(outline)).toBe(80)
  expect(frame.coordinates([10, 8])).toEqual([13, 3])
  expect(frame.local([13, 3])).toEqual([10, 8])
})

describe('a raster in a UTM zone', () => {
  const place = { latitudeDeg: 41.6, longitudeDeg: -71.4 }
  const { projection } = utmAt(place)
  const [east, north] = projection.fromDegrees([place.longitudeDeg, place.latitudeDeg])
  const file = raster(projection, [east - 20, north + 30])

  test('an outline in longitude and latitude is measured on the earth', () => {
    const degrees = house.map((p): Vec2 => {
      const { longitudeDeg, latitudeDeg } = placeOf(place, p)
      return [longitudeDeg, latitudeDeg]
    })
    const { outline, frame } = placedOn(file, closed(degrees), 'o')
    outline.forEach(([x, y], i) => {
      expect(x).toBeCloseTo(house[i]?.[0] ?? 0, 4)
      expect(y).toBeCloseTo(house[i]?.[1] ?? 0, 4)
    })
    // The grid's north is turned here: 1.7 m west of the middle meridian's way in 60 m.
    const [x] = frame.local([east, north + 60])
    expect(Math.abs(x)).toBeGreaterThan(0.5)
    expect(Math.abs(x)).toBeLessThan(2.5)
    const back = frame.coordinates(frame.local([east + 7, north - 4]))
    expect(back[0]).toBeCloseTo(east + 7, 4)
    expect(back[1]).toBeCloseTo(north - 4, 4)
  })

  test('an outline in the grid’s own coordinates keeps to the grid', () => {
    const own = house.map(([x, y]): Vec2 => [east + x, north + y])
    expect(placedOn(file, closed(own), 'o').outline.map(([x, y]) => [Math.round(x), Math.round(y)])).toEqual(
      house,
    )
  })

  test('elsewhere, half on it, without a figure', () => {
    const far = house.map(([x, y]): Vec2 => [east + 5_000 + x, north + y])
    expect(codeOf(() => placedOn(file, closed(far), 'o'))).toBe('heights-elsewhere')
    const half = house.map(([x, y]): Vec2 => [east + 35 + x, north + y])
    expect(codeOf(() => placedOn(file, closed(half), 'o'))).toBe('heights-cut-outline')
    expect(
      codeOf(() =>
        placedOn(
          file,
          [
            [east, NaN],
            [1, 2],
            [3, 4],
          ],
          'o',
        ),
      ),
    ).toBe('no-outlines')
    expect(codeOf(() => placedOn(file, [], 'o'))).toBe('no-outlines')
    const point = [0, 1, 2].map((): Vec2 => [east, north])
    expect(codeOf(() => placedOn(file, point, 'o'))).toBe('no-outlines')
  })
})

test('degrees on a raster without a system: in the UTM zone of the place, where that lies on it', () => {
  const first = { latitudeDeg: 41.6, longitudeDeg: -71.4 }
  const zone = utmAt(first)
  const [east, north] = zone.projection.fromDegrees([first.longitudeDeg, first.latitudeDeg])
  const file = raster(null, [east - 20, north + 30])
  const ring = house.map((p): Vec2 => {
    const { latitudeDeg, longitudeDeg } = placeOf(first, p)
    return [longitudeDeg, latitudeDeg]
  })
  const placed = placedOn(file, closed(ring), 'o')
  expect(placed.assumedEpsg).toBe(32619)
  placed.outline.forEach(([x, y], i) => {
    expect(x).toBeCloseTo(house[i]?.[0] ?? NaN, 4)
    expect(y).toBeCloseTo(house[i]?.[1] ?? NaN, 4)
  })
  // In its own coordinates nothing is taken for granted.
  const own = house.map(([x, y]): Vec2 => [east + x, north + y])
  expect(placedOn(file, closed(own), 'o').assumedEpsg).toBeNull()
})

test('degrees on a raster without a system: said', () => {
  const file = raster(null, [400_000, 4_600_000])
  const degrees: Vec2[] = [
    [-71.4, 41.6],
    [-71.3999, 41.6],
    [-71.3999, 41.6001],
  ]
  expect(codeOf(() => placedOn(file, closed(degrees), 'o'))).toBe('no-projection')
})
