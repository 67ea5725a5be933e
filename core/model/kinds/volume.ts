import { z } from 'zod'
import { idSchema, nameSchema, point2Schema, type ObjectBase, type ObjectKind } from '../object-kind'

/** What the roof does above one edge of the outline: rises from it, or ends there in a gable. */
export type RoofEdge = { readonly pitchDeg: number } | { readonly gable: true }

/** A building: an outline, a storey height and a roof over it. */
export interface Volume extends ObjectBase {
  readonly kind: 'volume'
  readonly name: string
  /** The customer's house carries modules; a neighbour only casts shade. */
  readonly role: 'house' | 'neighbour'
  /** Counter-clockwise seen from above, metres east and north of the site. */
  readonly outline: readonly (readonly [number, number])[]
  readonly eaveHeightM: number
  /** One to an outline edge; edge i runs from corner i to corner i + 1. */
  readonly edges: readonly RoofEdge[]
}

export const volumeIdPrefix = 'volume'

export const isGable = (edge: RoofEdge): edge is { readonly gable: true } => 'gable' in edge

export const volumeKind: ObjectKind<Volume> = {
  kind: 'volume',
  document: 'house',
  schema: z
    .strictObject({
      id: idSchema,
      kind: z.literal('volume'),
      name: nameSchema,
      role: z.enum(['house', 'neighbour']),
      outline: z
        .array(point2Schema)
        .min(3, 'an outline has at least three corners')
        .max(60, 'at most 60 corners'),
      eaveHeightM: z.number().min(0.5, 'at least 0.5 m').max(60, 'at most 60 m'),
      edges: z.array(
        z.union([
          z.strictObject({ pitchDeg: z.number().min(1, 'at least 1 degree').max(75, 'at most 75 degrees') }),
          z.strictObject({ gable: z.literal(true) }),
        ]),
      ),
    })
    .refine((v) => v.edges.length === v.outline.length, {
      path: ['edges'],
      message: 'one entry to each outline edge',
    }),
  version: 1,
  migrations: [],
}

/** The pitch a new roof starts with, in degrees: 7 in 12, common for houses. */
export const defaultPitchDeg = 30
export const defaultEaveHeightM = 3
