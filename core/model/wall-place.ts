import { z } from 'zod'
import { point2Schema, type DeepReadonly } from './object-base'
import { between } from './rules'

export const highestPlaceM = 20
/** At eye level, where devices hang as a rule, m. */
export const usualPlaceM = 1.5

/** On the wall that is nearest to a point of the plan, so high over the ground. */
export const wallPlaceSchema = z.strictObject({ at: point2Schema, heightM: between(0, highestPlaceM, 'm') })
export type WallPlace = DeepReadonly<z.infer<typeof wallPlaceSchema>>
