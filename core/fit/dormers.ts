import { containsPoint } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import {
  lowestWallM,
  flattestDormerDeg,
  highestWallM,
  narrowestDormerM,
  steepestDormerDeg,
  widestDormerM,
  type Dormer,
} from '../kinds/dormer/dormer'
import { dormerShape } from '../kinds/dormer/shape'
import { inWorld, round } from '../kinds/place'
import { Fault } from '../model/fault'
import { planeHeightM, planOf, type RoofPlane } from '../roof/plane'
import { type DormerDraft } from './drafts'

type Face = Pick<RoofPlane, 'corners' | 'holes' | 'normal' | 'pitchDeg' | 'azimuthDeg' | 'areaM2'>

/** What rises over the roof by less than this is the roof, m. */
const risesM = 0.3
/** Bearings within this are one way, degrees. */
const alikeDeg = 25
const besideM = 0.1

const middleOf = (face: Face): Vec2 => {
  const n = face.corners.length
  return [face.corners.reduce((s, c) => s + c[0], 0) / n, face.corners.reduce((s, c) => s + c[1], 0) / n]
}

const apartDeg = (a: number, b: number) => Math.abs(((a - b + 540) % 360) - 180)

/**
 * Dormers among fitted planes: those that stand over a volume's roof, put together by the plane they stand on.
 * @param roof the volume's own planes, heights over the ground
 */
export function dormersAmong(
  planes: readonly Face[],
  roof: readonly RoofPlane[],
  groundM: number,
): { readonly dormers: DormerDraft[]; readonly used: Face[] } {
  const standing = planes.flatMap((face) => {
    const p = middleOf(face)
    const host = roof.find((plane) => containsPoint(planOf(plane.corners), p))
    if (!host) return []
    return planeHeightM(face, p) - groundM - planeHeightM(host, p) > risesM ? [{ face, host }] : []
  })
  const groups: { host: RoofPlane; faces: Face[] }[] = []
  for (const { face, host } of standing) {
    const group = groups.find((one) => one.host === host && one.faces.some((other) => touch(other, face)))
    if (group) group.faces.push(face)
    else groups.push({ host, faces: [face] })
  }
  const dormers: DormerDraft[] = []
  const used: Face[] = []
  for (const { host, faces } of groups) {
    const dormer = dormerOn(host, faces, groundM)
    if (!dormer) continue
    dormers.push(dormer)
    used.push(...faces)
  }
  return { dormers, used }
}

const touch = (a: Face, b: Face) =>
  a.corners.some((p) => b.corners.some((q) => Math.hypot(p[0] - q[0], p[1] - q[1]) < besideM))

/** One dormer by its planes: the form by how they look, the front where they reach lowest down the slope. */
function dormerOn(host: RoofPlane, faces: readonly Face[], groundM: number): DormerDraft | null {
  const azimuth = (host.azimuthDeg * Math.PI) / 180
  const downhill: Vec2 = [Math.sin(azimuth), Math.cos(azimuth)]
  const right: Vec2 = [-downhill[1], downhill[0]]
  const corners = faces.flatMap(({ corners: own }) => own)
  const down = corners.map(([x, y]) => x * downhill[0] + y * downhill[1])
  const side = corners.map(([x, y]) => x * right[0] + y * right[1])
  const front = Math.max(...down)
  const [from, to] = [Math.min(...side), Math.max(...side)]
  const foot: Vec2 = [
    downhill[0] * front + (right[0] * (from + to)) / 2,
    downhill[1] * front + (right[1] * (from + to)) / 2,
  ]
  const eaveM = Math.min(...corners.filter((_, i) => (down[i] ?? 0) > front - besideM * 3).map((c) => c[2]))
  const wallHeightM = eaveM - groundM - planeHeightM(host, foot)
  const ways = faces.map(({ azimuthDeg }) => apartDeg(azimuthDeg, host.azimuthDeg))
  const [largest] = [...faces].sort((a, b) => b.areaM2 - a.areaM2)
  const form = formOf(ways, largest?.pitchDeg ?? 0)
  const dormer = {
    kind: 'dormer' as const,
    form,
    front: inWorld(foot),
    widthM: round(Math.min(widestDormerM, Math.max(narrowestDormerM, to - from))),
    wallHeightM: round(Math.min(highestWallM, Math.max(lowestWallM, wallHeightM))),
    pitchDeg: Math.min(
      steepestDormerDeg,
      Math.max(flattestDormerDeg, Math.round((largest?.pitchDeg ?? 0) * 10) / 10),
    ),
  }
  try {
    dormerShape(dormer, host.pitchDeg)
    return dormer
  } catch (error) {
    if (error instanceof Fault) return null
    throw error
  }
}

function formOf(ways: readonly number[], pitchDeg: number): Dormer['form'] {
  const ahead = ways.filter((way) => way < alikeDeg).length
  const aside = ways.filter((way) => Math.abs(way - 90) < alikeDeg).length
  if (aside >= 2) return ahead > 0 ? 'hip' : 'gable'
  return pitchDeg < 2 ? 'flat' : 'shed'
}
