import fc from 'fast-check'
import { placeOf } from '../geometry/geo'
import { type Vec2 } from '../geometry/vector'
import { Fault } from '../model/fault'
import { volumeSchema } from '../kinds/volume/volume'
import { outlinesIn, volumesOver, withoutStanding } from './geojson-outlines'

const site = { latitudeDeg: 41.6, longitudeDeg: -71.4 }
const square = ([x, y]: Vec2, side = 10): Vec2[] => [
  [x, y],
  [x + side, y],
  [x + side, y + side],
  [x, y + side],
]
const polygon = (...rings: Vec2[][]) => ({
  type: 'Polygon',
  coordinates: rings.map((ring) =>
    [...ring, ring[0] ?? [0, 0]].map((p) => {
      const { longitudeDeg, latitudeDeg } = placeOf(site, p)
      return [longitudeDeg, latitudeDeg]
    }),
  ),
})
const feature = (geometry: object | null, name?: string) => ({
  type: 'Feature',
  properties: name === undefined ? null : { name },
  geometry,
})
const collection = (...features: object[]) => JSON.stringify({ type: 'FeatureCollection', features })
const read = (text: string) => outlinesIn(text, 'lots.geojson', site)
const faultOf = (text: string): string => {
  try {
    read(text)
  } catch (error) {
    if (error instanceof Fault) return error.code
    throw error
  }
  return 'none'
}

test('outlines come back to the millimetre, counter-clockwise; the house is the one that the site is in', () => {
  const { found, holes, left } = read(
    collection(
      feature(polygon(square([20, 5])), 'Next door'),
      feature(polygon(square([-4, -4]).reverse(), square([-1, -1], 2)), 'No. 14'),
      feature({
        type: 'MultiPolygon',
        coordinates: [polygon(square([40, 0])).coordinates, polygon(square([60, 0])).coordinates],
      }),
    ),
  )
  expect(left).toEqual([])
  expect([holes, found.length]).toEqual([1, 4])
  expect(found[0]?.name).toBe('No. 14')
  // Rotated by where the ring began.
  expect([...(found[0]?.outline ?? [])].sort()).toEqual([...square([-4, -4])].sort())
  expect(found.map(({ name }) => name)).toEqual(['No. 14', 'Next door', null, null])
})

test('what is drawn already is not taken again, and a second house is a neighbour', () => {
  const all = read(collection(feature(polygon(square([-4, -4]))), feature(polygon(square([20, 5])))))
  const rest = withoutStanding(all, [square([-3.8, -4.1])])
  expect(rest.found.map(({ outline }) => outline[0]?.[0])).toEqual([expect.closeTo(20, 2)])
  const over = (hasHouse: boolean) =>
    volumesOver(
      rest,
      hasHouse,
      { eaveHeightM: 3, pitchDeg: 30 },
      () => 'House',
      () => 'volume-1',
    )[0]?.role
  expect([over(true), over(false)]).toEqual(['neighbour', 'house'])
})

test('a feature or a geometry alone is a file, too', () => {
  expect(read(JSON.stringify(feature(polygon(square([0, 0]))))).found).toHaveLength(1)
  expect(read(`\uFEFF${JSON.stringify(polygon(square([0, 0])))}`).found).toHaveLength(1)
})

test('what cannot be used is left, with its place and why, and the rest is taken', () => {
  const bow: Vec2[] = [
    [0, 0],
    [10, 10],
    [10, 0],
    [0, 8],
  ]
  const round = Array.from({ length: 90 }, (_, k): Vec2 => {
    const a = (2 * Math.PI * k) / 90
    return [20 * Math.cos(a), 20 * Math.sin(a)]
  })
  const { found, left } = read(
    collection(
      feature(polygon(square([0, 0]))),
      feature(polygon(bow)),
      feature(polygon(square([3000, 0]))),
      feature({ type: 'Point', coordinates: [0, 0] }),
      feature(null),
      feature(polygon(round)),
      feature({
        type: 'Polygon',
        coordinates: [
          [
            [500_000, 4_600_000],
            [500_010, 4_600_000],
            [500_010, 4_600_010],
          ],
        ],
      }),
    ),
  )
  expect(found).toHaveLength(1)
  expect(left).toEqual([
    { feature: 2, why: 'crossing' },
    { feature: 3, why: 'far' },
    { feature: 4, why: 'none' },
    { feature: 5, why: 'none' },
    { feature: 6, why: 'corners' },
    { feature: 7, why: 'far' },
  ])
})

test('a file that is none is refused with what it is', () => {
  expect(faultOf('<html>')).toBe('not-json')
  expect(faultOf('{"type":"Topology"}')).toBe('bad-geojson')
  expect(faultOf('[]')).toBe('bad-geojson')
  expect(faultOf('null')).toBe('bad-geojson')
  expect(faultOf(collection())).toBe('no-outlines')
  expect(faultOf(collection(feature(polygon(square([9000, 0])))))).toBe('no-outlines')
})

test('whatever JSON says it is GeoJSON ends in buildings that are allowed or in a fault', () => {
  const json = fc.json({ depthSize: 'small' })
  const near = fc.integer({ min: -2000, max: 2000 }).map((millionths) => millionths / 1e6)
  const at = fc.oneof(
    { weight: 60, arbitrary: fc.tuple(near, near) },
    { weight: 1, arbitrary: fc.array(fc.double(), { maxLength: 3 }) },
  )
  const positions = fc.array(at, { maxLength: 5 })
  const shape = fc.oneof(
    {
      weight: 8,
      arbitrary: fc.record({
        type: fc.constant('Polygon'),
        coordinates: fc.array(positions, { minLength: 1, maxLength: 2 }),
      }),
    },
    fc.record({ type: fc.constant('MultiPolygon'), coordinates: fc.array(fc.array(positions)) }),
    fc.record({ type: fc.constantFrom('Polygon', 'Point'), coordinates: fc.array(fc.anything()) }),
    fc.constant(null),
  )
  const broken = fc.array(
    fc.record({
      type: fc.constantFrom('Feature', 'Feature', 'Polygon'),
      properties: fc.oneof(fc.constant(null), fc.dictionary(fc.string(), fc.string())),
      geometry: shape,
    }),
    { maxLength: 6 },
  )
  const around = { latitudeDeg: 0, longitudeDeg: 0 }
  let built = 0
  const holds = (text: string) => {
    try {
      let n = 0
      const volumes = volumesOver(
        outlinesIn(text, 'x', around),
        false,
        { eaveHeightM: 3, pitchDeg: 30 },
        () => 'House',
        () => `volume-${n++}`,
      )
      for (const volume of volumes) expect(volumeSchema.safeParse(volume).error?.issues ?? []).toEqual([])
      built += volumes.length
    } catch (error) {
      if (!(error instanceof Fault)) throw error
    }
  }
  fc.assert(fc.property(json, holds), { seed: 51, numRuns: 1000 })
  fc.assert(
    fc.property(broken, (features) => holds(JSON.stringify({ type: 'FeatureCollection', features }))),
    { seed: 52, numRuns: 3000 },
  )
  expect(built).toBeGreaterThan(20)
})
