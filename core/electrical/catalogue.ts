import { z } from 'zod'
import { idSchema, type DeepReadonly } from '../model/object-base'
import { batteryFields, inverterFields, optimizerFields } from '../model/device-sheets'
import { moduleColours, mostStrips } from '../model/module-sheet'
import { ruleSetSchema } from '../setbacks/rule-set'
import { mountingSchema } from '../structure/mounting'

/** `price` is the list price, installed for a battery. */
const named = { id: idSchema, maker: z.string(), name: z.string(), price: z.number().nonnegative() }

/** Data sheets of what can be put on and under a roof. Values at standard test conditions unless named otherwise. */
const moduleSchema = z.object({
  ...named,
  powerW: z.number().positive(),
  widthM: z.number().positive(),
  lengthM: z.number().positive(),
  vocV: z.number(),
  vmpV: z.number(),
  iscA: z.number(),
  impA: z.number(),
  /** Share for each kelvin. */
  powerPerK: z.number(),
  vocPerK: z.number(),
  iscPerK: z.number(),
  /** Bypass-diode strips, and halves each is cut in. */
  strips: z.number().int().positive().max(mostStrips),
  halves: z.union([z.literal(1), z.literal(2)]),
  /** What the cells are doped with, and whether the maker sorts upwards; the usual where a sheet does not say. */
  cell: z.enum(['p-type', 'n-type']).default('p-type'),
  sortedUp: z.boolean().default(false),
  /** Share of power lost each year. */
  degradation: z.number(),
  /** Cells as they are seen, halves counted each; left out where a sheet does not say, as are those below. */
  cells: z.number().int().positive().exactOptional(),
  thicknessM: z.number().positive().exactOptional(),
  weightKg: z.number().positive().exactOptional(),
  colour: z.enum(moduleColours).exactOptional(),
})
export type ModuleType = DeepReadonly<z.infer<typeof moduleSchema>>

const inverterSchema = z.object({ ...named, ...inverterFields })
export type InverterType = DeepReadonly<z.infer<typeof inverterSchema>>

const optimizerSchema = z.object({ ...named, ...optimizerFields })
export type OptimizerType = DeepReadonly<z.infer<typeof optimizerSchema>>

const batterySchema = z.object({
  ...named,
  ...batteryFields,
  // Catalogues from before said nothing of it.
  standbyW: batteryFields.standbyW.default(0),
})
export type BatteryType = DeepReadonly<z.infer<typeof batterySchema>>

export const catalogueSchema = z.object({
  modules: z.array(moduleSchema),
  inverters: z.array(inverterSchema),
  batteries: z.array(batterySchema),
  optimizers: z.array(optimizerSchema).default([]),
  /** What authorities ask of modules on a roof. */
  rules: z.array(ruleSetSchema).default([]),
  /** What modules are fixed to roofs with. */
  mountings: z.array(mountingSchema).default([]),
})
export type Catalogue = DeepReadonly<z.infer<typeof catalogueSchema>>
