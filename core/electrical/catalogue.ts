import { z } from 'zod'
import { idSchema, type DeepReadonly } from '../model/object-base'
import { moduleColours, mostStrips } from '../model/module-sheet'
import { ruleSetSchema } from '../setbacks/rule-set'
import { mountingSchema } from '../structure/mounting'

/** An inverter as it was measured, see `king-inverter.ts`. */
const kingSchema = z.strictObject({
  acPowerW: z.number(),
  dcPowerW: z.number(),
  dcVoltsV: z.number(),
  startW: z.number(),
  c0PerW: z.number(),
  c1PerV: z.number(),
  c2PerV: z.number(),
  c3PerV: z.number(),
})

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

const inverterSchema = z.object({
  ...named,
  acPowerW: z.number().positive(),
  mppInputs: z.number().int(),
  stringsPerInput: z.number().int(),
  highestV: z.number(),
  mppLowV: z.number(),
  mppHighV: z.number(),
  startV: z.number(),
  inputCurrentA: z.number(),
  /** Greatest short-circuit current of an input; the former where a sheet does not say. */
  inputShortCurrentA: z.number().positive().exactOptional(),
  efficiency: z.number(),
  nightW: z.number(),
  /** Measured parameters, where the maker had them measured. */
  king: kingSchema.exactOptional(),
  /** Greatest ratio of module to AC power that the maker allows. */
  highestDcAc: z.number(),
  /** Phases that it feeds; of one where a sheet does not say. */
  phases: z.union([z.literal(1), z.literal(3)]).exactOptional(),
  /** Of a microinverter, which takes one module at each input: the breaker that a branch of them may hang on. */
  micro: z.strictObject({ branchBreakerA: z.number().positive() }).exactOptional(),
})
export type InverterType = DeepReadonly<z.infer<typeof inverterSchema>>

/** What holds each module of a string at its own best point. */
const optimizerSchema = z.object({
  ...named,
  /** Greatest power of the module, and what its volts and amperes may be. */
  powerW: z.number().positive(),
  highestV: z.number().positive(),
  mppLowV: z.number().nonnegative(),
  mppHighV: z.number().positive(),
  inputShortCurrentA: z.number().positive(),
  /** What it can put out. */
  outputV: z.number().positive(),
  outputCurrentA: z.number().positive(),
  efficiency: z.number().positive().max(1),
  /** Of them in a string. */
  fewestPerString: z.number().int().positive(),
  mostPerString: z.number().int().positive(),
  /** Greatest module power of a string. */
  stringPowerW: z.number().positive(),
  /**
   * Of one that only lowers its module's volts: it may stand at some modules of a string among others without, and its
   * strings are those of modules in series. Others make the volts of their string together and are at every module.
   */
  stepDown: z.literal(true).exactOptional(),
  weightKg: z.number().positive().exactOptional(),
})
export type OptimizerType = DeepReadonly<z.infer<typeof optimizerSchema>>

const batterySchema = z.object({
  ...named,
  usableKwh: z.number().positive(),
  chargeKw: z.number(),
  dischargeKw: z.number(),
  /** Each way. */
  efficiency: z.number(),
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
