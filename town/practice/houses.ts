import { placeOf, type LatLon } from '@/core/geometry/geo'
import { containsPoint } from '@/core/geometry/polygon'
import { add2, distance2, rotate2, type Vec2 } from '@/core/geometry/vector'
import { unionOf } from '@/core/kinds/volume/join'
import { seededRandom, seedOf } from '@/core/model/random'
import { toDegrees } from '@/core/model/units'
import { towns, type Town } from '../towns'
import { type Lot, type TownTree } from '../lot'
import { chanceOf, shapesOf, type Chance, type Drawn } from './shapes'

export const practiceKinds = ['pellworth', 'tarrowee', 'valdecorva'] as const
export type PracticeKind = (typeof practiceKinds)[number]
/** Houses of one seed and kind. */
export const housesEach = 64
const columns = 8
const [lotM, rowM] = [25, 44]

/** A house to practise on, with what stands around it. Metres east and north of the house's middle. */
export interface PracticeHouse {
  readonly town: Town
  readonly lot: Lot
  /** The middle of the house: the origin of its frame. */
  readonly origin: LatLon
  readonly around: LatLon
  /** The house and its neighbours. */
  readonly lots: readonly Lot[]
  /** Around all that is under one roof, counter-clockwise. */
  readonly outline: readonly Vec2[]
  /** Height of the ground, m over the sea. */
  readonly groundAt: (p: Vec2) => number
}

/** The same houses for the same seed and kind: streets of eight on both sides, turned somehow, on sloping ground. */
export function practiceHouse(seed: number, kind: PracticeKind, house: number): PracticeHouse {
  const town = towns.find(({ id }) => id === kind)
  if (!town) throw new Error(`no town is called ${kind}`)
  const place = chanceOf(seededRandom(seedOf(`${kind} ${seed}`)))
  const turnRad = place.between(0, 2 * Math.PI)
  const [slope, falls] = [place.between(0, 0.05), place.between(0, 2 * Math.PI)]
  const own = centerOf(house)
  const lots = Array.from({ length: housesEach }, (_, k) => k)
    .filter((k) => distance2(centerOf(k), own) < 2 * rowM)
    .map((k) => makeLot(town, seed, k, own, turnRad))
  const lot = lots.find(({ number }) => number === house + 1)
  if (!lot) throw new Error(`there is no house ${house}`)
  return {
    town,
    lot,
    origin: lot.place,
    around: lot.place,
    lots,
    outline: unionOf(lot.volumes.map(({ outline }) => outline)),
    groundAt: ([x, y]) => town.elevationM + slope * (x * Math.cos(falls) + y * Math.sin(falls)),
  }
}

const centerOf = (k: number): Vec2 => [(k % columns) * lotM, Math.floor(k / columns) * rowM]

function makeLot(town: Town, seed: number, k: number, own: Vec2, turnRad: number): Lot {
  const chance = chanceOf(seededRandom(seedOf(`${town.id} ${seed} ${k}`)))
  const shapes = shapesOf[town.id as PracticeKind]
  const drawn = chance.pick(shapes)(chance)
  const [x, y] = centerOf(k)
  const center = rotate2([x - own[0], y - own[1]], turnRad)
  const put = (p: Vec2): Vec2 => add2(center, rotate2(p, turnRad))
  return {
    address: `Practice ${seed}, house ${k}`,
    street: `Practice ${seed}`,
    number: k + 1,
    center,
    place: placeOf(town, center),
    volumes: drawn.volumes.map((volume) => ({ ...volume, outline: volume.outline.map(put) })),
    dormers: drawn.dormers.map((dormer) => ({ ...dormer, front: put(dormer.front) })),
    chimneys: chimneysOn(chance, drawn, put, toDegrees(turnRad)),
    canopies: [],
    trees: treesOn(chance, drawn, put),
    drive: [],
    roofColour: chance.pick([
      [121, 110, 104],
      [96, 98, 104],
      [139, 116, 98],
    ]),
  }
}

function chimneysOn(
  chance: Chance,
  { volumes, dormers }: Drawn,
  put: (p: Vec2) => Vec2,
  rotationDeg: number,
): Lot['chimneys'] {
  const [house] = volumes
  if (!house || house.flat || dormers.length > 0 || !chance.yes(0.55)) return []
  const xs = house.outline.map(([x]) => x)
  const center: Vec2 = [chance.between(Math.min(...xs) + 2, Math.max(...xs) - 2), chance.between(0.8, 1.6)]
  return [
    {
      center: put(center),
      widthM: chance.between(0.6, 0.9),
      depthM: chance.between(0.6, 1.1),
      heightM: chance.between(0.8, 1.6),
      rotationDeg,
    },
  ]
}

const clearM = 0.5

/** Trees that stand clear of the house and of each other, in the garden and before the house. */
function treesOn(chance: Chance, { volumes }: Drawn, put: (p: Vec2) => Vec2): TownTree[] {
  const trees: (TownTree & { readonly at: Vec2 })[] = []
  const tries = Math.round(chance.between(2, 7))
  for (let i = 0; i < tries; i++) {
    const heightM = chance.between(3.5, 12)
    const crownDiameterM = heightM * chance.between(0.45, 0.75)
    const at: Vec2 = [
      chance.between(-11, 11),
      chance.yes(0.7) ? chance.between(7, 18) : chance.between(-17, -9),
    ]
    const reach = crownDiameterM / 2 + clearM
    const onHouse = volumes.some(
      ({ outline }) =>
        containsPoint(outline, at) ||
        Array.from({ length: 16 }, (_, k): Vec2 => {
          const angle = (k * Math.PI) / 8
          return [at[0] + reach * Math.cos(angle), at[1] + reach * Math.sin(angle)]
        }).some((p) => containsPoint(outline, p)),
    )
    const onTree = trees.some((other) => distance2(other.at, at) < reach + other.crownDiameterM / 2)
    if (onHouse || onTree) continue
    trees.push({
      at,
      name: 'Tree',
      center: put(at),
      heightM,
      crownDiameterM,
      clearStemM: heightM * chance.between(0.2, 0.35),
      foliage: chance.yes(0.7) ? 'broadleaf' : 'evergreen',
    })
  }
  return trees.map(({ at: _at, ...tree }) => tree)
}
