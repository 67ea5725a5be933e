import { type Vec2 } from '../../geometry/vector'
import { emptyGeometry, type Geometry } from '../standing'
import { defaultTree, type Tree } from './tree'

/** Share of the height below the crown. */
const trunkShare = 0.25
/** Sides of the crown's outline in the picture from above. */
const planSides = 14

/** The crown as an ellipsoid: middle height, half height and radius in metres. */
export function crownOf(tree: Pick<Tree, 'heightM' | 'crownDiameterM'>): {
  centerM: number
  halfHeightM: number
  radiusM: number
} {
  const bottom = tree.heightM * trunkShare
  return {
    centerM: (tree.heightM + bottom) / 2,
    halfHeightM: (tree.heightM - bottom) / 2,
    radiusM: tree.crownDiameterM / 2,
  }
}

/** A crown on a thin trunk that reaches into it. */
export function treeGeometry(
  tree: Pick<Tree, 'center' | 'heightM' | 'crownDiameterM' | 'transmissivity'>,
): Geometry {
  const { centerM, halfHeightM, radiusM } = crownOf(tree)
  const [x, y] = tree.center
  return {
    ...emptyGeometry,
    presetM: tree.heightM === defaultTree.heightM ? tree.heightM : null,
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
