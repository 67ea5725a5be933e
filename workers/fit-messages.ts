import { type FoundAround } from '@/core/fit/around'
import { type OutlinesFor } from '@/core/fit/whose-outline'
import { type LatLon } from '@/core/geometry/geo'
import { type Vec2 } from '@/core/geometry/vector'
import { type FaultDetail } from '@/core/model/fault'

/** What is asked of a worker that reads the buildings in a height raster. */
export interface FitRequest extends OutlinesFor {
  readonly type: 'fit'
  readonly heights: ArrayBuffer
  /** What the raster is called. */
  readonly file: string
  /** Another raster: of surfaces and bare ground each has one. */
  readonly second: { readonly heights: ArrayBuffer; readonly file: string } | null
  readonly site: LatLon
  /** By how much what it shows is shifted east and north, m. */
  readonly shiftM: Vec2
}

/** How far a fit has come, and what became of it. */
export type FitAnswer =
  | { readonly share: number }
  | { readonly found: FoundAround; readonly fault: null }
  | { readonly found: null; readonly fault: FaultDetail }
