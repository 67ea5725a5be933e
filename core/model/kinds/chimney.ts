import { z } from 'zod'
import { idSchema, nameSchema, point2Schema, type ObjectBase, type ObjectKind } from '../object-kind'

/** A box that stands on the roof. */
export interface Chimney extends ObjectBase {
  readonly kind: 'chimney'
  readonly name: string
  /** Middle of the base in plan. */
  readonly center: readonly [number, number]
  readonly widthM: number
  readonly depthM: number
  /** Turn of the width's direction, counter-clockwise from east. */
  readonly rotationDeg: number
  /** Height of the top over the roof at the middle of the base. */
  readonly heightM: number
  /** Free strip kept around it when modules are laid. */
  readonly clearanceM: number
}

export const chimneyIdPrefix = 'chimney'

export const chimneyKind: ObjectKind<Chimney> = {
  kind: 'chimney',
  document: 'house',
  schema: z.strictObject({
    id: idSchema,
    kind: z.literal('chimney'),
    name: nameSchema,
    center: point2Schema,
    widthM: z.number().min(0.05, 'at least 5 cm').max(20, 'at most 20 m'),
    depthM: z.number().min(0.05, 'at least 5 cm').max(20, 'at most 20 m'),
    rotationDeg: z.number().min(-360).max(360),
    heightM: z.number().min(0.05, 'at least 5 cm').max(20, 'at most 20 m'),
    clearanceM: z.number().min(0).max(5),
  }),
  version: 1,
  migrations: [],
}

export const defaultChimney = {
  kind: 'chimney',
  name: 'Chimney',
  widthM: 0.6,
  depthM: 0.9,
  rotationDeg: 0,
  heightM: 1.2,
  clearanceM: 0.15,
} as const
