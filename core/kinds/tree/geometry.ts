import { type Vec2 } from '../../geometry/vector'
import { emptyGeometry, type Geometry } from '../standing'
import { usualTrees, type Tree } from './tree'

/** The crown has this share of the height at least. */
const leastCrownShare = 0.1
/** Sides of the crown's outline in the picture from above. */
const planSides = 14

/** The crown as an ellipsoid: middle height, half height and radius in metres. */
export function crownOf(tree: Pick<Tree, 'heightM' | 'crownDiameterM' | 'clearStemM'>): {
  centerM: number
  halfHeightM: number
  radiusM: number
} {
  const bottom = Math.min(tree.clearStemM, tree.heightM * (1 - leastCrownShare))
  return {
    centerM: (tree.heightM + bottom) / 2,
    halfHeightM: (tree.heightM - bottom) / 2,
    radiusM: tree.crownDiameterM / 2,
  }
}

/** A crown on a thin trunk that reaches into it. */
export function treeGeometry(tree: Omit<Tree, 'id' | 'name' | 'kind'>): Geometry {
  const { centerM, halfHeightM, radiusM } = crownOf(tree)
  const [x, y] = tree.center
  return {
    ...emptyGeometry,
    presetM: tree.heightM === usualTrees[tree.foliage].heightM ? tree.heightM : null,
    crowns: [
      {
        kind: 'crown',
        center: [x, y, centerM],
        crownRadiusM: radiusM,
        halfHeightM,
        transmissivity: tree.transmissivity,
        radiusM: Math.max(radiusM, halfHeightM),
      },
    ],
    poles: [
      {
        at: tree.center,
        topM: centerM - halfHeightM + halfHeightM * 0.7,
        bottomRadiusM: 0.012 * radiusM + 0.1,
        topRadiusM: 0.008 * radiusM + 0.06,
      },
    ],
    plan: [
      {
        points: Array.from({ length: planSides }, (_, k): Vec2 => {
          const a = (2 * Math.PI * k) / planSides
          return [x + radiusM * Math.cos(a), y + radiusM * Math.sin(a)]
        }),
        tone: 'tree',
      },
    ],
    topM: tree.heightM,
  }
}
