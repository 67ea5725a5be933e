import { type MeterYear } from '@/core/kinds/load/load'
import { type MeterProblem } from '@/core/load/meter/reading'
import { type FaultDetail } from '@/core/model/fault'

/** A meter's file as a job keeps it. */
export interface ReadMeter {
  readonly meter: Omit<MeterYear, 'name'>
  /** Of a year, as it was measured. */
  readonly annualKwh: number
  readonly problems: readonly MeterProblem[]
}

/** What became of a file. */
export type MeterAnswer =
  { readonly read: ReadMeter; readonly fault: null } | { readonly read: null; readonly fault: FaultDetail }
