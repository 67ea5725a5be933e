import { placeOf } from '@/core/geometry/geo'
import { add2, rotate2, type Vec2 } from '@/core/geometry/vector'
import { type RoofEdge } from '@/core/kinds/volume/volume'
import { seededRandom, seedOf } from '@/core/model/random'
import { toRadians } from '@/core/model/units'
import { type Lot, type TownTree } from './lot'
import { shippedHouses } from './shipped-houses'
import { type Town } from './towns'

export interface TownMap {
  readonly town: Town
  readonly turnRad: number
  readonly streets: readonly {
    readonly name: string
    readonly from: Vec2
    readonly to: Vec2
    readonly widthM: number
  }[]
  readonly lots: readonly Lot[]
}

const streetGapM = 88
const lotWidthM = 25
const halfLengthM = 200
const frontM = 19
const crossStreetM = 75

const roofColours = [
  [121, 110, 104],
  [96, 98, 104],
  [139, 116, 98],
  [110, 88, 80],
  [126, 126, 122],
] as const

const maps = new Map<string, TownMap>()

/** The same town every time: streets in parallel, lots on both sides, a house, a drive and some trees on each. */
export function townMap(town: Town): TownMap {
  const known = maps.get(town.id)
  if (known) return known
  const turnRad = toRadians(town.streetsTurnDeg)
  const place = (p: Vec2) => rotate2(p, turnRad)
  const streets = [
    ...town.streets.map((name, i) => {
      const y = (i - 2) * streetGapM
      return { name, from: place([-halfLengthM - 40, y]), to: place([halfLengthM + 40, y]), widthM: 7.5 }
    }),
    ...town.crossStreets.map((name, i) => {
      const x = [-halfLengthM - 12, crossStreetM, halfLengthM + 12][i] ?? 0
      return { name, from: place([x, -2.6 * streetGapM]), to: place([x, 2.6 * streetGapM]), widthM: 8.5 }
    }),
  ]
  const lots: Lot[] = []
  town.streets.forEach((street, s) => {
    for (const side of [1, -1] as const)
      for (let k = 0; k < 15; k++) {
        const x = (k - 7) * lotWidthM
        // The middle cross street takes the lots it runs through.
        if (x === crossStreetM) continue
        const number = 2 * (x < crossStreetM ? k + 1 : k) + (side === 1 ? -1 : 0)
        lots.push(makeLot(town, street, number, [x, (s - 2) * streetGapM + side * frontM], side, turnRad))
      }
  })
  const map = { town, turnRad, streets, lots }
  maps.set(town.id, map)
  return map
}

const addressOf = (town: Town, street: string, number: number) =>
  town.numberFirst ? `${number} ${street}` : `${street} ${number}`

function makeLot(town: Town, street: string, number: number, at: Vec2, side: 1 | -1, turnRad: number): Lot {
  const random = seededRandom(seedOf(`${town.id}/${street}/${number}`))
  const between = (low: number, high: number) => low + (high - low) * random()
  const address = addressOf(town, street, number)
  const place = (p: Vec2) => rotate2(p, turnRad)
  const local: Vec2 = [at[0] + between(-1.5, 1.5), at[1] + side * between(-1, 2.5)]
  const center = place(local)
  // Drawn with the street to the south; turned round on the other side of it.
  const put = ([x, y]: Vec2): Vec2 => add2(center, rotate2([x, y], turnRad + (side === -1 ? Math.PI : 0)))
  const base = {
    address,
    street,
    number,
    center,
    place: placeOf(town, center),
    roofColour: roofColours[Math.floor(random() * roofColours.length)] ?? roofColours[0],
    drive: (
      [
        [6.5, -frontM + 3.5],
        [9.5, -frontM + 3.5],
        [9.5, -1],
        [6.5, -1],
      ] as Vec2[]
    ).map(put),
  }
  const shipped = shippedHouses[address]
  if (shipped) return { ...base, ...shipped(put, turnRad) }
  const pitch = Math.round(between(22, 38))
  const [width, depth] = [between(10.5, 14), between(7.2, 8.8)]
  const shape = Math.floor(random() * 4)
  const wing = between(4.4, 5.4)
  const out = between(2.5, 4)
  const [w, d] = [width / 2, depth / 2]
  const pitched = (n: number): RoofEdge[] => Array.from({ length: n }, () => ({ pitchDeg: pitch }))
  const gabled = (n: number, ...at_: number[]): RoofEdge[] =>
    pitched(n).map((edge, i) => (at_.includes(i) ? { gable: true } : edge))
  const corners: Vec2[] =
    shape < 2
      ? [
          [-w, -d],
          [w, -d],
          [w, d],
          [-w, d],
        ]
      : shape === 2
        ? [
            [-w, -d],
            [w - wing, -d],
            [w - wing, -d - out],
            [w, -d - out],
            [w, d],
            [-w, d],
          ]
        : [
            [-w, -d],
            [-w + 1.5, -d],
            [-w + 1.5, -d - out],
            [-w + 1.5 + wing, -d - out],
            [-w + 1.5 + wing, -d],
            [w, -d],
            [w, d],
            [-w, d],
          ]
  const edges =
    [pitched(4), gabled(4, 1, 3), pitched(6), gabled(8, 2, 5, 7)][shape] ?? pitched(corners.length)
  const trees = Array.from({ length: 1 + Math.floor(random() * 3) }, (): TownTree => {
    const height = between(5, 11)
    return {
      name: 'Tree',
      center: put([between(-11, 11), random() < 0.6 ? between(8, 20) : between(-11.5, -9)]),
      heightM: height,
      crownDiameterM: height * between(0.55, 0.75),
      clearStemM: height / 4,
      foliage: 'broadleaf',
    }
  })
  return {
    ...base,
    volumes: [
      {
        name: 'House',
        outline: corners.map(put),
        edges,
        eaveHeightM: Math.round(between(2.7, 5.4) * 10) / 10,
        flat: null,
      },
    ],
    dormers: [],
    canopies: [],
    chimneys:
      random() < 0.6
        ? [{ center: put([between(-w / 2, w / 2), 0.4]), widthM: 0.6, depthM: 0.8, heightM: 1 }]
        : [],
    trees,
  }
}
