import { z } from 'zod'
import { type ObjectBase, type ObjectKind } from '../object-kind'

export const loadShapes = ['evening', 'at-home', 'all-electric', 'night-car'] as const
export type LoadShape = (typeof loadShapes)[number]

/** What the customer uses. One to a house document. */
export interface Load extends ObjectBase {
  readonly kind: 'load'
  readonly annualKwh: number
  /** The archetype day that the year's total is spread over. */
  readonly shape: LoadShape
}

export const loadId = 'load'

export const loadKind: ObjectKind<Load> = {
  kind: 'load',
  document: 'house',
  schema: z.strictObject({
    id: z.literal(loadId),
    kind: z.literal('load'),
    annualKwh: z.number().min(0, 'not below zero').max(500_000, 'at most 500,000 kWh'),
    shape: z.enum(loadShapes),
  }),
  version: 1,
  migrations: [],
}

export const defaultLoad: Load = { id: loadId, kind: 'load', annualKwh: 9000, shape: 'evening' }
