import { type Catalogue } from '@/core/electrical/catalogue'
import { type Objects } from '@/core/kinds/documents'
import { type FaultDetail } from '@/core/model/fault'
import { type Candidate } from '@/core/readers/best-of'
import { type StationInfo } from '@/core/stages/world'

/** What is asked of a worker that looks for the ways to do an option. */
export interface BestRequest {
  readonly type: 'best'
  readonly house: Objects
  readonly option: Objects
  readonly catalogue: Catalogue
  readonly station: StationInfo
  readonly weatherUrl: string
}

/** How far the search has come, and what it found. */
export type BestAnswer =
  | { readonly share: number }
  | { readonly candidates: readonly Candidate[]; readonly fault: null }
  | { readonly candidates: null; readonly fault: FaultDetail }
