import { z } from 'zod'
import { nameSchema, type DeepReadonly } from '../../model/object-base'
import { between, ruleMessage } from '../../model/rules'

export const lossesId = 'losses'

const share = between(0, 0.9, 'share')
const twelve = z.array(share).length(12, ruleMessage('twelve-months'))
export const mostOtherLosses = 8

/** Losses that no model of ours computes, each counted once, as shares of the energy that reaches it. */
export const lossesSchema = z.strictObject({
  id: z.literal(lossesId),
  kind: z.literal('losses'),
  /** By month, January first. */
  soiling: twelve,
  /** By month; where the weather has snow depth it is computed, and these do not count. */
  snow: twelve,
  /** Null: by the module's cells and tolerance, see `first-year.ts`. */
  lightInduced: share.nullable(),
  nameplate: share.nullable(),
  wiring: share,
  connections: share,
  availability: share,
  /** Whatever else the designer knows of. */
  other: z
    .array(z.strictObject({ name: nameSchema, share }))
    .max(mostOtherLosses, ruleMessage('most-losses', { limit: mostOtherLosses })),
})
export type Losses = DeepReadonly<z.infer<typeof lossesSchema>>

export const lossesVersion = 3
export const lossesMigrations = [
  // One share of dirt for the whole year becomes twelve; snow and losses of one's own are new.
  (value: Record<string, unknown>) => ({
    ...value,
    soiling: new Array(12).fill(value['soiling']),
    snow: new Array(12).fill(0),
    other: [],
  }),
  // What was entered stays; only new losses are left to the module.
  (value: Record<string, unknown>) => value,
]

const everyMonth = (value: number): readonly number[] => new Array<number>(12).fill(value)

/** Defaults after Dobos 2014, NREL/TP-6A20-62641, table 5; shade and mismatch are computed, and what the module decides is left to it. */
export const defaultLosses: Losses = {
  id: lossesId,
  kind: 'losses',
  soiling: everyMonth(0.02),
  snow: everyMonth(0),
  lightInduced: null,
  nameplate: null,
  wiring: 0.02,
  connections: 0.005,
  availability: 0.01,
  other: [],
}
