import { z } from 'zod'
import { idSchema, lockedSchema, nameSchema, point2Schema, type DeepReadonly } from '../../model/object-base'
import { between, ruleMessage } from '../../model/rules'

export const lowestBarrierM = 0.2
export const highestBarrierM = 20
export const thinnestBarrierM = 0.02
export const thickestBarrierM = 5

export const barrierUses = ['fence', 'hedge', 'wall'] as const
export type BarrierUse = (typeof barrierUses)[number]

/** Something long that stands on the ground and lets no light through: a fence, a hedge, a garden wall. */
export const barrierSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('barrier'),
  name: nameSchema,
  locked: lockedSchema,
  use: z.enum(barrierUses),
  /** The line along its middle. */
  points: z
    .array(point2Schema)
    .min(2, ruleMessage('line-ends', { limit: 2 }))
    .max(60, ruleMessage('most-corners', { limit: 60 })),
  heightM: between(lowestBarrierM, highestBarrierM, 'm'),
  thicknessM: between(thinnestBarrierM, thickestBarrierM, 'm'),
})
export type Barrier = DeepReadonly<z.infer<typeof barrierSchema>>

export const barrierVersion = 1
export const barrierMigrations = []

/** What each begins with; heights are to be checked against the garden. */
export const usualBarriers: Readonly<Record<BarrierUse, Pick<Barrier, 'heightM' | 'thicknessM'>>> = {
  fence: { heightM: 1.8, thicknessM: 0.08 },
  hedge: { heightM: 2, thicknessM: 0.8 },
  wall: { heightM: 2, thicknessM: 0.3 },
}
