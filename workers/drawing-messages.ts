import { type LineDrawing } from '@/core/imports/line-drawing'
import { type FaultDetail } from '@/core/model/fault'

/** What became of a drawing. */
export type DrawingAnswer =
  | { readonly drawing: LineDrawing; readonly fault: null }
  | { readonly drawing: null; readonly fault: FaultDetail }
