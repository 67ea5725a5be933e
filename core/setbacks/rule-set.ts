import { z } from 'zod'
import { idSchema, nameSchema, shareSchema, type DeepReadonly } from '../model/object-base'
import { between, wholeBetween } from '../model/rules'

const distance = between(0, 10, 'm')

/** Things on a roof that a strip is kept free around, by their kinds. */
export const obstructionKinds = ['chimney', 'skylight', 'fixture', 'dormer'] as const

/** What an authority asks of modules on a roof: distances from the edges of planes, ways across the roof, room around things. */
export const ruleFields = {
  name: nameSchema,
  authority: z.string().max(120),
  /** From the edges of pitched planes, by the edges' kinds. */
  edgesM: z.strictObject({
    eave: distance,
    ridge: distance,
    hip: distance,
    valley: distance,
    rake: distance,
    wall: distance,
  }),
  /** From all edges of roofs flatter than `flatBelowDeg` but walls; null where the others hold there too. */
  flatM: distance.nullable(),
  /** The distance from ridges where modules cover more than this share of the roof. */
  crowded: z.strictObject({ overShare: shareSchema, ridgeM: distance }).nullable(),
  /** Ways from eave to ridge: how wide, on how many planes of the roof, and whether beside every array. */
  pathways: z
    .strictObject({ widthM: between(0.3, 5, 'm'), planes: wholeBetween(0, 10), besideArrays: z.boolean() })
    .nullable(),
  /** Room around what stands on the roof, by its kind. */
  clearancesM: z.strictObject({ chimney: distance, skylight: distance, fixture: distance, dormer: distance }),
} as const

/** A set of rules as a catalogue has it. */
export const ruleSetSchema = z.object({
  id: idSchema,
  ...ruleFields,
  /** What the authority wants to see before it lets somebody build, by `permitItems` or in its own words; all that is usual where it has not said. */
  asks: z.array(z.string().max(120)).max(60).exactOptional(),
})
export type RuleSet = DeepReadonly<z.infer<typeof ruleSetSchema>>
