import { z } from 'zod'
import { idSchema, lockedSchema, nameSchema, point2Schema, type DeepReadonly } from '../../model/object-base'
import { between } from '../../model/rules'

export const shortestCanopyM = 1
export const longestCanopyM = 40
export const lowestCanopyM = 1
export const highestCanopyM = 12
export const steepestCanopyDeg = 45

export const canopyUses = ['carport', 'pergola'] as const
export type CanopyUse = (typeof canopyUses)[number]

/** A roof on posts, open at its sides: a carport or a pergola. Modules can lie on its leaves. */
export const canopySchema = z.strictObject({
  id: idSchema,
  kind: z.literal('canopy'),
  name: nameSchema,
  locked: lockedSchema,
  use: z.enum(canopyUses),
  /** One leaf that rises from the first side, or two that meet in a ridge over the middle. */
  leaves: z.enum(['one', 'two']),
  /** A closed roof, or slats that light falls between. */
  cover: z.enum(['closed', 'slats']),
  center: point2Schema,
  /** Along the eave. */
  widthM: between(shortestCanopyM, longestCanopyM, 'm'),
  /** Across the eave, in plan. */
  depthM: between(shortestCanopyM, longestCanopyM, 'm'),
  /** Direction of the width, counter-clockwise from east; the first side is on the right of it. */
  rotationDeg: between(-360, 360, 'deg'),
  /** Of the upper side of the leaf over its lowest edge. */
  eaveHeightM: between(lowestCanopyM, highestCanopyM, 'm'),
  pitchDeg: between(0, steepestCanopyDeg, 'deg'),
})
export type Canopy = DeepReadonly<z.infer<typeof canopySchema>>

export const canopyVersion = 1
export const canopyMigrations = []

type Measures = 'leaves' | 'cover' | 'widthM' | 'depthM' | 'eaveHeightM' | 'pitchDeg'

/** What each begins with; heights are to be checked against the house. */
export const usualCanopies: Readonly<Record<CanopyUse, Pick<Canopy, Measures>>> = {
  carport: { leaves: 'one', cover: 'closed', widthM: 6, depthM: 5.5, eaveHeightM: 2.4, pitchDeg: 5 },
  pergola: { leaves: 'one', cover: 'slats', widthM: 4, depthM: 3, eaveHeightM: 2.5, pitchDeg: 0 },
}
