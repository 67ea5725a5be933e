import { type PlaceName, type Places } from '@/core/cables/cable-plan'
import { nearestWall, wallsIn, type Wall } from '@/core/cables/house-lines'
import { placeFields } from '@/core/cables/place-fields'
import { sub2, unit2, type Vec2 } from '@/core/geometry/vector'
import { theOne, type Objects } from '@/core/kinds/documents'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { siteId } from '@/core/kinds/site/site'
import { highestPlaceM, usualPlaceM, type WallPlace } from '@/core/model/wall-place'
import { type Site } from '@/core/site/site'
import { houseId } from '../store/documents'
import { type PointerInput } from '../tools/chart'

/** A hand that points to roof or ground means a wall so near to it, m. */
const besideM = 2.5
/** What a hand sees on a wall is no further from it, m. */
const onM = 0.1
/** A device is no lower than this and no nearer to the end of its wall, m. */
const lowestM = 0.2
const fromCornerM = 0.15
/** What a device needs of a wall, m. */
const roomM = 1

export function placesOf(house: Objects, option: Objects): Places {
  const { inverterAt, batteryAt, cablesDownAt } = theOne(option, 'electrical', electricalId)
  return {
    inverter: inverterAt,
    battery: batteryAt,
    loadCentre: theOne(house, 'site', siteId).loadCentreAt,
    cablesDown: cablesDownAt,
  }
}

/** The document, object and field of a place. */
export function targetOf(name: PlaceName, optionId: string) {
  const [objectId, field] = placeFields[name]
  return { documentId: name === 'loadCentre' ? houseId : optionId, objectId, field }
}

/** What is to be placed, in the order that it is asked for. */
export const wantedPlaces = (isMicro: boolean, hasBattery: boolean): PlaceName[] => [
  ...(isMicro ? [] : (['inverter'] as const)),
  'loadCentre',
  ...(hasBattery ? (['battery'] as const) : []),
]

const rounded = ([x, y]: Vec2): Vec2 => [Number(x.toFixed(3)), Number(y.toFixed(3))]

const topOf = ({ topA, topB }: Wall, along: number): number => topA + (topB - topA) * along

/** A place within its wall. */
function within(
  near: NonNullable<ReturnType<typeof nearestWall>>,
  heightM: number,
): { readonly at: Vec2; readonly heightM: number } {
  const top = Math.min(highestPlaceM, topOf(near.wall, near.along))
  const height = Math.min(top, Math.max(Math.min(lowestM, top), heightM))
  return { at: rounded(near.point), heightM: Number(height.toFixed(2)) }
}

/** The wall that a hand points at, or stands beside; null where there is none. @param heightM where the hand says none */
export function placeUnder(
  site: Site,
  { hit, at }: Pick<PointerInput, 'hit' | 'at'>,
  heightM = usualPlaceM,
): WallPlace | null {
  const near = nearestWall(wallsIn(site), hit ? [hit.point[0], hit.point[1]] : at)
  if (!near || near.distanceM > besideM) return null
  const isOn = hit?.kind === 'object' && near.distanceM < onM
  return within(near, isOn ? hit.point[2] : heightM)
}

/** In the middle of the wall nearest to the modules, or beside what hangs there already; null without walls. */
export function usualPlace(site: Site, taken: readonly WallPlace[]): WallPlace | null {
  const walls = wallsIn(site)
  const [first] = taken
  const beside = first && placeMoved(site, first, 1, 0)
  if (beside) return beside
  const corners = site.arrays.flatMap(({ panels }) => panels.flatMap((panel) => panel.corners))
  const count = Math.max(1, corners.length)
  const middle = corners.reduce<Vec2>((sum, [x, y]) => [sum[0] + x / count, sum[1] + y / count], [0, 0])
  const middleOf = ({ a, b }: Wall): Vec2 => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]
  const [nearest] = walls
    .filter(({ a, b }) => apart(a, b) > roomM)
    .toSorted((one, other) => apart(middleOf(one), middle) - apart(middleOf(other), middle))
  const near = nearest && nearestWall([nearest], middleOf(nearest))
  return near ? within(near, usualPlaceM) : null
}

/**
 * A place moved along its wall, to the right as one stands before it, and up; past the end of the wall it goes around the
 * corner. Null without walls.
 */
export function placeMoved(
  site: Site,
  { at, heightM }: WallPlace,
  byM: number,
  upM: number,
): WallPlace | null {
  const walls = wallsIn(site)
  const near = nearestWall(walls, at)
  if (!near) return null
  const { wall, point } = near
  const length = Math.hypot(wall.b[0] - wall.a[0], wall.b[1] - wall.a[1])
  const right = unit2(sub2(wall.b, wall.a))
  const along = near.along * length + byM
  // At the end of the wall the next one of the same house begins.
  const past = byM > 0 ? along > length : byM < 0 && along < 0
  const next =
    past &&
    walls.find(
      ({ objectId, a, b }) =>
        objectId === wall.objectId && (byM > 0 ? apart(a, wall.b) : apart(b, wall.a)) < 0.02,
    )
  const moved: Vec2 = next ? insideOf(next, byM > 0) : [point[0] + right[0] * byM, point[1] + right[1] * byM]
  const found = nearestWall([next || wall], moved)
  return found && within(found, heightM + upM)
}

const apart = (a: Vec2, b: Vec2): number => Math.hypot(a[0] - b[0], a[1] - b[1])

/** Just past the beginning of a wall, or just before its end. */
function insideOf({ a, b }: Wall, fromStart: boolean): Vec2 {
  const way = unit2(sub2(b, a))
  const [from, sign] = fromStart ? [a, 1] : [b, -1]
  return [from[0] + way[0] * fromCornerM * sign, from[1] + way[1] * fromCornerM * sign]
}

/** The way that the wall of a place looks, degrees from north; null without walls. */
export function sideLooked(site: Site, { at }: WallPlace): number | null {
  const near = nearestWall(wallsIn(site), at)
  if (!near) return null
  const [x, y] = sub2(near.wall.b, near.wall.a)
  // The outline runs with the house to its left.
  return ((Math.atan2(y, -x) * 180) / Math.PI + 360) % 360
}
