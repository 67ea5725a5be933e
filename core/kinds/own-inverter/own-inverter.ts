import { z } from 'zod'
import { inverterFields } from '../../model/device-sheets'
import { type DeepReadonly } from '../../model/object-base'
import { ownSheet } from '../own-sheet'

/** The data sheet of an inverter that a designer has brought into a job. */
export const ownInverterSchema = z.strictObject({
  kind: z.literal('own-inverter'),
  ...ownSheet,
  ...inverterFields,
})
export type OwnInverter = DeepReadonly<z.infer<typeof ownInverterSchema>>
