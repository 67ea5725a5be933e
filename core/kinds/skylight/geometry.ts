import { columnsUnder } from '../../geometry/body'
import { add3, cross3, scale3, unit3, type Vec3 } from '../../geometry/vector'
import { Fault } from '../../model/fault'
import { planOf } from '../../roof/plane'
import { emptyGeometry, type Geometry, type Stroke, type Surface } from '../standing'
import { type Skylight } from './skylight'

type Shape = Omit<Skylight, 'id' | 'name' | 'kind'>

/** The roof plane under the middle of the foot. */
export interface Ground {
  readonly normal: Vec3
  /** Height over the middle of the foot. */
  readonly heightM: number
}

/** Width of the frame around the glass, and how much lower the glass lies. */
const frameM = 0.07
const glassBelowM = 0.01

/** Axes of a plane: along the eave to the right, up the slope. */
function axesOf(normal: Vec3): { readonly right: Vec3; readonly up: Vec3 } {
  const [x, y, z] = normal
  const level = Math.hypot(x, y)
  // On the level the slope's way is north.
  const up: Vec3 = level < 1e-9 ? [0, 1, 0] : unit3([-x * z, -y * z, level * level])
  return { right: cross3(up, normal), up }
}

/** Corners of a rectangle on a plane: right and left of the middle, below and above it, and out of the plane. */
function rectangle(middle: Vec3, normal: Vec3, widthM: number, lengthM: number, outM: number): Vec3[] {
  const { right, up } = axesOf(normal)
  const corner = (across: number, along: number): Vec3 =>
    add3(
      add3(middle, scale3(normal, outM)),
      add3(scale3(right, (across * widthM) / 2), scale3(up, (along * lengthM) / 2)),
    )
  return [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)]
}

/** Glass in a frame on an upstand. Where no roof is under it, it lies on the ground and says so. */
export function skylightGeometry(skylight: Shape, ground: Ground | null): Geometry {
  const { center, widthM, lengthM, upstandM, clearanceM } = skylight
  const { normal, heightM } = ground ?? { normal: [0, 0, 1] as Vec3, heightM: 0 }
  const middle: Vec3 = [center[0], center[1], heightM]
  const foot = rectangle(middle, normal, widthM, lengthM, 0)
  const lid = rectangle(middle, normal, widthM, lengthM, upstandM)
  const inner = (side: number) => Math.max(side / 2, side - 2 * frameM)
  const glass = rectangle(middle, normal, inner(widthM), inner(lengthM), upstandM - glassBelowM)
  const surfaces: Surface[] = [{ corners: glass, tone: 'glass' }]
  const strokes: Stroke[] = []
  for (let i = 0; i < 4; i++) {
    const at = (corners: readonly Vec3[], k: number) => corners[k % 4] as Vec3
    surfaces.push(
      { corners: [at(lid, i), at(lid, i + 1), at(glass, i + 1), at(glass, i)], tone: 'frame' },
      { corners: [at(foot, i), at(foot, i + 1), at(lid, i + 1), at(lid, i)], tone: 'frame' },
    )
    strokes.push(
      { from: at(foot, i), to: at(lid, i), is: 'edge' },
      { from: at(lid, i), to: at(lid, i + 1), is: 'edge' },
      { from: at(glass, i), to: at(glass, i + 1), is: 'edge' },
    )
  }
  const base = planOf(foot)
  return {
    ...emptyGeometry,
    solids: columnsUnder(lid, Math.min(...foot.map(([, , z]) => z))),
    keepOuts: ground ? [{ base, clearanceM, topM: null }] : [],
    surfaces,
    strokes,
    plan: [{ points: base, tone: 'obstruction' }],
    topM: Math.max(...lid.map(([, , z]) => z)),
    fault: ground ? null : new Fault('off-roof', {}, 'center'),
  }
}

/** Middles of the right and of the upper side of the foot. */
export function gripsOf({ strokes }: Geometry): readonly [right: Vec3, upper: Vec3] | null {
  const [, a, b, c] = strokes.filter((_, k) => k % 3 === 0).map(({ from }) => from)
  return a && b && c ? [scale3(add3(a, b), 0.5), scale3(add3(b, c), 0.5)] : null
}
