import { z } from 'zod'
import { idSchema, lockedSchema, nameSchema, point2Schema, type DeepReadonly } from '../../model/object-base'
import { between } from '../../model/rules'

export const narrowestDormerM = 0.5
export const widestDormerM = 30
export const lowestWallM = 0.2
export const highestWallM = 6
export const flattestDormerDeg = 1
export const steepestDormerDeg = 75

export const dormerForms = ['gable', 'hip', 'shed', 'flat'] as const
export type DormerForm = (typeof dormerForms)[number]

/** A small building that stands on a roof plane, with an upright front and a roof of its own. */
export const dormerSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('dormer'),
  name: nameSchema,
  locked: lockedSchema,
  form: z.enum(dormerForms),
  /** Middle of its front's foot in plan; it looks the way the plane looks. */
  front: point2Schema,
  /** Along the eave. */
  widthM: between(narrowestDormerM, widestDormerM, 'm'),
  /** Of its front, from the plane to its own eave. */
  wallHeightM: between(lowestWallM, highestWallM, 'm'),
  /** Of its own planes; a flat one has none, whatever this says. */
  pitchDeg: between(flattestDormerDeg, steepestDormerDeg, 'deg'),
  /** Free strip kept beside it when modules are laid on the plane it stands on. */
  clearanceM: between(0, 5, 'm'),
})
export type Dormer = DeepReadonly<z.infer<typeof dormerSchema>>

export const dormerVersion = 1
export const dormerMigrations = []

/** The pitch that a form begins with: a shed must stay below the roof's. */
export const usualPitchDeg: Readonly<Record<DormerForm, number>> = { gable: 35, hip: 35, shed: 10, flat: 1 }

export const defaultDormer = {
  kind: 'dormer',
  form: 'gable',
  widthM: 2.4,
  wallHeightM: 1.3,
  pitchDeg: usualPitchDeg.gable,
  clearanceM: 0.3,
} as const
