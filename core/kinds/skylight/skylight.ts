import { z } from 'zod'
import { idSchema, lockedSchema, nameSchema, point2Schema, type DeepReadonly } from '../../model/object-base'
import { between } from '../../model/rules'

export const smallestSideM = 0.2
export const largestSideM = 4

/** A window in a roof, flush with its plane. */
export const skylightSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('skylight'),
  name: nameSchema,
  locked: lockedSchema,
  /** Middle of its foot in plan. */
  center: point2Schema,
  /** Along the eave. */
  widthM: between(smallestSideM, largestSideM, 'm'),
  /** Up the slope. */
  lengthM: between(smallestSideM, largestSideM, 'm'),
  /** How far the frame stands out of the plane. */
  upstandM: between(0.01, 0.6, 'm'),
  /** Free strip kept around it when modules are laid. */
  clearanceM: between(0, 5, 'm'),
})
export type Skylight = DeepReadonly<z.infer<typeof skylightSchema>>

export const skylightVersion = 1
export const skylightMigrations = []

export const defaultSkylight = {
  kind: 'skylight',
  name: 'Skylight',
  widthM: 0.78,
  lengthM: 1.18,
  upstandM: 0.09,
  clearanceM: 0.15,
} as const
