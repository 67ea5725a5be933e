import { Fault } from '../model/fault'
import { toDegrees, toRadians } from '../model/units'
import { containsPoint, signedArea } from '../geometry/polygon'
import { type Vec2, type Vec3 } from '../geometry/vector'
import { checkOutline } from './check-outline'
import { bordersOf, type Border } from './faces'
import { flatRoof } from './flat'
import { supportLines, type RoofNode, type SupportLine } from './front'
import { joined, kindOf } from './labels'
import { type Building, type Roof, type RoofPlane } from './plane'
import { type Seams } from './seams'
import { checkProfiles, profileOf, slopes, speedOf, type RoofEdge } from './profile'
import { shrinkFront } from './shrink'
import { stepsOf } from './step'

/** What lies nearer than this at one height lies together, m; the others are tried where the first gets lost. */
const touches = [1e-7, 1e-6, 1e-8, 1e-5, 1e-4] as const
/** A corner may lie this far off its plane, and this share of the outline may be missing, before another is tried. */
const offPlaneM = 5e-4
const missingShare = 1e-7

/**
 * The roof over an outline, see `shrinkFront`. Sides in one line with one pitch share a plane.
 * @throws Fault from `checkOutline`, `bad-edges`, `bad-profile`, `flat-edge`, `all-gables`, `no-closed-roof`, `roof-not-possible`.
 */
export function buildRoof({ outline, holes = [], edges, eaveHeightM }: Building): Roof {
  checkOutline(outline, holes)
  const rings = [outline, ...holes]
  const sides = rings.reduce((sum, ring) => sum + ring.length, 0)
  if (edges.length !== sides) throw new Fault('bad-edges', { sides, given: edges.length }, 'edges')
  const flat = flatRoof({ outline, holes, edges, eaveHeightM })
  if (flat) return flat
  checkProfiles(edges)
  if (!edges.some(slopes)) throw new Fault('all-gables', {}, 'edges')
  // Near the origin, where numbers are finest.
  const [ox, oy] = outline[0] ?? [0, 0]
  const local = rings.map((ring) => ring.map(([x, y]): Vec2 => [x - ox, y - oy]))
  const area = local.reduce((sum, ring) => sum + signedArea(ring), 0)
  const place = ([x, y, z]: RoofNode): Vec3 => [x + ox, y + oy, z + eaveHeightM]
  let failure: Fault | null = null
  let rough: Roof | null = null
  for (const touchM of touches) {
    try {
      const { roof, worstM, missing } = attempt(local, edges, touchM, place, area)
      if (worstM <= offPlaneM && missing <= missingShare) return roof
      if (missing <= 1e-3) rough ??= roof
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      failure ??= error
    }
  }
  if (rough) return rough
  throw failure ?? new Fault('roof-not-possible', {}, 'edges')
}

function attempt(
  rings: readonly (readonly Vec2[])[],
  edges: readonly RoofEdge[],
  touchM: number,
  place: (node: RoofNode) => Vec3,
  area: number,
): { readonly roof: Roof; readonly worstM: number; readonly missing: number } {
  const profiles = edges.map(profileOf)
  const { lines, lineOf } = supportLines(
    rings,
    profiles.map(([foot]) => speedOf(foot?.[1] ?? 90)),
    (a, b) => String(profiles[a]) === String(profiles[b]),
  )
  const steps = stepsOf(
    lines,
    lines.map(({ side }) =>
      (profiles[side] ?? []).slice(1).map(([heightM, pitchDeg]) => ({ heightM, speed: speedOf(pitchDeg) })),
    ),
  )
  let first = 0
  const seams = shrinkFront(
    lines,
    rings.map((corners) => {
      const own = lineOf.slice(first, first + corners.length)
      first += corners.length
      return { corners, lineOf: own }
    }),
    steps,
    touchM,
  )
  const { borders, meeting } = bordersOf(seams, (face) => flatOf(lines[face]))
  const planes: RoofPlane[] = []
  let [worstM, covered] = [0, 0]
  lines.forEach((line, face) => {
    if (line.speed === 0) return
    const made = planesOf(
      borders.get(face) ?? [],
      line,
      profiles[line.side]?.[line.step]?.[1] ?? 0,
      lines,
      seams,
      meeting,
      place,
    )
    planes.push(...made.planes)
    covered += made.planM2
    worstM = Math.max(worstM, made.worstM)
  })
  const gables = lines.flatMap((line, face) =>
    line.speed === 0
      ? (borders.get(face) ?? []).map((border) => ({ corners: border.map(({ at }) => place(at)) }))
      : [],
  )
  return {
    roof: {
      planes: planes.sort((a, b) => a.edgeIndex - b.edgeIndex),
      gables: gables.filter(({ corners }) => corners.length > 2),
      ridgeHeightM: Math.max(...planes.flatMap((plane) => plane.corners.map((c) => c[2]))),
    },
    worstM,
    missing: Math.abs(covered - area) / area,
  }
}

