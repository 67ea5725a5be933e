import { z } from 'zod'
import { optimizerFields } from '../../model/device-sheets'
import { type DeepReadonly } from '../../model/object-base'
import { ownSheet } from '../own-sheet'

/** The data sheet of an optimizer that a designer has brought into a job. */
export const ownOptimizerSchema = z.strictObject({
  kind: z.literal('own-optimizer'),
  ...ownSheet,
  ...optimizerFields,
})
export type OwnOptimizer = DeepReadonly<z.infer<typeof ownOptimizerSchema>>
