import { z } from 'zod'
import { idSchema, nameSchema, point2Schema, type DeepReadonly } from '../../model/object-base'
import { between, ruleMessage } from '../../model/rules'

export const lowestPitchDeg = 1
export const steepestPitchDeg = 75
export const lowestEaveM = 0.5
export const highestEaveM = 60

/** What the roof does above one edge of the outline: rises from it, or ends there in a gable. */
const edgeSchema = z.union([
  z.strictObject({ pitchDeg: between(lowestPitchDeg, steepestPitchDeg, 'deg') }),
  z.strictObject({ gable: z.literal(true) }),
])
export type RoofEdge = DeepReadonly<z.infer<typeof edgeSchema>>

/** A building: an outline, a storey height and a roof over it. */
export const volumeSchema = z
  .strictObject({
    id: idSchema,
    kind: z.literal('volume'),
    name: nameSchema,
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
  })
  .refine((v) => v.edges.length === v.outline.length, {
    path: ['edges'],
    message: ruleMessage('edge-each'),
  })
export type Volume = DeepReadonly<z.infer<typeof volumeSchema>>

export const isGable = (edge: RoofEdge): edge is { readonly gable: true } => 'gable' in edge

export const volumeVersion = 1
export const volumeMigrations = []

/** The pitch a new roof starts with, in degrees: 7 in 12, common for houses. */
export const defaultPitchDeg = 30
export const defaultEaveHeightM = 3
