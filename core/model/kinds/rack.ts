import { z } from 'zod'
import { idSchema, nameSchema, point2Schema, type ObjectBase, type ObjectKind } from '../object-kind'

/**
 * Modules on the ground: rows of tables, fixed or turning after the sun. Rows stand behind each other by the row pitch,
 * each one module high.
 */
export interface Rack extends ObjectBase {
  readonly kind: 'rack'
  readonly name: string
  readonly center: readonly [number, number]
  readonly rows: number
  /** Modules side by side in a row. */
  readonly columns: number
  readonly orientation: 'portrait' | 'landscape'
  /** `one-axis`: rows turn about their length, which points to the azimuth. */
  readonly tracking: 'fixed' | 'one-axis' | 'two-axis'
  /** Of a fixed rack; of one axis the rise of the axis; two axes turn by themselves. */
  readonly tiltDeg: number
  readonly azimuthDeg: number
  /** Ground to the lower edge. */
  readonly clearanceM: number
  /** From one row to the same point of the next. */
  readonly rowPitchM: number
  /** Greatest turn of one axis, greatest tilt of two. */
  readonly limitDeg: number
  readonly backtracking: boolean
  readonly gapM: number
  /** Places left empty, as "row:column". */
  readonly removed: readonly string[]
}

export const rackIdPrefix = 'rack'

export const rackKind: ObjectKind<Rack> = {
  kind: 'rack',
  document: 'option',
  schema: z.strictObject({
    id: idSchema,
    kind: z.literal('rack'),
    name: nameSchema,
    center: point2Schema,
    rows: z.number().int('a whole number').min(1, 'at least 1').max(40, 'at most 40'),
    columns: z.number().int('a whole number').min(1, 'at least 1').max(60, 'at most 60'),
    orientation: z.enum(['portrait', 'landscape']),
    tracking: z.enum(['fixed', 'one-axis', 'two-axis']),
    tiltDeg: z.number().min(0, 'not below 0°').max(90, 'at most 90°'),
    azimuthDeg: z.number().min(0, 'not below 0°').max(360, 'at most 360°'),
    clearanceM: z.number().min(0, 'not below the ground').max(10, 'at most 10 m'),
    rowPitchM: z.number().min(0.5, 'at least 0.5 m').max(50, 'at most 50 m'),
    limitDeg: z.number().min(5, 'at least 5°').max(90, 'at most 90°'),
    backtracking: z.boolean(),
    gapM: z.number().min(0, 'not below zero').max(1, 'at most 1 m'),
    removed: z.array(z.string().regex(/^\d{1,3}:\d{1,3}$/)).max(2400),
  }),
  version: 1,
  migrations: [],
}

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
