import { type AfterReport } from '@/core/after/report'
import { type Catalogue } from '@/core/electrical/catalogue'
import { type Objects } from '@/core/kinds/documents'
import { type Production } from '@/core/kinds/production/production'
import { type MeterProblem } from '@/core/load/meter/reading'
import { type FaultDetail } from '@/core/model/fault'
import { type StationInfo } from '@/core/stages/world'

/** What is asked of a worker that reads a table of a meter or of monitoring. */
export interface MadeRequest {
  readonly type: 'made'
  readonly file: ArrayBuffer
  /** Of the file. */
  readonly name: string
}

export type MadeAnswer =
  | {
      /** As the job keeps it. */
      readonly production: Production
      /** Spans that are too old to be kept. */
      readonly leftOut: number
      readonly problems: readonly MeterProblem[]
      readonly fault: null
    }
  | { readonly production: null; readonly fault: FaultDetail }

/** What promised: a design as it is now, or the file of an offer as it was sent. */
export type Promising =
  { readonly house: Objects; readonly option: Objects } | { readonly offerFile: unknown }

/** What is asked of a worker that holds what was made against what was promised. */
export interface AfterRequest {
  readonly type: 'after'
  readonly promising: Promising
  readonly catalogue: Catalogue
  readonly station: StationInfo
  readonly weatherUrl: string
  /** Where the station's single years are, by `?year=`; null where nobody has them. */
  readonly recordUrl: string | null
  readonly production: Production
}

export type AfterAnswer =
  | {
      readonly report: AfterReport
      /** What the offer said of a year, kWh, and what its design gives today; null without an offer. */
      readonly stated: { readonly kwh: number; readonly nowKwh: number } | null
      readonly fault: null
    }
  | { readonly report: null; readonly fault: FaultDetail }
