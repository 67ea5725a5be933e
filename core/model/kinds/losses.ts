import { z } from 'zod'
import { nameSchema, type ObjectBase, type ObjectKind } from '../object-kind'

/** Losses that no model of ours computes, each counted once, as shares of the energy that reaches it. */
export interface Losses extends ObjectBase {
  readonly kind: 'losses'
  /** By month, January first. */
  readonly soiling: readonly number[]
  /** By month; where the weather has snow depth it is computed, and these do not count. */
  readonly snow: readonly number[]
  readonly lightInduced: number
  readonly nameplate: number
  readonly wiring: number
  readonly connections: number
  readonly availability: number
  /** Whatever else the designer knows of. */
  readonly other: readonly { readonly name: string; readonly share: number }[]
}

export const lossesId = 'losses'

const share = z.number().min(0, 'not below 0 %').max(0.9, 'at most 90 %')
const twelve = z.array(share).length(12, 'twelve months, January first')
export const mostOtherLosses = 8

export const lossesKind: ObjectKind<Losses> = {
  kind: 'losses',
  document: 'option',
  schema: z.strictObject({
    id: z.literal(lossesId),
    kind: z.literal('losses'),
    soiling: twelve,
    snow: twelve,
    lightInduced: share,
    nameplate: share,
    wiring: share,
    connections: share,
    availability: share,
    other: z
      .array(z.strictObject({ name: nameSchema, share }))
      .max(mostOtherLosses, `at most ${mostOtherLosses} losses of your own`),
  }),
  version: 2,
  migrations: [
    // One share of dirt for the whole year becomes twelve; snow and losses of one's own are new.
    (value) => ({
      ...value,
      soiling: new Array(12).fill(value['soiling']),
      snow: new Array(12).fill(0),
      other: [],
    }),
  ],
}

const everyMonth = (value: number): readonly number[] => new Array<number>(12).fill(value)

/** Defaults after Dobos 2014, "PVWatts version 5 manual", NREL/TP-6A20-62641, table 5; shade and mismatch are computed. */
export const defaultLosses: Losses = {
  id: lossesId,
  kind: 'losses',
  soiling: everyMonth(0.02),
  snow: everyMonth(0),
  lightInduced: 0.015,
  nameplate: 0.01,
  wiring: 0.02,
  connections: 0.005,
  availability: 0.01,
  other: [],
}
