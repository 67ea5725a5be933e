import { z } from 'zod'
import { type ObjectBase, type ObjectKind } from '../object-kind'

/** Losses that no model of ours computes, each counted once, as shares of the energy that reaches it. */
export interface Losses extends ObjectBase {
  readonly kind: 'losses'
  readonly soiling: number
  readonly lightInduced: number
  readonly nameplate: number
  readonly wiring: number
  readonly connections: number
  readonly availability: number
}

export const lossesId = 'losses'

const share = z.number().min(0, 'not below 0 %').max(0.9, 'at most 90 %')

export const lossesKind: ObjectKind<Losses> = {
  kind: 'losses',
  document: 'option',
  schema: z.strictObject({
    id: z.literal(lossesId),
    kind: z.literal('losses'),
    soiling: share,
    lightInduced: share,
    nameplate: share,
    wiring: share,
    connections: share,
    availability: share,
  }),
  version: 1,
  migrations: [],
}

/** Defaults after Dobos 2014, "PVWatts version 5 manual", NREL/TP-6A20-62641, table 5; shade and mismatch are computed. */
export const defaultLosses: Losses = {
  id: lossesId,
  kind: 'losses',
  soiling: 0.02,
  lightInduced: 0.015,
  nameplate: 0.01,
  wiring: 0.02,
  connections: 0.005,
  availability: 0.01,
}
