import { z } from 'zod'
import { idSchema, nameSchema, point2Schema, type ObjectBase, type ObjectKind } from '../object-kind'

/** A tree with a round crown that lets part of the light through. */
export interface Tree extends ObjectBase {
  readonly kind: 'tree'
  readonly name: string
  readonly center: readonly [number, number]
  /** Ground to top. */
  readonly heightM: number
  readonly crownDiameterM: number
  /** Share of the beam that passes the crown, for January to December. */
  readonly transmissivity: readonly number[]
}

export const treeIdPrefix = 'tree'

export const treeKind: ObjectKind<Tree> = {
  kind: 'tree',
  document: 'house',
  schema: z.strictObject({
    id: idSchema,
    kind: z.literal('tree'),
    name: nameSchema,
    center: point2Schema,
    heightM: z.number().min(0.5, 'at least 0.5 m').max(60, 'at most 60 m'),
    crownDiameterM: z.number().min(0.3, 'at least 0.3 m').max(40, 'at most 40 m'),
    transmissivity: z.array(z.number().min(0).max(1)).length(12),
  }),
  version: 1,
  migrations: [],
}

const leafOn = 0.2
const leafOff = 0.6

/**
 * Monthly transmissivity of a broad-leaved crown: 0.2 in leaf, 0.6 bare (Konarska et al. 2014, Theor. Appl.
 * Climatol. 117, measured 0.01-0.05 foliated and 0.4-0.5 bare trunks and crowns in winter; crowns in gardens are
 * thinner than street trees, so both are set higher). In leaf from May to October north of the equator.
 */
export function broadleafTransmissivity(latitudeDeg: number): number[] {
  return Array.from({ length: 12 }, (_, month) => {
    const northMonth = latitudeDeg >= 0 ? month : (month + 6) % 12
    return northMonth >= 4 && northMonth <= 9 ? leafOn : leafOff
  })
}

export const defaultTree = { kind: 'tree', name: 'Tree', heightM: 8, crownDiameterM: 5 } as const

/** Share of the height below the crown. */
const trunkShare = 0.25

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
