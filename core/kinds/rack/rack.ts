import { z } from 'zod'
import { idSchema, lockedSchema, nameSchema, point2Schema, type DeepReadonly } from '../../model/object-base'
import { between, wholeBetween } from '../../model/rules'

/**
 * Modules on the ground: rows of tables, fixed or turning after the sun. Rows stand behind each other by the row pitch,
 * each one module high.
 */
export const rackSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('rack'),
  name: nameSchema,
  locked: lockedSchema,
  center: point2Schema,
  rows: wholeBetween(1, 40),
  /** Modules side by side in a row. */
  columns: wholeBetween(1, 60),
  orientation: z.enum(['portrait', 'landscape']),
  /** `one-axis`: rows turn about their length, which points to the azimuth. */
  tracking: z.enum(['fixed', 'one-axis', 'two-axis']),
  /** Of a fixed rack; of one axis the rise of the axis; two axes turn by themselves. */
  tiltDeg: between(0, 90, 'deg'),
  azimuthDeg: between(0, 360, 'deg'),
  /** Ground to the lower edge. */
  clearanceM: between(0, 10, 'm'),
  /** From one row to the same point of the next. */
  rowPitchM: between(0.5, 50, 'm'),
  /** Greatest turn of one axis, greatest tilt of two. */
  limitDeg: between(5, 90, 'deg'),
  backtracking: z.boolean(),
  gapM: between(0, 1, 'm'),
  /** Places left empty, as "row:column". */
  removed: z.array(z.string().regex(/^\d{1,3}:\d{1,3}$/)).max(2400),
})
export type Rack = DeepReadonly<z.infer<typeof rackSchema>>

export const rackVersion = 1
export const rackMigrations = []

export const defaultRack = {
  kind: 'rack',
  rows: 2,
  columns: 5,
  orientation: 'portrait',
  tracking: 'fixed',
  tiltDeg: 30,
  clearanceM: 0.6,
  rowPitchM: 4.5,
  limitDeg: 55,
  backtracking: true,
  gapM: 0.02,
  removed: [],
} as const
