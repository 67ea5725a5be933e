import { z } from 'zod'
import { type DeepReadonly } from '../../model/object-base'
import { between } from '../../model/rules'

export const loadId = 'load'

export const loadShapes = ['evening', 'at-home', 'all-electric', 'night-car'] as const
export type LoadShape = (typeof loadShapes)[number]

/** What the customer uses. One to a house document. */
export const loadSchema = z.strictObject({
  id: z.literal(loadId),
  kind: z.literal('load'),
  annualKwh: between(0, 500_000, 'kWh'),
  /** The archetype day that the year's total is spread over. */
  shape: z.enum(loadShapes),
})
export type Load = DeepReadonly<z.infer<typeof loadSchema>>

export const loadVersion = 1
export const loadMigrations = []

export const defaultLoad: Load = { id: loadId, kind: 'load', annualKwh: 9000, shape: 'evening' }
