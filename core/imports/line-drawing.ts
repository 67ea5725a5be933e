/** The longest name of a layer that is kept. */
export const longestLayerName = 120

/** Lines of one layer of a drawing. */
export interface DrawnLayer {
  readonly name: string
  /** Whether the drawing itself shows it. */
  readonly on: boolean
  /** Straight pieces, four numbers each: from x, from y, to x, to y, in the drawing's units right and up of its middle. */
  readonly pieces: Float64Array<ArrayBuffer>
}

/** A drawing as lines. */
export interface LineDrawing {
  /** How long a unit of it is; null where it does not say. */
  readonly metresPerUnit: number | null
  /** Extent of what it shows, in its units. */
  readonly width: number
  readonly height: number
  readonly layers: readonly DrawnLayer[]
  /** What was in it that is not drawn, by its sort: how many. */
  readonly leftOut: Readonly<Record<string, number>>
}
