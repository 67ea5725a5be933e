import { z } from 'zod'
import { idSchema, shareSchema, type DeepReadonly } from '../../model/object-base'
import { between, wholeBetween } from '../../model/rules'

export const coverId = 'cover'

const setback = between(0, 10, 'm')

/** Which module is laid and how far it keeps from the plane's edges. One to an option. */
export const coverSchema = z.strictObject({
  id: z.literal(coverId),
  kind: z.literal('cover'),
  moduleId: idSchema,
  setbacksM: z.strictObject({
    eave: setback,
    ridge: setback,
    hip: setback,
    valley: setback,
    rake: setback,
    wall: setback,
    /** From all edges of flat roofs but walls; null where the others hold there too. */
    flat: setback.nullable(),
  }),
  /** The rules that the layout is held against: a set of the catalogue or one of the job's own; null for none. */
  rulesId: idSchema.nullable(),
  /** Modules that have less of the year's light than this share of what no shade would leave are told of; `usualSunAccess` where none is set. */
  leastSunAccess: shareSchema.exactOptional(),
  /** What modules are fixed with on pitched roofs and on flat ones; null for the first in the catalogue that suits. */
  mountingId: idSchema.nullable(),
  flatMountingId: idSchema.nullable(),
  /** A foot on every so many rafters or seams; null for as few as hold. */
  footEvery: wholeBetween(1, 12).nullable(),
})
export type Cover = DeepReadonly<z.infer<typeof coverSchema>>

/** Less than three quarters of the light seldom pays for a module. */
export const usualSunAccess = 0.75

export const coverVersion = 3

const ownMounting = { mountingId: null, flatMountingId: null, footEvery: null } as const

export const coverMigrations = [
  ({ setbacksM, ...value }: Record<string, unknown>) => ({
    ...value,
    // What is no object of distances stays as it is and is refused.
    setbacksM:
      typeof setbacksM === 'object' && setbacksM !== null
        ? { ...setbacksM, wall: 0.3, flat: null }
        : setbacksM,
    rulesId: null,
  }),
  (value: Record<string, unknown>) => ({ ...value, ...ownMounting }),
]

export const defaultCover: Cover = {
  id: coverId,
  kind: 'cover',
  moduleId: 'lumenfold-420',
  setbacksM: { eave: 0.3, ridge: 0.45, hip: 0.45, valley: 0.45, rake: 0.3, wall: 0.3, flat: null },
  rulesId: null,
  ...ownMounting,
}
