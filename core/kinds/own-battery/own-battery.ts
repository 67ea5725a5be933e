import { z } from 'zod'
import { batteryFields } from '../../model/device-sheets'
import { type DeepReadonly } from '../../model/object-base'
import { ownSheet } from '../own-sheet'

/** The data sheet of a battery that a designer has brought into a job. */
export const ownBatterySchema = z.strictObject({
  kind: z.literal('own-battery'),
  ...ownSheet,
  ...batteryFields,
})
export type OwnBattery = DeepReadonly<z.infer<typeof ownBatterySchema>>
