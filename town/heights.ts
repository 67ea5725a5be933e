import { localOf, placeOf, type LatLon } from '@/core/geometry/geo'
import { add2, distance2, type Vec2 } from '@/core/geometry/vector'
import { heightsTiff } from '@/core/heights/write-geotiff'
import { unionOf } from '@/core/kinds/volume/join'
import { seedOf } from '@/core/model/random'
import { type Lot } from './lot'
import { surveyed } from './practice/survey'
import { shippedHouses } from './shipped-houses'
import { townMap } from './town-map'
import { type Town } from './towns'

/** How finely the towns were flown over, and how far a height scatters, m. */
const [cellM, noiseM] = [0.25, 0.08]
/** From the place to the side of the raster, m: the house, its neighbours and what shades it. */
const rasterM = 42
/** Lots whose things can lie on the raster or among the outlines around a place, m. */
const reachM = 75

const lotsAround = (town: Town, place: LatLon): readonly Lot[] => {
  const p = localOf(town, place)
  return townMap(town).lots.filter(({ center }) => distance2(center, p) < reachM)
}

/** A GeoTIFF of the heights 42 m around a place; the same for the same place. */
export function heightsAt(town: Town, place: LatLon): Uint8Array {
  const { grid, code, corner } = surveyed(
    { origin: town, around: place, lots: lotsAround(town, place), groundAt: () => town.elevationM },
    {
      cellM,
      noiseM,
      reachM: rasterM,
      seed: seedOf(`${place.latitudeDeg.toFixed(5)} ${place.longitudeDeg.toFixed(5)}`),
    },
  )
  return heightsTiff(grid.heights, grid.columns, grid.rows, code, corner, cellM)
}

/** Of so many houses one is not in the survey of outlines, and one lies beside where it stands: by metres east and north. */
const oneIn = 11
const wrongBy: Vec2 = [0.9, -0.7]

/** What the survey has of a house: nothing where it is newer, or an outline that lies beside it. The shipped ones are known. */
function surveyOf({ address, volumes }: Lot): readonly Vec2[] | null {
  const outline = unionOf(volumes.map((volume) => volume.outline))
  if (address in shippedHouses) return outline
  const chance = seedOf(`survey ${address}`) % oneIn
  if (chance === 4) return null
  return chance === 7 ? outline.map((p) => add2(p, wrongBy)) : outline
}

/** Outlines of the buildings around a place, GeoJSON: some are missing, some lie a little beside the house. */
export const outlinesAt = (town: Town, place: LatLon): object => ({
  type: 'FeatureCollection',
  features: lotsAround(town, place).flatMap((lot) => {
    const outline = surveyOf(lot)
    if (!outline) return []
    const ring = [...outline, ...outline.slice(0, 1)].map((p) => {
      const { latitudeDeg, longitudeDeg } = placeOf(town, p)
      return [longitudeDeg, latitudeDeg]
    })
    return {
      type: 'Feature',
      properties: { name: lot.address },
      geometry: { type: 'Polygon', coordinates: [ring] },
    }
  }),
})
