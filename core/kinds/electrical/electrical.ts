import { z } from 'zod'
import { mostMppInputs } from '../../model/device-sheets'
import { idSchema, nameSchema, type DeepReadonly } from '../../model/object-base'
import { between, ruleMessage, wholeBetween } from '../../model/rules'
import { wallPlaceSchema } from '../../model/wall-place'

export const electricalId = 'electrical'

/** As many as any string may have, and as many strings as an option may have by hand. */
export const longestDrawn = 60
export const mostDrawn = 200

/** A cross-section of copper, mm²; null for the least that its current asks for. */
const copperSchema = between(1, 300, 'mm²').nullable()

const modulePlaceSchema = z.string().regex(/^[\w-]{1,64}\/\d{1,3}:\d{1,3}$/, ruleMessage('module-place'))

/** As many inverters as an option may have beside each other, all of one kind. */
export const mostInverters = 6
/** Inputs of all of them together that a string may be drawn for. */
const mostInputs = mostInverters * mostMppInputs

/** A string that was drawn by hand; of microinverters, a branch. */
const drawnSchema = z.strictObject({
  /** Input from 0, those of the second inverter after all of the first; null for the next one that is free. */
  input: wholeBetween(0, mostInputs - 1).nullable(),
  /** From plus to minus. Those that are no longer laid stay until somebody leaves them out. */
  panelIds: z.array(modulePlaceSchema).min(1).max(longestDrawn),
})
export type DrawnString = DeepReadonly<z.infer<typeof drawnSchema>>

const eachOnce = (drawn: readonly DrawnString[]): boolean => {
  const ids = drawn.flatMap(({ panelIds }) => panelIds)
  return new Set(ids).size === ids.length
}

const partPrice = between(0, 1e6).nullable()
const partUnits = ['piece', 'm'] as const

/** What somebody knows better of a line of the parts list, which is counted all the same. */
const partChangeSchema = z.strictObject({
  /** The line's code, and what it is of where that has a data sheet. */
  part: z.string().regex(/^[a-z0-9-]{1,40}(\/[a-z0-9-]{1,64})?$/),
  /** There already, and not to be brought. */
  onSite: z.boolean(),
  /** Null for what is counted, and for the list price. */
  count: between(0, 100_000).nullable(),
  price: partPrice,
})

/** A line that nothing drawn asks for. */
const ownPartSchema = z.strictObject({
  name: nameSchema,
  count: between(0, 100_000),
  unit: z.enum(partUnits),
  price: partPrice,
})
export type OwnPart = DeepReadonly<z.infer<typeof ownPartSchema>>

/** As many modules as may be told apart from the others. */
export const mostOptimizersAt = 2000

export const mostPartChanges = 100
export const mostOwnParts = 60

/** The inverters and how the modules are strung to them. One to an option. */
export const electricalSchema = z.strictObject({
  id: z.literal(electricalId),
  kind: z.literal('electrical'),
  inverterId: idSchema,
  /** So many of them side by side; microinverters are as many as the modules need. */
  inverterCount: wholeBetween(1, mostInverters),
  /** At the modules; null for none. A microinverter needs none. */
  optimizerId: idSchema.nullable(),
  /**
   * Modules that have one, where it is of those that may stand at some; null for every module. Those that are no longer
   * laid count for nothing.
   */
  optimizersAt: z.array(modulePlaceSchema).max(mostOptimizersAt).nullable(),
  /** Greatest number of modules in a string or of microinverters on a branch; null lets what they bear decide. */
  modulesPerString: wholeBetween(1, 60).nullable(),
  /** What is drawn by hand; all other modules are strung automatically on the inputs that are left. */
  drawn: z.array(drawnSchema).max(mostDrawn).refine(eachOnce, ruleMessage('module-strung-twice')),
  /** Where the inverter and the batteries hang; null as long as nobody has said. Microinverters need no place. */
  inverterAt: wallPlaceSchema.nullable(),
  batteryAt: wallPlaceSchema.nullable(),
  /** Where the cables of the strings come down; null for the shortest way of each. */
  cablesDownAt: wallPlaceSchema.nullable(),
  /** Of the cables of strings, and from the inverter to the load centre. */
  dcMm2: copperSchema,
  acMm2: copperSchema,
  partChanges: z.array(partChangeSchema).max(mostPartChanges),
  ownParts: z.array(ownPartSchema).max(mostOwnParts),
})
export type Electrical = DeepReadonly<z.infer<typeof electricalSchema>>

/** Before anything is placed. */
const unplaced = { inverterAt: null, batteryAt: null, cablesDownAt: null, dcMm2: null, acMm2: null } as const

/** What is of one house alone, as it is before anything is drawn there. */
export const ofNoHouse = {
  drawn: [],
  optimizersAt: null,
  ...unplaced,
  partChanges: [],
  ownParts: [],
} as const

export const electricalVersion = 6
export const electricalMigrations = [
  (value: Record<string, unknown>) => ({ ...value, optimizerId: null }),
  (value: Record<string, unknown>) => ({ ...value, drawn: [] }),
  (value: Record<string, unknown>) => ({ ...value, ...unplaced, partChanges: [], ownParts: [] }),
  (value: Record<string, unknown>) => ({ ...value, optimizersAt: null }),
  (value: Record<string, unknown>) => ({ ...value, inverterCount: 1 }),
]

export const defaultElectrical: Electrical = {
  id: electricalId,
  kind: 'electrical',
  inverterId: 'halyard-7600',
  inverterCount: 1,
  optimizerId: null,
  modulesPerString: null,
  ...ofNoHouse,
}
