import { z } from 'zod'
import { between, ruleMessage, wholeBetween } from '@/core/model/rules'
import { shareSchema } from '@/core/model/object-base'

/** Metres from the origin that a scene may reach: farther off, millimetres are lost in the numbers. */
const farthestM = 100_000
const mostSurfaces = 5_000
const mostOccluders = 2_000
const mostTriangles = 50_000
const mostCorners = 400
const coordinate = between(-farthestM, farthestM, 'm')
const point2 = z.tuple([coordinate, coordinate])
const point3 = z.tuple([coordinate, coordinate, coordinate])
const id = z.string().min(1).max(200)
/** A corner may lie this far off the parallelogram of the three before it, m. */
const skewM = 0.02

const surface = z
  .object({ id, corners: z.tuple([point3, point3, point3, point3]) })
  .refine(
    ({ corners: [a, b, c, d] }) =>
      ([0, 1, 2] as const).every((axis) => Math.abs(a[axis] + c[axis] - b[axis] - d[axis]) <= skewM),
    { path: ['corners'], message: ruleMessage('parallelogram') },
  )
  .refine(({ corners: [a, b, , d] }) => areaOf(a, b, d) > 1e-9, {
    path: ['corners'],
    message: ruleMessage('no-area'),
  })

type Point3 = z.infer<typeof point3>

function areaOf(a: Point3, b: Point3, d: Point3): number {
  const [u, v] = [b, d].map((p) => [p[0] - a[0], p[1] - a[1], p[2] - a[2]] as const)
  if (!u || !v) return 0
  return Math.hypot(u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0])
}

const prism = z
  .object({
    id,
    kind: z.literal('prism'),
    base: z.array(point2).min(3).max(mostCorners),
    bottomM: coordinate,
    topM: coordinate,
  })
  .refine(({ bottomM, topM }) => topM >= bottomM, { path: ['topM'], message: ruleMessage('top-over-bottom') })

const mesh = z
  .object({
    id,
    kind: z.literal('mesh'),
    vertices: z.array(point3).max(3 * mostTriangles),
    triangles: z
      .array(z.tuple([wholeBetween(0, 1e9), wholeBetween(0, 1e9), wholeBetween(0, 1e9)]))
      .max(mostTriangles),
  })
  .refine(
    ({ vertices, triangles }) => triangles.every((corners) => corners.every((i) => i < vertices.length)),
    {
      path: ['triangles'],
      message: ruleMessage('vertex-missing'),
    },
  )

const crown = z.object({
  id,
  kind: z.literal('crown'),
  center: point3,
  radiusM: between(0.01, 1000, 'm'),
  halfHeightM: between(0.01, 1000, 'm'),
  transmissivity: z.array(shareSchema).length(12, ruleMessage('twelve-months')),
})

/** A scene that light falls on. */
export const shadeCase = z.object({
  site: z.object({
    lat: between(-90, 90, 'deg'),
    lon: between(-180, 180, 'deg'),
    timeZoneHours: between(-14, 14),
    elevationM: between(-500, 9000, 'm').default(0),
  }),
  year: wholeBetween(1900, 2100).exactOptional(),
  surfaces: z.array(surface).max(mostSurfaces),
  occluders: z
    .array(z.discriminatedUnion('kind', [prism, mesh, crown]))
    .max(mostOccluders)
    .default([]),
  horizon: z
    .array(z.tuple([between(-360, 360, 'deg'), between(-90, 90, 'deg')]))
    .max(2_000)
    .exactOptional(),
  /** What the ground reflects, for the sun access. */
  albedo: shareSchema.default(0.2),
  weather: z.string().min(1).exactOptional(),
  hourly: z.string().min(1).exactOptional(),
  step: z
    .union([
      z.literal(1),
      z.literal(5),
      z.literal(10),
      z.literal(15),
      z.literal(20),
      z.literal(30),
      z.literal(60),
    ])
    .exactOptional(),
})
export type ShadeCase = z.infer<typeof shadeCase>
