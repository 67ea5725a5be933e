import { type Vec2 } from '../geometry/vector'

/** A mark on paper: millimetres from the upper left corner, x to the right and y down. */
export type Mark = {
  /** What it belongs to, for those who draw on; upper case and hyphens. */
  readonly layer: string
} & (
  | {
      readonly is: 'line'
      readonly points: readonly Vec2[]
      readonly closed?: boolean
      readonly widthMm: number
      readonly dashed?: boolean
      readonly filled?: boolean
    }
  | {
      readonly is: 'circle'
      readonly at: Vec2
      readonly radiusMm: number
      readonly widthMm: number
      readonly filled?: boolean
    }
  | {
      readonly is: 'text'
      /** On the foot line of the letters. */
      readonly at: Vec2
      readonly text: string
      /** Height of a line of such letters. */
      readonly sizeMm: number
      readonly anchor: 'start' | 'middle' | 'end'
      readonly bold?: boolean
    }
)

/** A drawing as it lies on paper: black on white. It is written as SVG, PDF and DXF alike. */
export interface PaperDrawing {
  readonly widthMm: number
  readonly heightMm: number
  readonly title: string
  readonly marks: readonly Mark[]
}
