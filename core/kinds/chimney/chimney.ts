import { z } from 'zod'
import { idSchema, lockedSchema, nameSchema, point2Schema, type DeepReadonly } from '../../model/object-base'
import { between } from '../../model/rules'

export const lowestChimneyM = 0.05
export const highestChimneyM = 20
export const widestChimneyM = 20

/** A box that stands on the roof. */
export const chimneySchema = z.strictObject({
  id: idSchema,
  kind: z.literal('chimney'),
  name: nameSchema,
  locked: lockedSchema,
  /** Middle of the base in plan. */
  center: point2Schema,
  widthM: between(0.05, widestChimneyM, 'm'),
  depthM: between(0.05, widestChimneyM, 'm'),
  /** Turn of the width's direction, counter-clockwise from east. */
  rotationDeg: between(-360, 360, 'deg'),
  /** Height of the top over the roof at the middle of the base. */
  heightM: between(lowestChimneyM, highestChimneyM, 'm'),
  /** Free strip kept around it when modules are laid. */
  clearanceM: between(0, 5, 'm'),
})
export type Chimney = DeepReadonly<z.infer<typeof chimneySchema>>

export const chimneyVersion = 1
export const chimneyMigrations = []

export const defaultChimney = {
  kind: 'chimney',
  name: 'Chimney',
  widthM: 0.6,
  depthM: 0.9,
  rotationDeg: 0,
  heightM: 1.2,
  clearanceM: 0.15,
} as const
