import { z } from 'zod'
import { idSchema, type ObjectBase, type ObjectKind } from '../object-kind'

/**
 * Modules laid on one roof plane. Where each sits follows from the plane, the setbacks and the module, so that a
 * change of the house re-fits it; single ones taken away are kept by their place in the grid.
 */
export interface PanelArray extends ObjectBase {
  readonly kind: 'array'
  readonly volumeId: string
  /** The plane: the outline edge it rises from. */
  readonly edgeIndex: number
  readonly orientation: 'portrait' | 'landscape' | 'best'
  readonly gapM: number
  /** How far off the roof the modules lie, and with it how well air cools them. */
  readonly mount: 'close' | 'raised' | 'open'
  /** Places left empty, as "row:column", rows counted from the eave. */
  readonly removed: readonly string[]
}

export const arrayIdPrefix = 'array'

export const arrayKind: ObjectKind<PanelArray> = {
  kind: 'array',
  document: 'option',
  schema: z.strictObject({
    id: idSchema,
    kind: z.literal('array'),
    volumeId: idSchema,
    edgeIndex: z.number().int().min(0).max(59),
    orientation: z.enum(['portrait', 'landscape', 'best']),
    gapM: z.number().min(0, 'not below zero').max(1, 'at most 1 m'),
    mount: z.enum(['close', 'raised', 'open']),
    removed: z.array(z.string().regex(/^\d{1,3}:\d{1,3}$/)).max(2000),
  }),
  version: 2,
  migrations: [(value) => ({ ...value, mount: 'close' })],
}

export const defaultArray = {
  kind: 'array',
  orientation: 'portrait',
  gapM: 0.02,
  mount: 'close',
  removed: [],
} as const

/** How much air is behind the modules, in words. */
export const mountNames: Readonly<Record<PanelArray['mount'], string>> = {
  close: 'close to roof',
  raised: 'raised',
  open: 'open rack',
}
