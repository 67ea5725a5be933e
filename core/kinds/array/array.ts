import { z } from 'zod'
import { idSchema, lockedSchema, nameSchema, type DeepReadonly } from '../../model/object-base'
import { patterns } from '../../layout/patterns'
import { between, wholeBetween } from '../../model/rules'
import { partSchema } from './part'

/** Between rows that stand up, m. */
export const widestRowGapM = 20

/**
 * Modules laid on one roof plane. Where each sits follows from the plane, the setbacks and the module, so that a
 * change of the house re-fits it; single ones taken away are kept by their place in the grid.
 */
export const arraySchema = z.strictObject({
  id: idSchema,
  kind: z.literal('array'),
  /** Left out where it goes by its plane's name. */
  name: nameSchema.exactOptional(),
  locked: lockedSchema,
  volumeId: idSchema,
  /** The plane: the outline edge it rises from. */
  edgeIndex: wholeBetween(0, 59),
  /** Where the roof changes its pitch over that edge: which stretch from the eave up. */
  step: wholeBetween(0, 3),
  orientation: z.enum(['portrait', 'landscape', 'best']),
  /** How the modules are set out; `plain` is what the first arrays were laid by, whose places they still mean. */
  pattern: z.enum(['plain', ...patterns]),
  gapM: between(0, 1, 'm'),
  /** How far off the roof the modules lie, and with it how well air cools them. */
  liftM: between(0, 1, 'm'),
  /** The part of the plane it is laid in; left out where that is the whole of it. */
  part: partSchema.exactOptional(),
  /** Its rows turned from the eave, degrees clockwise as seen from above. */
  turnDeg: between(-180, 180, 'deg').exactOptional(),
  /** Rows raised off a roof that is too flat for them; left out where modules lie on the plane. */
  tilt: z
    .strictObject({
      tiltDeg: between(1, 60, 'deg'),
      rowGapM: between(0, widestRowGapM, 'm'),
      /** Of pairs of rows that face away from each other; null where all rows face one way. */
      ridgeGapM: between(0, 5, 'm').nullable(),
    })
    .exactOptional(),
  /** Distances from single edges of the plane in place of those of their kind: "rake:1" is the plane's second rake. */
  edgesM: z
    .record(z.string().regex(/^(eave|ridge|rake|hip|valley|wall):\d{1,2}$/), between(0, 10, 'm'))
    .exactOptional(),
  /** Places left empty, as "row:column", rows counted from the eave. */
  removed: z.array(z.string().regex(/^\d{1,3}:\d{1,3}$/)).max(2000),
})
export type PanelArray = DeepReadonly<z.infer<typeof arraySchema>>

export const arrayVersion = 5

/** Lifts in the place of the names that mountings once had; all of them were drawn at the first. */
const lifts: Readonly<Record<string, number>> = { close: 0.12, raised: 0.2, open: 0.3 }

export const arrayMigrations = [
  (value: Record<string, unknown>) => ({ ...value, mount: 'close' }),
  ({ mount, ...value }: Record<string, unknown>) => ({ ...value, liftM: lifts[String(mount)] ?? 0.12 }),
  (value: Record<string, unknown>) => ({ ...value, step: 0 }),
  (value: Record<string, unknown>) => ({ ...value, pattern: 'plain' }),
]

export const defaultArray = {
  kind: 'array',
  step: 0,
  orientation: 'portrait',
  pattern: 'aligned',
  gapM: 0.02,
  liftM: 0.12,
  removed: [],
} as const
