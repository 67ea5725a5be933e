import { localOf, placeOf, type LatLon } from '@/core/geometry/geo'
import { distance2 } from '@/core/geometry/vector'
import { heightsTiff } from '@/core/heights/write-geotiff'
import { unionOf } from '@/core/kinds/volume/join'
import { seedOf } from '@/core/model/random'
import { type Lot } from './lot'
import { surveyed } from './practice/survey'
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

/** Outlines of the buildings around a place, GeoJSON. */
export const outlinesAt = (town: Town, place: LatLon): object => ({
  type: 'FeatureCollection',
  features: lotsAround(town, place).map(({ address, volumes }) => {
    const outline = unionOf(volumes.map((volume) => volume.outline))
    const ring = [...outline, ...outline.slice(0, 1)].map((p) => {
      const { latitudeDeg, longitudeDeg } = placeOf(town, p)
      return [longitudeDeg, latitudeDeg]
    })
    return {
      type: 'Feature',
      properties: { name: address },
      geometry: { type: 'Polygon', coordinates: [ring] },
    }
  }),
})
