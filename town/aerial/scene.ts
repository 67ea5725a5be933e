import { containsPoint, nearestOnSegment } from '@/core/geometry/polygon'
import { rotate2, type Vec2 } from '@/core/geometry/vector'
import { seededRandom, seedOf } from '@/core/model/random'
import { planOf, type RoofPlane } from '@/core/roof/plane'
import { planesOver } from '../lot-planes'
import { type Lot, type TownTree } from '../lot'
import { gardenM, lotHalfM } from '../lot-lines'
import { type TownMap } from '../town-map'

export interface Car {
  readonly at: Vec2
  /** Counter-clockwise from east. */
  readonly turnRad: number
  readonly colour: readonly [number, number, number]
}

/** A lot as it is painted. */
export interface PaintedLot {
  readonly lot: Lot
  readonly planes: readonly { readonly plane: RoofPlane; readonly plan: readonly Vec2[] }[]
  readonly shrubs: readonly TownTree[]
  readonly cars: readonly Car[]
  readonly fences: readonly (readonly [Vec2, Vec2])[]
}

const scenes = new WeakMap<TownMap, readonly PaintedLot[]>()

/** The lots of a town with what a picture shows besides: shrubs, cars, fences. */
export function paintedLots(map: TownMap): readonly PaintedLot[] {
  const known = scenes.get(map)
  if (known) return known
  const painted = map.lots.map((lot) => paintedLot(map, lot))
  scenes.set(map, painted)
  return painted
}

const carColours = [
  [214, 216, 218],
  [58, 62, 68],
  [126, 40, 38],
  [52, 78, 112],
  [168, 170, 168],
] as const

function paintedLot(map: TownMap, lot: Lot): PaintedLot {
  const random = seededRandom(seedOf(`painted ${lot.address}`))
  const between = (low: number, high: number) => low + (high - low) * random()
  const planes = planesOver(lot).map((plane) => ({ plane, plan: planOf(plane.corners) }))
  const outlines = [...lot.volumes.map(({ outline }) => outline), lot.drive]
  const clear = (p: Vec2, room: number) =>
    outlines.every(
      (outline) =>
        !containsPoint(outline, p) &&
        outline.every(
          (a, i) => nearestOnSegment(a, outline[(i + 1) % outline.length] ?? a, p).distanceM > room,
        ),
    )
  const away = awayFromStreet(map, lot)
  const side: Vec2 = [-away[1], away[0]]
  const at = (across: number, back: number): Vec2 => [
    lot.center[0] + side[0] * across + away[0] * back,
    lot.center[1] + side[1] * across + away[1] * back,
  ]
  const shrubs = Array.from({ length: 4 + Math.floor(random() * 5) }, (): TownTree => {
    const wide = between(0.9, 2)
    return {
      name: 'Shrub',
      center: at(between(-11, 11), between(-8, 18)),
      heightM: wide * 0.8,
      crownDiameterM: wide,
      clearStemM: 0,
      foliage: 'evergreen',
    }
  }).filter(({ center, crownDiameterM }) => clear(center, crownDiameterM / 2 + 0.3))
  const [a, b, c] = lot.drive
  const cars: Car[] =
    a && b && c && random() < 0.7
      ? [
          {
            at: [(a[0] + c[0]) / 2, (a[1] + c[1]) / 2],
            turnRad: Math.atan2(c[1] - b[1], c[0] - b[0]),
            colour: carColours[Math.floor(random() * carColours.length)] ?? carColours[0],
          },
        ]
      : []
  return {
    lot,
    planes,
    shrubs,
    cars,
    fences: [
      [at(-lotHalfM, -6), at(-lotHalfM, gardenM)],
      [at(-lotHalfM, gardenM), at(lotHalfM, gardenM)],
    ],
  }
}

function awayFromStreet(map: TownMap, lot: Lot): Vec2 {
  const street = map.streets.find(({ name }) => name === lot.street)
  const up = rotate2([0, 1], map.turnRad)
  if (!street) return up
  const from = nearestOnSegment(street.from, street.to, lot.center).point
  const side = (lot.center[0] - from[0]) * up[0] + (lot.center[1] - from[1]) * up[1]
  return side < 0 ? [-up[0], -up[1]] : up
}
