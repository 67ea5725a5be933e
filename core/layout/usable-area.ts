import { FillRule, JoinType, EndType, Clipper } from 'clipper2-ts'
import { type Vec2 } from '../geometry/vector'
import { type Field } from './free-runs'

/** Clipper works in whole numbers: tenths of a millimetre. */
const perMetre = 10_000

/** The part of a plane that may be covered at all: its polygon less the strips along borders and around obstructions. */
export function usableAreaM2(field: Field): number {
  const path = (points: readonly Vec2[]) =>
    points.map(([u, v]) => ({ x: Math.round(u * perMetre), y: Math.round(v * perMetre) }))
  const strips = field.barriers
    .filter((barrier) => barrier.distanceM > 0)
    .flatMap((barrier) =>
      Clipper.inflatePaths(
        [path([barrier.from, barrier.to])],
        barrier.distanceM * perMetre,
        JoinType.Round,
        EndType.Round,
      ),
    )
  const taken = [...strips, ...field.holes.map(path)]
  const left =
    taken.length === 0
      ? [path(field.polygon)]
      : Clipper.difference([path(field.polygon)], Clipper.union(taken, FillRule.NonZero), FillRule.NonZero)
  return Math.abs(Clipper.areaPaths(left)) / perMetre ** 2
}
