/** Least and greatest x, least and greatest y. */
export type Extent = readonly [number, number, number, number]

/** Rows of points: those from `first` to `last` lie at y = `start` + `step` row. */
export interface Rows {
  start: number
  step: number
  first: number
  last: number
}

/**
 * Something before a receiving plane that throws a convex shadow on it, for one direction of the light at a time. In the
 * plane's coordinates.
 */
export interface Shadow {
  /** About where the shadow lies. */
  readonly extent: Extent
  /**
   * @param dx towards the light, with `dy` and `dz` a unit vector
   * @param kx how far the shadow of a point moves along x for each metre that it is before the plane; `ky` along y
   * @param within as `extent`
   * @returns whether the shadow may reach into `within`; only then its extent and spans are to be asked for
   */
  turnTo(dx: number, dy: number, dz: number, kx: number, ky: number, within: Extent): boolean
  /** Writes where the shadow begins and ends on each of the rows; the end before the beginning where it isn't. */
  spans(rows: Rows, from: Float64Array, to: Float64Array): void
}
