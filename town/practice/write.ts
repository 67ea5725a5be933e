import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { placeOf } from '@/core/geometry/geo'
import { heightsTiff } from '@/core/heights/write-geotiff'
import { aerialPicture } from './aerial-picture'
import { practiceHouse, type PracticeKind } from './houses'
import { surveyed, type Flight } from './survey'
import { truthOf } from './truth'

/** Which house, and how it is flown over. */
export interface PracticeOrder extends Flight {
  readonly kind: PracticeKind
  readonly house: number
}

/** Writes what one would be given of a house, and what is true of it: four files into a folder. @returns their paths */
export async function writePractice(order: PracticeOrder, folder: string) {
  const place = practiceHouse(order.seed, order.kind, order.house)
  const { grid, code, corner } = surveyed(place, { ...order, seed: order.seed * 1000 + order.house })
  const ring = [...place.outline, ...place.outline.slice(0, 1)].map((p) => {
    const { latitudeDeg, longitudeDeg } = placeOf(place.lot.place, p)
    return [longitudeDeg, latitudeDeg]
  })
  const outline = {
    type: 'FeatureCollection',
    features: [
      {
        type: 'Feature',
        properties: { name: place.lot.address },
        geometry: { type: 'Polygon', coordinates: [ring] },
      },
    ],
  }
  const { picture, bounds } = aerialPicture(place)
  mkdirSync(folder, { recursive: true })
  const files = {
    heights: join(folder, 'heights.tif'),
    outline: join(folder, 'outline.geojson'),
    aerial: join(folder, 'aerial.png'),
    truth: join(folder, 'truth.json'),
  }
  writeFileSync(files.heights, heightsTiff(grid.heights, grid.columns, grid.rows, code, corner, order.cellM))
  writeFileSync(files.outline, JSON.stringify(outline))
  writeFileSync(files.aerial, picture)
  writeFileSync(files.truth, JSON.stringify({ ...truthOf(place), aerial: bounds }, null, 1))
  return files
}
