import { Clipper, EndType, FillRule, JoinType, type Path64, type Paths64 } from 'clipper2-ts'
import { type Vec2 } from '../geometry/vector'
import { type Field } from './free-runs'
import { fieldOf, type LayRequest } from './lay'
import { frameOf, type PlaneFrame } from './plane-frame'

/** Clipper works in whole numbers: tenths of a millimetre. */
const perMetre = 10_000

const path = (points: readonly Vec2[]): Path64 =>
  points.map(([u, v]) => ({ x: Math.round(u * perMetre), y: Math.round(v * perMetre) }))

/** What barriers keep free: strips of their distances along them. */
const stripsOf = ({ barriers }: Field): Paths64 =>
  barriers
    .filter((barrier) => barrier.distanceM > 0)
    .flatMap((barrier) =>
      Clipper.inflatePaths(
        [path([barrier.from, barrier.to])],
        barrier.distanceM * perMetre,
        JoinType.Round,
        EndType.Round,
      ),
    )

/** What of a plane is left to modules, and what is kept free of them, as rings of tenths of a millimetre. */
function partsOf(field: Field): { readonly usable: Paths64; readonly free: Paths64 } {
  const whole = [path(field.polygon)]
  const plane = field.within ? Clipper.intersect(whole, [path(field.within)], FillRule.NonZero) : whole
  const holes = field.holes.map(path)
  const taken = [...stripsOf(field), ...holes]
  if (taken.length === 0) return { usable: plane, free: [] }
  const union = Clipper.union(taken, FillRule.NonZero)
  const free = Clipper.intersect(plane, union, FillRule.NonZero)
  return {
    usable: Clipper.difference(plane, union, FillRule.NonZero),
    free:
      holes.length === 0
        ? free
        : Clipper.difference(free, Clipper.union(holes, FillRule.NonZero), FillRule.NonZero),
  }
}

/** The part of a plane that may be covered at all: its polygon less the strips along borders and around obstructions, m². */
export const usableAreaM2 = (field: Field): number =>
  Math.abs(Clipper.areaPaths(partsOf(field).usable)) / perMetre ** 2

const pointsOf = (rings: Paths64): Vec2[][] =>
  rings.map((ring) => ring.map(({ x, y }): Vec2 => [x / perMetre, y / perMetre]))

/** A plane as modules see it, in its own coordinates; a point is inside where it lies in an odd number of rings. */
export interface PlaneParts {
  readonly frame: PlaneFrame
  /** Kept free although nothing stands there: strips along the plane's edges and around obstructions. */
  readonly free: readonly (readonly Vec2[])[]
  /** Left to modules. */
  readonly usable: readonly (readonly Vec2[])[]
}

/** What of a plane is kept free of modules, and what is left to them. */
export function planeParts(
  request: Pick<LayRequest, 'plane' | 'setbacksM' | 'obstructions' | 'within'>,
): PlaneParts {
  const frame = frameOf(request.plane)
  const { usable, free } = partsOf(fieldOf(request, frame))
  return { frame, free: pointsOf(free), usable: pointsOf(usable) }
}
