import { Clipper, EndType, FillRule, JoinType } from 'clipper2-ts'
import { nearestOnSegment, signedArea } from '../../geometry/polygon'
import { cross2, sub2, unit2, type Vec2 } from '../../geometry/vector'
import { Fault } from '../../model/fault'
import { round } from '../place'
import { defaultPitchDeg, type RoofEdge, type Volume } from './volume'

/** Clipper works in whole numbers: tenths of a millimetre. */
const perMetre = 10_000
/** Outlines with no more between them than twice this are meant to touch, m. */
const gapM = 0.01
/** A corner nearer to the line of its neighbours than this is none, m. */
const straightM = 2e-3
/** A side that lies this near to one of an original is that one, m. */
const sameM = 0.02
const sameWay = 0.02
/** Corners keep their point up to this many times the gap. */
const miter = 20

/** Several buildings as one, and where the sides of each have gone. */
export interface Joined {
  readonly fields: Pick<Volume, 'outline' | 'edges' | 'planeNames'>
  /** The side that has become of a side of one of the buildings, by their numbers from 0; null where it is gone. */
  readonly sideAfter: (building: number, side: number) => number | null
}

/**
 * Makes buildings that touch or overlap into one with a single outline; every side keeps what its roof does there.
 * @throws Fault `eaves-unlike`, `roofs-unlike`, `outlines-apart`, `outline-round-court`
 */
export function joinVolumes(volumes: readonly Volume[]): Joined {
  const [first] = volumes
  if (!first) throw new Fault('gone')
  if (volumes.some(({ eaveHeightM }) => Math.abs(eaveHeightM - first.eaveHeightM) > straightM))
    throw new Fault('eaves-unlike')
  if (volumes.some(({ flat }) => (flat === null) !== (first.flat === null))) throw new Fault('roofs-unlike')
  const outline = unionOf(volumes.map((volume) => volume.outline))
  const sides = sidesOf(outline)
  const originals = volumes.map((volume) => sidesOf(volume.outline))
  const edges = sides.map((side): RoofEdge => {
    for (const [v, own] of originals.entries()) {
      const at = own.findIndex((original) => liesOn(side, original))
      const edge = at < 0 ? undefined : volumes[v]?.edges[at]
      if (edge) return edge
    }
    return { pitchDeg: defaultPitchDeg }
  })
  const sideAfter = (building: number, side: number): number | null => {
    const original = originals[building]?.[side]
    const at = original ? sides.findIndex((own) => liesOn(own, original)) : -1
    return at < 0 ? null : at
  }
  // Where two planes become one, the name of the first building's holds.
  const names = volumes.flatMap(({ planeNames = {} }, building) =>
    Object.entries(planeNames).flatMap(([key, name]) => {
      const [side, step] = key.split(':')
      const at = sideAfter(building, Number(side))
      return at === null ? [] : [[`${at}:${step}`, name] as const]
    }),
  )
  const planeNames = Object.fromEntries(names.toReversed())
  return { fields: { outline, edges, planeNames }, sideAfter }
}

type Side = readonly [Vec2, Vec2]

const sidesOf = (outline: readonly Vec2[]): Side[] =>
  outline.map((a, i) => [a, outline[(i + 1) % outline.length] ?? a])

/** Whether two sides run the same way over the same ground. */
function liesOn([a, b]: Side, [c, d]: Side): boolean {
  const [way, other] = [unit2(sub2(b, a)), unit2(sub2(d, c))]
  if (Math.abs(cross2(way, other)) > sameWay || way[0] * other[0] + way[1] * other[1] < 0) return false
  const middle: Vec2 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]
  const back: Vec2 = [(c[0] + d[0]) / 2, (c[1] + d[1]) / 2]
  return nearestOnSegment(c, d, middle).distanceM < sameM || nearestOnSegment(a, b, back).distanceM < sameM
}

/**
 * The outline round all of them, counter-clockwise, without corners that are none.
 * @param courts what is done about ground that they go around
 * @throws Fault `outlines-apart`, `outline-round-court`
 */
export function unionOf(
  outlines: readonly (readonly Vec2[])[],
  courts: 'refused' | 'built over' = 'refused',
): Vec2[] {
  const paths = outlines.map((outline) =>
    outline.map(([x, y]) => ({ x: Math.round(x * perMetre), y: Math.round(y * perMetre) })),
  )
  const grown = (path: typeof paths, by: number) =>
    Clipper.inflatePaths(path, by * perMetre, JoinType.Miter, EndType.Polygon, miter)
  const rings = grown(Clipper.union(grown(paths, gapM), FillRule.NonZero), -gapM)
    .map((ring) => ring.map(({ x, y }): Vec2 => [round(x / perMetre), round(y / perMetre)]))
    .filter((ring) => Math.abs(signedArea(ring)) > gapM)
  const [ring, ...others] = rings.filter((one) => signedArea(one) > 0)
  if (!ring || others.length > 0) throw new Fault('outlines-apart')
  if (rings.length > 1 && courts === 'refused') throw new Fault('outline-round-court')
  return straight(ring)
}

function straight(ring: readonly Vec2[]): Vec2[] {
  const kept = [...ring]
  // One at a time: of two corners that are all but one, one has to stay.
  for (let i = 0; i < kept.length && kept.length > 3;) {
    const [a, p, c] = [kept[(i + kept.length - 1) % kept.length], kept[i], kept[(i + 1) % kept.length]]
    if (a && p && c && nearestOnSegment(a, c, p).distanceM <= straightM) {
      kept.splice(i, 1)
      i = Math.max(0, i - 1)
    } else i++
  }
  return kept
}
