import { type Vec2, type Vec3 } from '../geometry/vector'
import { feetUnder } from './feet'
import { spanUnder, type Railed } from './mounting'
import { type Pressures } from './pressures'
import { turned, type Run } from './rows'
import { type WindZone } from './wind'

/** Where a foot stands and what it bears. */
export interface Foot {
  readonly at: Vec3
  readonly zone: WindZone
  /** Across the roof, away from it and onto it, kN. */
  readonly upKn: number
  readonly downKn: number
}

/** A rail from end to end, however many pieces it is of. */
export interface Rail {
  readonly ends: readonly [Vec3, Vec3]
  readonly lengthM: number
  readonly feet: readonly Foot[]
  /** Between feet and beyond the last one, with what is allowed of each, m. */
  readonly spanM: number
  readonly spanLimitM: number
  readonly overhangM: number
  readonly overhangLimitM: number
  /** Between pieces. */
  readonly splices: readonly Vec3[]
}

/** What a rail is laid out on: a plane in the rows' coordinates. */
export interface Ground {
  readonly mounting: Railed
  /** Of the rows against the plane. */
  readonly turn: number
  /** Places of rafters or seams along the eave, ascending, and how far apart they are, m. */
  readonly rafters: readonly number[]
  readonly apartM: number
  /** A foot on every so many of them; null for as few feet as hold. */
  readonly every: number | null
  /** By a point of the plane: whether it lies on it, and in which zone. */
  readonly isOn: (p: Vec2) => boolean
  readonly zoneAt: (p: Vec2) => WindZone
  readonly pressureIn: (zone: WindZone) => Pressures
  /** From the rows' coordinates. */
  readonly inSpace: (p: Vec2) => Vec3
}

/** How far into a module from its edge the rails run, as a share of it: where most makers let long sides be clamped. */
const railShare = 0.22
/** Zones are asked for this often along a rail: they are wider than that, m. */
const probeM = 0.4

/** Where the lower and the upper rail of a run lie. */
export const linesUnder = ({ lowM, highM }: Run): readonly [number, number] => [
  lowM + railShare * (highM - lowM),
  highM - railShare * (highM - lowM),
]

/** One of the two rails under a run: the lower one bears the lower half of its modules, the upper one the upper half. */
export function railUnder(run: Run, which: 'lower' | 'upper', ground: Ground): Rail {
  const { mounting, turn, apartM, every, pressureIn, inSpace } = ground
  const { rail, foot, endM } = mounting
  const { fromM, toM, lowM, highM } = run
  const y = linesUnder(run)[which === 'lower' ? 0 : 1]
  const halfM = (highM - lowM) / 2
  const bears = which === 'lower' ? [lowM, lowM + halfM] : [lowM + halfM, highM]
  const zonesIn = zonesAlong(fromM, toM, (x) =>
    bears.map((across) => ground.zoneAt(turned([x, across], -turn))),
  )
  const worst = (zones: readonly WindZone[], side: keyof Pressures) =>
    Math.max(0, ...zones.map((zone) => pressureIn(zone)[side]))

  const all = zonesIn(fromM, toM)
  const [upKnPerM, downKnPerM] = [worst(all, 'upKpa') * halfM, worst(all, 'downKpa') * halfM]
  const spanLimitM = spanUnder(rail, Math.max(upKnPerM, downKnPerM))
  const held = (strengthKn: number, loadKnPerM: number) =>
    loadKnPerM > 0 ? strengthKn / loadKnPerM : Infinity
  const heldM = Math.min(spanLimitM, held(foot.upKn, upKnPerM), held(foot.downKn, downKnPerM))
  // A rail that is turned crosses what runs up the plane less often.
  const stepM = apartM / Math.cos(turn)
  const spanM = every === null ? Math.max(stepM, heldM) : every * stepM
  const overhangM = rail.overhang * Math.min(spanLimitM, spanM)
  const places = ground.rafters
    .map((u) => (u + y * Math.sin(turn)) / Math.cos(turn))
    // Those far from the rail are not asked for.
    .filter(
      (x) => x > fromM - endM - 2 * stepM && x < toM + endM + 2 * stepM && ground.isOn(turned([x, y], -turn)),
    )
  const [x0, x1] = extended(places, fromM - endM, toM + endM, overhangM, endM)
  const { atM, ...reach } = feetUnder(places, x0, x1, spanM, overhangM)
  return {
    ends: [inSpace([x0, y]), inSpace([x1, y])],
    lengthM: x1 - x0,
    feet: atM.map((x, i): Foot => {
      // Half-way to its neighbours and out to the end; wind and snow act on the modules, which end before the rail.
      const from = i === 0 ? fromM : Math.max(fromM, (x + (atM[i - 1] ?? x)) / 2)
      const to = i === atM.length - 1 ? toM : Math.min(toM, (x + (atM[i + 1] ?? x)) / 2)
      const zones = zonesIn(from, to)
      const bornM2 = halfM * Math.max(0, to - from)
      const upKpa = worst(zones, 'upKpa')
      return {
        at: inSpace([x, y]),
        zone: zones.find((zone) => pressureIn(zone).upKpa === upKpa) ?? 'middle',
        upKn: upKpa * bornM2,
        downKn: worst(zones, 'downKpa') * bornM2,
      }
    }),
    ...reach,
    spanLimitM,
    overhangLimitM: rail.overhang * spanLimitM,
    splices: Array.from({ length: Math.max(0, Math.ceil((x1 - x0) / rail.lengthM - 1e-6) - 1) }, (_, i) =>
      inSpace([x0 + (i + 1) * rail.lengthM, y]),
    ),
  }
}

/** The zones that a part of a rail's length touches, asked for once at even steps along all of it. */
function zonesAlong(
  fromM: number,
  toM: number,
  zonesAt: (x: number) => readonly WindZone[],
): (from: number, to: number) => WindZone[] {
  const n = Math.max(1, Math.ceil((toM - fromM) / probeM))
  const step = (toM - fromM) / n
  const found = Array.from({ length: n + 1 }, (_, i) => zonesAt(fromM + i * step))
  const place = (x: number) => Math.min(n, Math.max(0, (x - fromM) / step))
  return (from, to) => [...new Set(found.slice(Math.floor(place(from)), Math.ceil(place(to)) + 1).flat())]
}

/**
 * The ends of a rail: it goes on to the next rafter beyond the modules where the last one under it is too far in, or
 * where fewer than two are under it.
 */
function extended(
  places: readonly number[],
  from: number,
  to: number,
  overhangM: number,
  endM: number,
): readonly [number, number] {
  const inner = places.filter((x) => x >= from && x <= to)
  const [before, after] = [places.findLast((x) => x < from), places.find((x) => x > to)]
  const [first, last] = [inner[0], inner.at(-1)]
  let onBefore = before !== undefined && (first === undefined || first - from > overhangM)
  let onAfter = after !== undefined && (last === undefined || to - last > overhangM)
  if (inner.length + Number(onBefore) + Number(onAfter) < 2) {
    // On the side where less rail is needed.
    const isNearer = before !== undefined && (after === undefined || from - before < after - to)
    if (isNearer) onBefore = true
    else onAfter = after !== undefined
  }
  return [
    onBefore && before !== undefined ? before - endM : from,
    onAfter && after !== undefined ? after + endM : to,
  ]
}
