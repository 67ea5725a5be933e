import { usualCanopies } from '@/core/kinds/canopy/canopy'
import { type Vec2 } from '@/core/geometry/vector'
import { type RoofEdge } from '@/core/kinds/volume/volume'
import { toDegrees } from '@/core/model/units'
import { type Lot } from './lot'

/** A house in the frame of its lot, with the street to the south, where `put` brings it. */
type House = (
  put: (p: Vec2) => Vec2,
  turnRad: number,
) => Pick<Lot, 'volumes' | 'chimneys' | 'dormers' | 'canopies' | 'trees'>

const gable: RoofEdge = { gable: true }

const box = ([x, y]: Vec2, [width, depth]: Vec2): Vec2[] => [
  [x - width / 2, y - depth / 2],
  [x + width / 2, y - depth / 2],
  [x + width / 2, y + depth / 2],
  [x - width / 2, y + depth / 2],
]

const inDegrees = (turnRad: number) => Math.round(toDegrees(turnRad) * 10) / 10

/** A gabled bar with a cross wing to the garden, a shed dormer, a chimney, two oaks. */
const saltmarsh14: House = (put) => {
  const outline: Vec2[] = [
    [-7.2, -4],
    [7.2, -4],
    [7.2, 4],
    [6.2, 4],
    [6.2, 8.6],
    [0.8, 8.6],
    [0.8, 4],
    [-7.2, 4],
  ]
  const pitched: RoofEdge = { pitchDeg: 34 }
  return {
    volumes: [
      {
        name: 'House',
        outline: outline.map(put),
        edges: [pitched, gable, pitched, pitched, gable, pitched, pitched, gable],
        eaveHeightM: 3.4,
        flat: null,
      },
    ],
    dormers: [
      {
        name: 'Shed dormer',
        form: 'shed',
        front: put([-2.6, -3.3]),
        widthM: 4,
        wallHeightM: 1.48,
        pitchDeg: 8,
        clearanceM: 0.3,
      },
    ],
    canopies: [],
    chimneys: [{ center: put([-0.2, 0.9]), widthM: 0.75, depthM: 0.95, heightM: 1.35 }],
    trees: [
      {
        name: 'Oak, garden',
        center: put([-3.4, 16.2]),
        heightM: 11,
        crownDiameterM: 8,
        clearStemM: 2.75,
        foliage: 'broadleaf',
      },
      {
        name: 'Oak, west fence',
        center: put([11.4, 12.4]),
        heightM: 9.5,
        crownDiameterM: 6.8,
        clearStemM: 2.375,
        foliage: 'broadleaf',
      },
    ],
  }
}

/** A low hipped bungalow, a pergola on its garden side towards the sun, a gum tree. */
const quandong9: House = (put, turnRad) => {
  const outline: Vec2[] = [
    [-7, -4.2],
    [2.6, -4.2],
    [2.6, -6],
    [7, -6],
    [7, 4.2],
    [-7, 4.2],
  ]
  return {
    volumes: [
      {
        name: 'Bungalow',
        outline: outline.map(put),
        edges: outline.map(() => ({ pitchDeg: 22.5 })),
        eaveHeightM: 2.6,
        flat: null,
      },
    ],
    dormers: [],
    canopies: [
      {
        name: 'Pergola',
        use: 'pergola',
        ...usualCanopies.pergola,
        center: put([2.4, 6.3]),
        widthM: 5.4,
        depthM: 3.8,
        rotationDeg: inDegrees(turnRad),
      },
    ],
    chimneys: [],
    trees: [
      {
        name: 'Gum tree',
        center: put([-8.6, 11.4]),
        heightM: 13,
        crownDiameterM: 9,
        clearStemM: 5,
        foliage: 'evergreen',
      },
    ],
  }
}

/** A flat roof with a parapet, a stair house that comes out of it, a carport over the drive, an olive. */
const olmo11: House = (put, turnRad) => ({
  volumes: [
    {
      name: 'House',
      outline: box([-0.5, 0.5], [11.6, 9]).map(put),
      edges: Array.from({ length: 4 }, () => ({ pitchDeg: 10 })),
      eaveHeightM: 6.2,
      flat: { parapetM: 0.6 },
    },
    {
      name: 'Stair house',
      outline: box([3, 2.9], [3.2, 3]).map(put),
      edges: Array.from({ length: 4 }, () => ({ pitchDeg: 10 })),
      eaveHeightM: 8.7,
      flat: { parapetM: 0.15 },
    },
  ],
  dormers: [],
  canopies: [
    {
      name: 'Carport',
      use: 'carport',
      ...usualCanopies.carport,
      center: put([8.6, -7]),
      widthM: 5.4,
      depthM: 5.8,
      rotationDeg: inDegrees(turnRad),
    },
  ],
  chimneys: [],
  trees: [
    {
      name: 'Olive',
      center: put([-9.4, -8.2]),
      heightM: 4.6,
      crownDiameterM: 4.2,
      clearStemM: 1.4,
      foliage: 'evergreen',
    },
  ],
})

/** The houses of the shipped jobs, by their addresses; those of the other lots are made up on the spot. */
export const shippedHouses: Readonly<Record<string, House>> = {
  '14 Saltmarsh Road': saltmarsh14,
  '9 Quandong Street': quandong9,
  'Calle del Olmo 11': olmo11,
}
