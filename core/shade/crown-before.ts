import { type CrownBody } from '../geometry/body'
import { dot3, sub3, type Vec3 } from '../geometry/vector'
import { type ReceivingPlane } from './receiving-plane'
import { type Extent, type Rows, type Shadow } from './shadow'

/**
 * A crown before a receiving plane: casts its shadow for one direction at a time. In the space in which the crown is the
 * unit ball a ray from a point p meets it where |p|² - (p . l)² <= 1, l the light's direction there: along a row of
 * points a quadratic.
 */
export class CrownBefore implements Shadow {
  readonly extent: [number, number, number, number] = [0, 0, 0, 0]
  /** Products in the ball's space of the plane's origin (o), its x (a) and its y (b). */
  private readonly oo: number
  private readonly oa: number
  private readonly ob: number
  private readonly aa: number
  private readonly ab: number
  private readonly bb: number
  /** Of the same with the light. */
  private ol = 0
  private al = 0
  private bl = 0

  private constructor(
    private readonly scale: Vec3,
    private readonly origin: Vec3,
    private readonly across: Vec3,
    private readonly along: Vec3,
    /** Its middle by the plane's coordinates and the distance before it. */
    private readonly middle: Vec3,
    /** Whether the plane cuts it. */
    private readonly isCut: boolean,
  ) {
    this.oo = dot3(origin, origin)
    this.oa = dot3(origin, across)
    this.ob = dot3(origin, along)
    this.aa = dot3(across, across)
    this.ab = dot3(across, along)
    this.bb = dot3(along, along)
  }

  /** Null where nothing of it stands before the plane. */
  static of({ center, crownRadiusM, halfHeightM }: CrownBody, plane: ReceivingPlane): CrownBefore | null {
    const at = sub3(center, plane.origin)
    const before = dot3(at, plane.normal)
    const [nx, ny, nz] = plane.normal
    const reach = Math.hypot(crownRadiusM * nx, crownRadiusM * ny, halfHeightM * nz)
    if (before + reach <= 1e-6) return null
    const scale: Vec3 = [1 / crownRadiusM, 1 / crownRadiusM, 1 / halfHeightM]
    const scaled = ([x, y, z]: Vec3): Vec3 => [x * scale[0], y * scale[1], z * scale[2]]
    return new CrownBefore(
      scale,
      scaled(sub3(plane.origin, center)),
      scaled(plane.across),
      scaled(plane.along),
      [dot3(at, plane.toX), dot3(at, plane.toY), before],
      before - reach < 0,
    )
  }

  turnTo(dx: number, dy: number, dz: number, kx: number, ky: number, within: Extent): boolean {
    const { scale, origin, across, along, middle, extent } = this
    let lx = dx * scale[0]
    let ly = dy * scale[1]
    let lz = dz * scale[2]
    const length = Math.sqrt(lx * lx + ly * ly + lz * lz)
    lx /= length
    ly /= length
    lz /= length
    const al = across[0] * lx + across[1] * ly + across[2] * lz
    const bl = along[0] * lx + along[1] * ly + along[2] * lz
    this.al = al
    this.bl = bl
    this.ol = origin[0] * lx + origin[1] * ly + origin[2] * lz
    // The shadow of a crown that the plane does not cut is the ellipse A x² + 2 B x y + C y² <= 1 round its middle's.
    const a = this.aa - al * al
    const b = this.ab - al * bl
    const c = this.bb - bl * bl
    const area = a * c - b * b
    if (this.isCut || !(area > 1e-18)) {
      extent[0] = -Infinity
      extent[1] = Infinity
      extent[2] = -Infinity
      extent[3] = Infinity
      return true
    }
    const x = middle[0] - kx * middle[2]
    const y = middle[1] - ky * middle[2]
    const halfX = Math.sqrt(c / area)
    const halfY = Math.sqrt(a / area)
    extent[0] = x - halfX
    extent[1] = x + halfX
    extent[2] = y - halfY
    extent[3] = y + halfY
    return (
      extent[0] <= within[1] && extent[1] >= within[0] && extent[2] <= within[3] && extent[3] >= within[2]
    )
  }

  spans({ start, step, first, last }: Rows, from: Float64Array, to: Float64Array): void {
    for (let row = first; row <= last; row++) this.spanAt(start + step * row, from, to, row)
  }

  private spanAt(y: number, from: Float64Array, to: Float64Array, row: number): void {
    const { al, bl, ol } = this
    // p = o + y b + x a: products of its part without x.
    const pp = this.oo + 2 * y * this.ob + y * y * this.bb
    const pa = this.oa + y * this.ab
    const pl = ol + y * bl
    const square = this.aa - al * al
    const half = pa - pl * al
    const under = half * half - square * (pp - pl * pl - 1)
    const root = Math.sqrt(under)
    let low = under >= 0 ? (-half - root) / square : Infinity
    let high = under >= 0 ? (-half + root) / square : -Infinity
    if (this.isCut) {
      // Of the rays whose line meets the crown, those that have it before them...
      if (al > 0) high = Math.min(high, -pl / al)
      else if (al < 0) low = Math.max(low, -pl / al)
      else if (pl >= 0) high = -Infinity
      // ... and those that begin in it.
      const inside = pa * pa - this.aa * (pp - 1)
      if (inside >= 0) {
        const reach = Math.sqrt(inside)
        const begin = (-pa - reach) / this.aa
        const end = (-pa + reach) / this.aa
        const isNone = low > high
        low = isNone ? begin : Math.min(low, begin)
        high = isNone ? end : Math.max(high, end)
      }
    }
    from[row] = low
    to[row] = high
  }
}
