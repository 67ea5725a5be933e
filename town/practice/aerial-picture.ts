import { PNG } from 'pngjs'
import { tileAt, tileCorner } from '@/core/geometry/geo'
import { paintTile, tileSize } from '../tile-painter'
import { type TownMap } from '../town-map'
import { type PracticeHouse } from './houses'

/** About 5 cm a point at these latitudes. */
const zoom = 20
/** Tiles to each side of the one that the house stands in. */
const reach = 1

/** A house from above: nine tiles around it as one PNG, and the degrees of its edges. */
export function aerialPicture({ town, lot, lots }: PracticeHouse) {
  const map: TownMap = { town, turnRad: 0, streets: [], lots }
  const middle = tileAt(lot.place, zoom)
  const side = (2 * reach + 1) * tileSize
  const whole = new PNG({ width: side, height: side })
  for (let dy = -reach; dy <= reach; dy++)
    for (let dx = -reach; dx <= reach; dx++) {
      const tile = PNG.sync.read(paintTile(map, { z: zoom, x: middle.x + dx, y: middle.y + dy }))
      PNG.bitblt(tile, whole, 0, 0, tileSize, tileSize, (dx + reach) * tileSize, (dy + reach) * tileSize)
    }
  const north = tileCorner({ z: zoom, x: middle.x - reach, y: middle.y - reach })
  const south = tileCorner({ z: zoom, x: middle.x + reach + 1, y: middle.y + reach + 1 })
  return {
    picture: PNG.sync.write(whole),
    bounds: {
      west: north.longitudeDeg,
      north: north.latitudeDeg,
      east: south.longitudeDeg,
      south: south.latitudeDeg,
    },
  }
}
