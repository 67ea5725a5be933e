import { type AfterReport } from '@/core/after/report'
import { type Catalogue } from '@/core/electrical/catalogue'
import { type Objects } from '@/core/kinds/documents'
import { type MeterProblem } from '@/core/load/meter/reading'
import { type FaultDetail } from '@/core/model/fault'
import { type StationInfo } from '@/core/stages/world'

/** What is asked of a worker that holds what was made against what was promised. */
export interface AfterRequest {
  readonly type: 'after'
  readonly house: Objects
  readonly option: Objects
  readonly catalogue: Catalogue
  readonly station: StationInfo
  readonly weatherUrl: string
  /** Where the station's single years are, by `?year=`; null where nobody has them. */
  readonly recordUrl: string | null
  /** A table of a meter or of monitoring. */
  readonly file: ArrayBuffer
  /** When it began to run, hours since 1970; null for the first hour measured. */
  readonly sinceHour: number | null
}

export type AfterAnswer =
  | { readonly report: AfterReport; readonly problems: readonly MeterProblem[]; readonly fault: null }
  | { readonly report: null; readonly fault: FaultDetail }
