import { z } from 'zod'
import { moduleColours, mostStrips } from '../../model/module-sheet'
import { type DeepReadonly } from '../../model/object-base'
import { between, wholeBetween } from '../../model/rules'
import { ownSheet } from '../own-sheet'

/** The data sheet of a module that a designer has brought into a job. Coefficients are shares for each kelvin. */
export const ownModuleSchema = z.strictObject({
  kind: z.literal('own-module'),
  ...ownSheet,
  price: between(0, 100_000, 'money'),
  powerW: between(10, 1000, 'W'),
  widthM: between(0.2, 3, 'm'),
  lengthM: between(0.2, 4, 'm'),
  vocV: between(1, 300, 'V'),
  vmpV: between(1, 300, 'V'),
  iscA: between(0.1, 40, 'A'),
  impA: between(0.1, 40, 'A'),
  powerPerK: between(-0.02, -0.0005, 'share/K'),
  vocPerK: between(-0.02, -0.0005, 'share/K'),
  iscPerK: between(-0.002, 0.005, 'share/K'),
  strips: wholeBetween(1, mostStrips),
  halves: z.union([z.literal(1), z.literal(2)]),
  cell: z.enum(['p-type', 'n-type']),
  sortedUp: z.boolean(),
  degradation: between(0, 0.05, 'share/year'),
  cells: wholeBetween(1, 400).exactOptional(),
  thicknessM: between(0.001, 0.2, 'm').exactOptional(),
  weightKg: between(0.5, 100).exactOptional(),
  colour: z.enum(moduleColours).exactOptional(),
})
export type OwnModule = DeepReadonly<z.infer<typeof ownModuleSchema>>
