import { z } from 'zod'
import { idSchema, nameSchema, point2Schema, shareSchema, type DeepReadonly } from '../../model/object-base'
import { between, ruleMessage } from '../../model/rules'

export const lowestTreeM = 0.5
export const highestTreeM = 60
export const narrowestCrownM = 0.3
export const widestCrownM = 40

/** A tree with a round crown that lets part of the light through. */
export const treeSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('tree'),
  name: nameSchema,
  center: point2Schema,
  /** Ground to top. */
  heightM: between(lowestTreeM, highestTreeM, 'm'),
  crownDiameterM: between(narrowestCrownM, widestCrownM, 'm'),
  /** Share of the beam that passes the crown, for January to December. */
  transmissivity: z.array(shareSchema).length(12, ruleMessage('twelve-months')),
})
export type Tree = DeepReadonly<z.infer<typeof treeSchema>>

export const treeVersion = 1
export const treeMigrations = []

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
