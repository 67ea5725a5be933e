/** A plane as a height over the plan: z = c + a x + b y. */
export interface Flat {
  readonly a: number
  readonly b: number
  readonly c: number
}

export const heightOn = ({ a, b, c }: Flat, x: number, y: number): number => c + a * x + b * y

/** Running sums of points, from which the plane of least squares follows at any time. */
export class Sums {
  n = 0
  private x = 0
  private y = 0
  private z = 0
  private xx = 0
  private xy = 0
  private yy = 0
  private xz = 0
  private yz = 0
  private zz = 0

  add(x: number, y: number, z: number): void {
    this.n += 1
    this.x += x
    this.y += y
    this.z += z
    this.xx += x * x
    this.xy += x * y
    this.yy += y * y
    this.xz += x * z
    this.yz += y * z
    this.zz += z * z
  }

  addAll(other: Sums): void {
    this.n += other.n
    this.x += other.x
    this.y += other.y
    this.z += other.z
    this.xx += other.xx
    this.xy += other.xy
    this.yy += other.yy
    this.xz += other.xz
    this.yz += other.yz
    this.zz += other.zz
  }

  private centred() {
    const { n, x, y, z } = this
    const [mx, my, mz] = [x / n, y / n, z / n]
    return {
      mx,
      my,
      mz,
      xx: this.xx - n * mx * mx,
      xy: this.xy - n * mx * my,
      yy: this.yy - n * my * my,
      xz: this.xz - n * mx * mz,
      yz: this.yz - n * my * mz,
      zz: this.zz - n * mz * mz,
    }
  }

  /** The plane of least squares; null where the points lie in one line, or are fewer than three. */
  flat(): Flat | null {
    if (this.n < 3) return null
    const { mx, my, mz, xx, xy, yy, xz, yz } = this.centred()
    const area = xx * yy - xy * xy
    if (area < 1e-9 * (xx + yy) ** 2) return null
    const a = (xz * yy - yz * xy) / area
    const b = (yz * xx - xz * xy) / area
    return { a, b, c: mz - a * mx - b * my }
  }

  /** The plane of least squares that rises along a direction of the plan alone; null where nothing says how steeply. */
  flatAlong(ux: number, uy: number): Flat | null {
    if (this.n < 2) return null
    const { mx, my, mz, xx, xy, yy, xz, yz } = this.centred()
    const spread = ux * ux * xx + 2 * ux * uy * xy + uy * uy * yy
    if (spread < 1e-9) return null
    const rise = (ux * xz + uy * yz) / spread
    return { a: rise * ux, b: rise * uy, c: mz - rise * (ux * mx + uy * my) }
  }

  /** The plane of a given slope that lies amid the points. */
  flatOfSlope(a: number, b: number): Flat {
    return { a, b, c: (this.z - a * this.x - b * this.y) / this.n }
  }

  /** Sum of squared distances from a plane, upright, m2. */
  squares({ a, b, c }: Flat): number {
    const { n, x, y, z, xx, xy, yy, xz, yz, zz } = this
    const sum =
      zz +
      a * a * xx +
      b * b * yy +
      c * c * n +
      2 * (a * b * xy + a * c * x + b * c * y - a * xz - b * yz - c * z)
    return Math.max(0, sum)
  }

  /** Standard deviation of the rise along a direction of the plan, for points with this scatter, m. */
  riseSpread(ux: number, uy: number, scatterM: number): number {
    const { xx, xy, yy } = this.centred()
    return scatterM / Math.sqrt(Math.max(1e-9, ux * ux * xx + 2 * ux * uy * xy + uy * uy * yy))
  }

  /** Standard deviation of the direction that the plane rises in, rad, for points with this scatter, m. */
  directionSpreadRad({ a, b }: Flat, scatterM: number): number {
    const { xx, xy, yy } = this.centred()
    const steep = Math.hypot(a, b)
    if (steep < 1e-6) return Math.PI
    // Across the rise, where a wrong slope turns it.
    const [vx, vy] = [-b / steep, a / steep]
    const area = xx * yy - xy * xy
    const variance = (vx * vx * yy - 2 * vx * vy * xy + vy * vy * xx) / Math.max(area, 1e-12)
    return (scatterM * Math.sqrt(variance)) / steep
  }
}
