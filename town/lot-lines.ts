import { localOf, placeOf, type LatLon } from '@/core/geometry/geo'
import { distance2, rotate2, type Vec2 } from '@/core/geometry/vector'
import { seedOf } from '@/core/model/random'
import { type Lot } from './lot'
import { shippedHouses } from './shipped-houses'
import { townMap, type TownMap } from './town-map'
import { type Town } from './towns'

/** From the middle of a lot to its sides and to its end away from the street, m. */
export const lotHalfM = 12.5
export const gardenM = 20

/** From the kerb to the pavement and across it, m. */
export const [vergeM, pavementM] = [1.3, 1.4]

/** Lots farther than this from a place are not told of, m. */
const reachM = 60
/** Neighbours on a street stand nearer to each other than this, m. */
const besideM = 32

/**
 * The legal lines of a lot, counter-clockwise: from the pavement to the fence behind the garden, and between its own fence
 * and the one of whoever lives on the other side.
 */
export function lotLinesOf(map: TownMap, lot: Lot): Vec2[] {
  const local = (p: Vec2) => rotate2(p, -map.turnRad)
  const street = map.streets.find(({ name }) => name === lot.street)
  if (!street) return []
  const [, streetY] = local(street.from)
  const [x, y] = local(lot.center)
  const side = Math.sign(y - streetY)
  const front = streetY + side * (street.widthM / 2 + vergeM + pavementM)
  const back = y + side * gardenM
  // Its own fence is on the side to the right of who looks from the street.
  const own = x + side * lotHalfM
  const beside = map.lots
    .filter((other) => other.street === lot.street && Math.sign(local(other.center)[1] - streetY) === side)
    .map((other) => local(other.center)[0])
    .find((other) => (x - other) * side > 0 && Math.abs(x - other) < besideM)
  const other = beside === undefined ? x - side * lotHalfM : beside + side * lotHalfM
  const [west, east] = [Math.min(own, other), Math.max(own, other)]
  const [south, north] = [Math.min(front, back), Math.max(front, back)]
  const corners: Vec2[] = [
    [west, south],
    [east, south],
    [east, north],
    [west, north],
  ]
  return corners.map((p) => rotate2(p, map.turnRad))
}

/** Of so many lots one is not in the survey. */
const oneIn = 13

const isSurveyed = ({ address }: Lot) => address in shippedHouses || seedOf(`lot ${address}`) % oneIn !== 5

/** Lots around a place, GeoJSON; some are missing. */
export function lotsAt(town: Town, place: LatLon): object {
  const map = townMap(town)
  const p = localOf(town, place)
  return {
    type: 'FeatureCollection',
    features: map.lots
      .filter((lot) => distance2(lot.center, p) < reachM && isSurveyed(lot))
      .map((lot) => {
        const outline = lotLinesOf(map, lot)
        const ring = [...outline, ...outline.slice(0, 1)].map((corner) => {
          const { latitudeDeg, longitudeDeg } = placeOf(town, corner)
          return [longitudeDeg, latitudeDeg]
        })
        return {
          type: 'Feature',
          properties: { name: lot.address },
          geometry: { type: 'Polygon', coordinates: [ring] },
        }
      }),
  }
}
