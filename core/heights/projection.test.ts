import { Fault } from '../model/fault'
import { projectionOf } from './projection'

const foot = 1200 / 3937

describe('systems that a file describes itself', () => {
  const origin = { ProjNatOriginLatGeoKey: 41.0833333, ProjNatOriginLongGeoKey: -71.5 }

  test('transverse Mercator in survey feet: the origin lies at the false easting, and a mile north is a mile', () => {
    const projection = projectionOf(
      {
        GTModelTypeGeoKey: 1,
        ProjectedCSTypeGeoKey: 32767,
        ProjCoordTransGeoKey: 1,
        ProjLinearUnitsGeoKey: 9003,
        ProjScaleAtNatOriginGeoKey: 0.99999375,
        ProjFalseEastingGeoKey: 328_083.3333,
        ProjFalseNorthingGeoKey: 0,
        ...origin,
      },
      'h.tif',
    )
    expect(projection?.unitM).toBeCloseTo(foot, 9)
    const [east, north] = projection?.fromDegrees([-71.5, 41.0833333]) ?? []
    expect(east).toBeCloseTo(328_083.3333, 3)
    expect(north).toBeCloseTo(0, 3)
    // One degree of the meridian of GRS 80 from 41° 5' on, by the ellipsoid's series: 111 065.2 m at its middle.
    const [, up = 0] = projection?.fromDegrees([-71.5, 42.0833333]) ?? []
    expect(Math.abs(up * foot - 0.99999375 * 111_065.2)).toBeLessThan(1)
    const back = projection?.toDegrees([328_083.3333, up]) ?? [0, 0]
    expect(back[0]).toBeCloseTo(-71.5, 8)
    expect(back[1]).toBeCloseTo(42.0833333, 8)
  })

  test.each([
    [
      'Lambert conformal of two parallels',
      { ProjCoordTransGeoKey: 8, ProjStdParallel1GeoKey: 40, ProjStdParallel2GeoKey: 43 },
    ],
    ['Albers', { ProjCoordTransGeoKey: 11, ProjStdParallel1GeoKey: 40, ProjStdParallel2GeoKey: 43 }],
  ])('%s: there and back', (_, keys) => {
    const projection = projectionOf(
      { GTModelTypeGeoKey: 1, ProjectedCSTypeGeoKey: 32767, ...origin, ...keys },
      'h.tif',
    )
    const there = projection?.fromDegrees([-71.2, 41.7]) ?? [0, 0]
    expect(Math.hypot(...there)).toBeGreaterThan(50_000)
    const back = projection?.toDegrees(there) ?? [0, 0]
    expect(back[0]).toBeCloseTo(-71.2, 8)
    expect(back[1]).toBeCloseTo(41.7, 8)
  })

  test('a way of projecting that is not known', () => {
    expect(() =>
      projectionOf({ GTModelTypeGeoKey: 1, ProjectedCSTypeGeoKey: 32767, ProjCoordTransGeoKey: 27 }, 'h.tif'),
    ).toThrow(Fault)
  })
})

test('families of zones: the same place by each', () => {
  const by = (code: number) => projectionOf({ GTModelTypeGeoKey: 1, ProjectedCSTypeGeoKey: code }, 'h')
  const north = by(32619)?.fromDegrees([-69, 41.6]) ?? [0, 0]
  for (const code of [26919, 6348]) {
    const own = by(code)?.fromDegrees([-69, 41.6]) ?? [0, 0]
    expect(Math.hypot(own[0] - north[0], own[1] - north[1])).toBeLessThan(0.01)
  }
  const south = by(32754)?.fromDegrees([141, -34.7]) ?? [0, 0]
  for (const code of [28354, 7854]) {
    const own = by(code)?.fromDegrees([141, -34.7]) ?? [0, 0]
    expect(Math.hypot(own[0] - south[0], own[1] - south[1])).toBeLessThan(0.01)
  }
  expect(by(25832)?.fromDegrees([9, 45])[0]).toBeCloseTo(500_000, 3)
  expect(by(31977)?.fromDegrees([-81, -10])[0]).toBeCloseTo(500_000, 3)
  expect(by(31973)?.fromDegrees([-69, 5])[0]).toBeCloseTo(500_000, 3)
})

test('degrees stay degrees, and a file that names nothing has no system', () => {
  expect(
    projectionOf({ GTModelTypeGeoKey: 2, GeographicTypeGeoKey: 4326 }, 'h')?.fromDegrees([1, 2]),
  ).toEqual([1, 2])
  expect(projectionOf({ GTModelTypeGeoKey: 2, GeographicTypeGeoKey: 4326 }, 'h')?.unitM).toBeNull()
  expect(projectionOf({}, 'h')).toBeNull()
  expect(() => projectionOf({ GTModelTypeGeoKey: 2, GeographicTypeGeoKey: 4230 }, 'h')).toThrow(Fault)
})
