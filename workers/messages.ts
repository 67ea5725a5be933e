import { type Catalogue } from '@/core/electrical/catalogue'
import { type FaultDetail } from '@/core/model/fault'
import { type Objects } from '@/core/model/document'
import { type RunSummary } from '@/core/pipeline/summary'

/** Refused when it differs: page and worker were loaded from different versions. */
export const protocolVersion = 2

export interface RunRequest {
  readonly type: 'run'
  readonly protocol: number
  readonly id: number
  readonly house: Objects
  /** The one on the screen first. */
  readonly options: readonly { readonly id: string; readonly objects: Objects }[]
  readonly catalogue: Catalogue
  readonly station: {
    readonly id: string
    readonly name: string
    readonly distanceM: number
    readonly elevationM: number
    readonly yearSpread: number | null
    readonly standsIn: boolean
  }
  readonly weatherUrl: string
}

export type WorkerRequest = RunRequest

export type WorkerAnswer =
  | {
      readonly type: 'result'
      readonly id: number
      readonly optionId: string
      readonly summary: RunSummary
      readonly milliseconds: number
    }
  | {
      readonly type: 'fault'
      readonly id: number
      readonly optionId: string | null
      readonly fault: FaultDetail
    }
  | { readonly type: 'idle'; readonly id: number }
