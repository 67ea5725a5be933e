import { z } from 'zod'
import { mostTriangles } from '../../imports/model/mesh'
import { idSchema, lockedSchema, nameSchema, point2Schema, type DeepReadonly } from '../../model/object-base'
import { between, ruleMessage, wholeBetween } from '../../model/rules'

const mostVertices = mostTriangles * 3
/** How far a corner may lie from the middle of the model's foot, m. */
export const farthestCornerM = 1_000
export const smallestScale = 0.001
export const largestScale = 1_000

const cornerSchema = between(-farthestCornerM, farthestCornerM, 'm')
const numberSchema = wholeBetween(0, mostVertices - 1)

/** A body of triangles that was modelled elsewhere: a neighbour, a tower, whatever has no kind of its own. */
export const bodySchema = z
  .strictObject({
    id: idSchema,
    kind: z.literal('body'),
    name: nameSchema,
    locked: lockedSchema,
    /** Corners in metres east, north and up of the middle of its foot, before it is scaled, turned and placed. */
    vertices: z
      .array(z.tuple([cornerSchema, cornerSchema, cornerSchema]))
      .min(3)
      .max(mostVertices),
    /** Three vertices each, by their numbers from 0, counter-clockwise seen from outside. */
    triangles: z
      .array(z.tuple([numberSchema, numberSchema, numberSchema]))
      .min(1)
      .max(mostTriangles),
    /** Where the middle of its foot stands. */
    center: point2Schema,
    /** Turn counter-clockwise from how it was modelled. */
    rotationDeg: between(-360, 360, 'deg'),
    scale: between(smallestScale, largestScale),
    /** Height of its foot over the site's ground. */
    footM: between(-100, 200, 'm'),
    /** Whether modules keep off where it rises over their plane, and how far. */
    keepsOff: z.boolean(),
    clearanceM: between(0, 5, 'm'),
    /** Part of what is around, drawn fainter and not framed. */
    background: z.boolean(),
  })
  .refine(({ vertices, triangles }) => triangles.every((t) => t.every((v) => v < vertices.length)), {
    path: ['triangles'],
    message: ruleMessage('vertex-missing'),
  })
export type Body = DeepReadonly<z.infer<typeof bodySchema>>

export const bodyVersion = 1
export const bodyMigrations = []
