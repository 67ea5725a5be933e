import { columnsUnder, sheetOf, type Body, type CrownBody } from '../geometry/body'
import { newell, unit3, type Vec2, type Vec3 } from '../geometry/vector'
import { type SunHours } from '../sun/sun-hours'
import { castOn } from './cast'
import {
  farHorizonId,
  type Caster,
  type CellGroups,
  type Horizon,
  type Receiver,
  type ReceiverShade,
} from './engine'
import { exactShade } from './receiver-shade'
import { patches } from './sky-patches'

/** Something that stops light, as a scene tells of it. */
export type Occluder = { readonly id: string } & (
  | {
      readonly kind: 'prism'
      readonly base: readonly Vec2[]
      readonly bottomM: number
      readonly topM: number
    }
  | {
      readonly kind: 'mesh'
      readonly vertices: readonly Vec3[]
      readonly triangles: readonly (readonly [number, number, number])[]
    }
  | {
      readonly kind: 'crown'
      readonly center: Vec3
      readonly radiusM: number
      readonly halfHeightM: number
      /** Share of the beam that passes, January to December. */
      readonly transmissivity: readonly number[]
    }
)

/** The points of a surface are those of a module: 6 by 10. */
const groups: CellGroups = { strips: 3, halves: 2 }

export function bodiesOf(occluder: Occluder): Body[] {
  switch (occluder.kind) {
    case 'prism': {
      const { base, bottomM, topM } = occluder
      return columnsUnder(
        base.map(([x, y]): Vec3 => [x, y, topM]),
        bottomM,
      )
    }
    case 'mesh':
      return occluder.triangles.flatMap(([i, j, k]) => {
        const [a, b, c] = [occluder.vertices[i], occluder.vertices[j], occluder.vertices[k]]
        const sheet = a && b && c && sheetOf([a, b, c])
        return sheet ? [sheet] : []
      })
    case 'crown': {
      const { center, radiusM, halfHeightM, transmissivity } = occluder
      const crown: CrownBody = {
        kind: 'crown',
        center,
        crownRadiusM: radiusM,
        halfHeightM,
        transmissivity,
        radiusM: Math.max(radiusM, halfHeightM),
      }
      return [crown]
    }
  }
}

/** A year of shade on one receiver by casters that are known by their place in the list. */
export function shadeOf(
  receiver: Receiver,
  groups: CellGroups,
  casters: readonly Caster[],
  sun: SunHours,
  horizon?: Horizon,
): ReceiverShade {
  const casts = casters.flatMap((caster, c) => {
    const [cast] = castOn([receiver], groups, caster, sun.direction, patches.direction)
    return cast ? [{ caster: String(c), cast }] : []
  })
  return exactShade(receiver, groups, casts, sun, horizon)
}

/** A year of shade on one surface of a scene. */
export interface SurfaceShade {
  readonly normal: Vec3
  readonly shade: ReceiverShade
  /** Share of the dome before the surface that it sees, weighted by the cosine of incidence. */
  readonly skyView: number
  /** Share of the time in which the sun is before the surface, weighted by the cosine of incidence, that the beam is blocked. */
  readonly beamShadedShare: number
  /** The part that each occluder has in it, in their order; what the horizon hides is left. */
  readonly shareBy: readonly number[]
}

/** @param surface corners counter-clockwise seen from the front, a parallelogram */
export function shadeOn(
  surface: Receiver,
  casters: readonly (readonly Body[])[],
  sun: SunHours,
  horizon?: Horizon,
): SurfaceShade {
  const normal = unit3(newell(surface))
  const shade = shadeOf(surface, groups, casters, sun, horizon)
  const weightOf = (entry: number) =>
    Math.max(
      0,
      normal[0] * (sun.direction[entry * 3] as number) +
        normal[1] * (sun.direction[entry * 3 + 1] as number) +
        normal[2] * (sun.direction[entry * 3 + 2] as number),
    ) * (sun.upShare[entry] as number)
  let all = 0
  for (let entry = 0; entry < sun.interval.length; entry++) all += weightOf(entry)
  const shareBy = new Array<number>(casters.length).fill(0)
  let blocked = 0
  shade.shaded.forEach((entry, at) => {
    blocked += weightOf(entry) * (1 - (shade.litMean[at] as number))
  })
  for (const { caster, at, share } of shade.takenBy)
    if (caster !== farHorizonId)
      shareBy[Number(caster)] = at.reduce((sum, entry, i) => sum + weightOf(entry) * (share[i] as number), 0)
  const share = (sum: number) => (all > 0 ? sum / all : 0)
  return {
    normal,
    shade,
    skyView: shade.domeSeen,
    beamShadedShare: share(blocked),
    shareBy: shareBy.map(share),
  }
}

/** Lit share of the beam in every interval of the year; 0 while the sun is not before the surface. */
export function litByInterval({ normal, shade }: SurfaceShade, sun: SunHours): Float32Array {
  const lit = new Float32Array(sun.intervals)
  sun.interval.forEach((interval, entry) => {
    const [dx, dy, dz] = sun.direction.subarray(entry * 3, entry * 3 + 3)
    if (normal[0] * (dx ?? 0) + normal[1] * (dy ?? 0) + normal[2] * (dz ?? 0) > 0) lit[interval] = 1
  })
  shade.shaded.forEach((entry, at) => {
    lit[sun.interval[entry] as number] = shade.litMean[at] as number
  })
  return lit
}
