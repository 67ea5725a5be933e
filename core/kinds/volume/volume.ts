import { z } from 'zod'
import { idSchema, lockedSchema, nameSchema, point2Schema, type DeepReadonly } from '../../model/object-base'
import { between, ruleMessage } from '../../model/rules'

export const lowestPitchDeg = 1
export const steepestPitchDeg = 75
export const lowestEaveM = 0.5
export const highestEaveM = 60

export const uprightDeg = 90
export const highestParapetM = 4
export const widestOverhangM = 2
/** The parapet that a flat roof begins with. */
export const usualParapetM = 0.4
const mostSteps = 4
export const highestStepM = 20
/** Height over the eave, m, and pitch from there on; 90 is upright. */
const stepSchema = z.tuple([between(0, highestStepM, 'm'), between(lowestPitchDeg, uprightDeg, 'deg')])

/** What the roof does above one edge of the outline: rises from it, ends there in a gable, or changes its pitch on the way up. */
const edgeSchema = z.union([
  z.strictObject({ pitchDeg: between(lowestPitchDeg, steepestPitchDeg, 'deg') }),
  z.strictObject({ gable: z.literal(true) }),
  z.strictObject({
    profile: z
      .array(stepSchema)
      .min(2)
      .max(mostSteps)
      .refine(
        (steps) => steps.every(([fromM], k) => (k === 0 ? fromM === 0 : fromM > (steps[k - 1]?.[0] ?? 0))),
        {
          message: ruleMessage('profile-upwards'),
        },
      ),
  }),
])
export type RoofEdge = DeepReadonly<z.infer<typeof edgeSchema>>

/** A building: an outline, a storey height and a roof over it. */
export const volumeSchema = z
  .strictObject({
    id: idSchema,
    kind: z.literal('volume'),
    name: nameSchema,
    locked: lockedSchema,
    /** The customer's house carries modules; a neighbour only casts shade. */
    role: z.enum(['house', 'neighbour']),
    /** Counter-clockwise seen from above, metres east and north of the site. */
    outline: z
      .array(point2Schema)
      .min(3, ruleMessage('outline-corners', { limit: 3 }))
      .max(60, ruleMessage('most-corners', { limit: 60 })),
    eaveHeightM: between(lowestEaveM, highestEaveM, 'm'),
    /** One to an outline edge; edge i runs from corner i to corner i + 1. */
    edges: z.array(edgeSchema),
    /** A level roof instead of what the edges say, with a wall around it of this height; 0 for none. */
    flat: z.strictObject({ parapetM: between(0, highestParapetM, 'm') }).nullable(),
    /** How far the roof reaches over the walls: at its eaves, and at its gables. The outline is that of the roof. */
    overhang: z
      .strictObject({ eaveM: between(0, widestOverhangM, 'm'), rakeM: between(0, widestOverhangM, 'm') })
      .exactOptional(),
    /** What planes are called, where somebody has named them: by the side and the stretch of its profile, see `planeKey`. */
    planeNames: z.record(z.string().regex(/^\d{1,2}:[0-3]$/), nameSchema).exactOptional(),
  })
  .refine((v) => v.edges.length === v.outline.length, {
    path: ['edges'],
    message: ruleMessage('edge-each'),
  })
export type Volume = DeepReadonly<z.infer<typeof volumeSchema>>

/** An edge by the form it gives the roof: a half-hip is upright first, a mansard any other slope that changes. */
export type EdgeForm = 'slope' | 'gable' | 'half-hip' | 'mansard'
export function formOf(edge: RoofEdge): EdgeForm {
  if ('pitchDeg' in edge) return 'slope'
  if ('gable' in edge) return 'gable'
  return (edge.profile[0]?.[1] ?? 0) >= uprightDeg ? 'half-hip' : 'mansard'
}

export const isGable = (edge: RoofEdge): edge is { readonly gable: true } => 'gable' in edge

export const volumeVersion = 2
export const volumeMigrations = [(value: Record<string, unknown>) => ({ ...value, flat: null })]

/** The pitch a new roof starts with, in degrees: 7 in 12, common for houses. */
export const defaultPitchDeg = 30
export const defaultEaveHeightM = 3