/** Sloping faces are followed in plan, upright ones along their side and up. */
const flatOf = (line: SupportLine | undefined) =>
  line?.speed === 0
    ? ([x, y, z]: RoofNode): Vec2 => [x * line.way[0] + y * line.way[1], z]
    : ([x, y]: RoofNode): Vec2 => [x, y]

const planAreaOf = (border: Border) => signedArea(border.map(({ at }): Vec2 => [at[0], at[1]]))

function planesOf(
  borders: readonly Border[],
  line: SupportLine,
  pitchDeg: number,
  lines: readonly SupportLine[],
  seams: Seams,
  meeting: (node: number) => number,
  place: (node: RoofNode) => Vec3,
): { readonly planes: RoofPlane[]; readonly planM2: number; readonly worstM: number } {
  const pitch = toRadians(pitchDeg)
  const [ux, uy] = line.inward
  const azimuth = toDegrees(Math.atan2(-ux, -uy))
  const measured = borders.map((border) => ({ border, areaM2: planAreaOf(border) }))
  const openings = measured.filter(({ areaM2 }) => areaM2 < -leastPlanM2)
  const heightAt = ([x, y]: RoofNode) => (ux * x + uy * y - line.offsetM) / line.speed
  const planes = measured
    .filter(({ areaM2 }) => areaM2 > leastPlanM2)
    .map(({ border, areaM2 }): RoofPlane => {
      const ring = border.map(({ at }): Vec2 => [at[0], at[1]])
      const inside = openings.filter(
        ({ border: [first] }) => first && containsPoint(ring, [first.at[0], first.at[1]]),
      )
      const named = joined(border, seams, meeting, (half) => kindOf(half, lines, seams.nodes))
      const sides = border.flatMap(({ side }) => (side === undefined ? [] : [side]))
      const edgeIndex = sides.length > 0 ? Math.min(...sides) : line.side
      const planM2 = inside.reduce((sum, opening) => sum + opening.areaM2, areaM2)
      return {
        id: line.step === 0 ? `e${edgeIndex}` : `e${edgeIndex}.${line.step}`,
        edgeIndex,
        step: line.step,
        corners: named.map(({ at }) => place(at)),
        edges: named.map(({ kind, lengthM }) => ({ kind, lengthM })),
        ...(inside.length > 0
          ? { holes: inside.map((opening) => opening.border.map(({ at }) => place(at))) }
          : {}),
        pitchDeg,
        azimuthDeg: (azimuth + 360) % 360,
        areaM2: planM2 / Math.cos(pitch),
        normal: [-ux * Math.sin(pitch), -uy * Math.sin(pitch), Math.cos(pitch)],
      }
    })
  return {
    planes,
    planM2: measured.reduce((sum, { areaM2 }) => sum + areaM2, 0),
    worstM: Math.max(
      0,
      ...borders.flatMap((border) => border.map(({ at }) => Math.abs(heightAt(at) - at[2]))),
    ),
  }
}

/** A face smaller than this in plan is a slip of rounding, m2. */
const leastPlanM2 = 1e-9
