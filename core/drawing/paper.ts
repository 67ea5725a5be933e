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
      /** 0 for what is filled alone. */
      readonly widthMm: number
      readonly dashed?: boolean
      /** What it is filled with, from black at 0 to white at 1. */
      readonly fill?: number
    }
  | {
      readonly is: 'circle'
      readonly at: Vec2
      readonly radiusMm: number
      readonly widthMm: number
      readonly fill?: number
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
      /** Clockwise about `at`, degrees. */
      readonly turnDeg?: number
      /** White around the letters, to be read over lines. */
      readonly halo?: boolean
      /** White letters on a dark ground. */
      readonly white?: boolean
    }
  | {
      readonly is: 'picture'
      /** Its upper left corner. */
      readonly at: Vec2
      readonly widthMm: number
      readonly heightMm: number
      readonly jpeg: Jpeg
    }
)

/** A picture as a camera keeps it: three colours, baseline or progressive. */
export interface Jpeg {
  readonly bytes: Uint8Array
  readonly widthPx: number
  readonly heightPx: number
}

/** A drawing as it lies on paper: black on white. It is written as SVG, PDF and DXF alike. */
export interface PaperDrawing {
  readonly widthMm: number
  readonly heightMm: number
  readonly title: string
  readonly marks: readonly Mark[]
}

/** Marks at another place, larger or smaller: a point p comes to `at` + p × `scale`, letters and lines with it. */
export const placed = (marks: readonly Mark[], at: Vec2, scale = 1): Mark[] =>
  marks.map((mark): Mark => {
    const to = ([x, y]: Vec2): Vec2 => [at[0] + x * scale, at[1] + y * scale]
    switch (mark.is) {
      case 'line':
        return { ...mark, points: mark.points.map(to), widthMm: mark.widthMm * scale }
      case 'circle':
        return { ...mark, at: to(mark.at), radiusMm: mark.radiusMm * scale, widthMm: mark.widthMm * scale }
      case 'text':
        return { ...mark, at: to(mark.at), sizeMm: mark.sizeMm * scale }
      case 'picture':
        return {
          ...mark,
          at: to(mark.at),
          widthMm: mark.widthMm * scale,
          heightMm: mark.heightMm * scale,
        }
    }
  })
