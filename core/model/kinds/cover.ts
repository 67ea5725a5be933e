import { z } from 'zod'
import { idSchema, type ObjectBase, type ObjectKind } from '../object-kind'

/** Which module is laid and how far it keeps from the plane's edges. One to an option. */
export interface Cover extends ObjectBase {
  readonly kind: 'cover'
  readonly moduleId: string
  readonly setbacksM: {
    readonly eave: number
    readonly ridge: number
    readonly hip: number
    readonly valley: number
    readonly rake: number
  }
}

export const coverId = 'cover'

const setback = z.number().min(0, 'not below zero').max(10, 'at most 10 m')

export const coverKind: ObjectKind<Cover> = {
  kind: 'cover',
  document: 'option',
  schema: z.strictObject({
    id: z.literal(coverId),
    kind: z.literal('cover'),
    moduleId: idSchema,
    setbacksM: z.strictObject({
      eave: setback,
      ridge: setback,
      hip: setback,
      valley: setback,
      rake: setback,
    }),
  }),
  version: 1,
  migrations: [],
}

export const defaultCover: Cover = {
  id: coverId,
  kind: 'cover',
  moduleId: 'lumenfold-420',
  setbacksM: { eave: 0.3, ridge: 0.45, hip: 0.45, valley: 0.45, rake: 0.3 },
}
