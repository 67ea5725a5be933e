import { crownMeets, type Body, type CrownBody, type SolidBody } from '../geometry/body'
import { type Vec3 } from '../geometry/vector'
import { type Caster, type CellGroups, type Receiver } from './engine'
import { grazing } from './sky-patches'

/** Shade the slow and obvious way, point by point and body by body; what the fast one is held against. */

/** Whether the ray from a point outward along d meets the solid. The point itself does not count. */
export function solidBlocks(
  body: SolidBody,
  px: number,
  py: number,
  pz: number,
  dx: number,
  dy: number,
  dz: number,
): boolean {
  const { faces } = body
  let enter = 1e-6
  let leave = Infinity
  for (let i = 0; i < faces.length; i += 4) {
    const nx = faces[i] as number
    const ny = faces[i + 1] as number
    const nz = faces[i + 2] as number
    const inside = (faces[i + 3] as number) - (nx * px + ny * py + nz * pz)
    const along = nx * dx + ny * dy + nz * dz
    if (along > 1e-12) {
      const t = inside / along
      if (t < leave) leave = t
    } else if (along < -1e-12) {
      const t = inside / along
      if (t > enter) enter = t
    } else if (inside < 0) return false
    if (enter >= leave) return false
  }
  return true
}

const meets = (body: Body, from: Vec3, way: Vec3) =>
  body.kind === 'crown' ? crownMeets(body, ...from, ...way) : solidBlocks(body, ...from, ...way)

/** Points of a receiver by group: at least six across the strips and ten along them, in the middle of their pieces. */
export function pointsByGroup([a, b, , d]: Receiver, { strips, halves }: CellGroups): Vec3[][] {
  const spread = (count: number) => Array.from({ length: count }, (_, i) => (i + 0.5) / count)
  const at = (u: number, v: number): Vec3 => [
    a[0] + u * (b[0] - a[0]) + v * (d[0] - a[0]),
    a[1] + u * (b[1] - a[1]) + v * (d[1] - a[1]),
    a[2] + u * (b[2] - a[2]) + v * (d[2] - a[2]),
  ]
  const groups: Vec3[][] = []
  for (let strip = 0; strip < strips; strip++)
    for (let half = 0; half < halves; half++)
      groups.push(
        spread(Math.ceil(6 / strips)).flatMap((i) =>
          spread(10 / halves).map((j) => at((strip + i) / strips, (half + j) / halves)),
        ),
      )
  return groups
}

interface PlainShade {
  /** Lit share of the beam at each group's worst point. */
  readonly litWorst: readonly number[]
  readonly litMean: number
  /** Share blocked, by caster. */
  readonly blockedBy: readonly number[]
}

/** The light from one direction; null while it comes from behind the receiver. */
export function plainLight(
  receiver: Receiver,
  groups: CellGroups,
  normal: Vec3,
  casters: readonly Caster[],
  way: Vec3,
  passesThrough: (crown: CrownBody) => number,
): PlainShade | null {
  const cosine = normal[0] * way[0] + normal[1] * way[1] + normal[2] * way[2]
  if (cosine <= 0) return null
  const points = pointsByGroup(receiver, groups)
  const count = points.flat().length
  const blockedBy = casters.map(() => 0)
  const lit = points.map((group) =>
    group.map((from) => {
      if (cosine < grazing) return 0
      const passes = casters.map((bodies) =>
        bodies
          .filter((body) => meets(body, from, way))
          .reduce((least, body) => Math.min(least, body.kind === 'crown' ? passesThrough(body) : 0), 1),
      )
      const left = passes.reduce((product, share) => product * share, 1)
      const alone = passes.reduce((sum, share) => sum + 1 - share, 0)
      passes.forEach((share, c) => {
        if (share < 1) blockedBy[c] = (blockedBy[c] ?? 0) + ((1 - left) * (1 - share)) / alone / count
      })
      return left
    }),
  )
  return {
    litWorst: lit.map((group) => Math.min(...group)),
    litMean: lit.flat().reduce((sum, share) => sum + share, 0) / count,
    blockedBy,
  }
}
