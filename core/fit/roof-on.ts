import { distance2, type Vec2, type Vec3 } from '../geometry/vector'
import { round } from '../kinds/place'
import {
  highestEaveM,
  highestParapetM,
  highestStepM,
  lowestEaveM,
  lowestPitchDeg,
  steepestPitchDeg,
  uprightDeg,
  type RoofEdge,
  type Volume,
} from '../kinds/volume/volume'
import { planeHeightM, type RoofPlane } from '../roof/plane'
import { type FittedBlock } from './above'
import { type FittedHouse } from './fit'

/** An eave this near to a side of the outline is that side's, m. */
const onSideM = 0.25
/** A slope that begins this much over the eave rises from a gable, m. */
const higherM = 0.4
/** Share of a component's roof that is level for all of it to be. */
const levelShare = 0.6

export type Face = Pick<RoofPlane, 'corners' | 'holes' | 'normal' | 'pitchDeg' | 'azimuthDeg' | 'areaM2'>

/** What of a building its planes tell once its outline is known. */
export type RoofDraft = Pick<Volume, 'eaveHeightM' | 'edges' | 'flat'>

export const areaOf = (faces: readonly Face[]): number => faces.reduce((sum, { areaM2 }) => sum + areaM2, 0)

const levelOnes = (planes: readonly Face[]) => planes.filter(({ pitchDeg }) => pitchDeg < lowestPitchDeg)

/** Whether planes make a level roof. */
export const isLevel = (planes: readonly Face[]): boolean =>
  areaOf(levelOnes(planes)) > levelShare * areaOf(planes)

const levelM = (planes: readonly Face[]): number => levelOnes(planes)[0]?.corners[0]?.[2] ?? 0

/** The walls along the edge of a level roof: of the lowest of a house, which reaches the outline. */
export const wallsAround = (
  planes: readonly Face[],
  { obstructions }: Pick<FittedHouse, 'obstructions'>,
): FittedBlock[] =>
  obstructions.filter(({ kind, bottomM }) => kind === 'parapet' && Math.abs(bottomM - levelM(planes)) < 0.3)

/**
 * Eave height and roof of a building over its outline, by the planes that lie on it: the pitch of each side by the plane
 * whose eave runs along it; null where none does.
 * @param besideM how far beside a side its eave may run
 */
export function roofOn(
  outline: readonly Vec2[],
  planes: readonly Face[],
  house: Pick<FittedHouse, 'obstructions' | 'groundM'>,
  besideM = onSideM,
): RoofDraft | null {
  if (isLevel(planes)) {
    const topM = levelM(planes)
    const walls = wallsAround(planes, house)
    const wallM = walls.reduce((sum, wall) => sum + (wall.topM - topM) / walls.length, 0)
    return {
      eaveHeightM: heightOver(topM, house),
      edges: outline.map(() => ({ pitchDeg: 10 })),
      flat: { parapetM: round(Math.min(highestParapetM, Math.max(0, wallM))) },
    }
  }
  const rising = outline.map((a, i) => planeFrom(planes, a, outline[(i + 1) % outline.length] ?? a, besideM))
  const eaves = rising.flatMap((one) => (one ? [one.heightM] : [])).sort((p, q) => p - q)
  const [least] = eaves
  if (least === undefined) return null
  // The eave in the middle of those that lie together lowest.
  const low = eaves.filter((heightM) => heightM < least + higherM)
  const lowest = low[low.length >> 1] ?? least
  return {
    eaveHeightM: heightOver(lowest, house),
    edges: rising.map((one): RoofEdge => (one ? edgeOf(one, lowest) : { gable: true })),
    flat: null,
  }
}

/** What a side's roof does: it rises from the eave, or from a gable that is cut off by a slope. */
function edgeOf({ pitchDeg, heightM }: Rising, eaveM: number): RoofEdge {
  const pitch = tenth(Math.min(steepestPitchDeg, Math.max(lowestPitchDeg, pitchDeg)))
  const overM = Math.min(highestStepM, Math.round((heightM - eaveM) * 100) / 100)
  if (overM < higherM) return { pitchDeg: pitch }
  return {
    profile: [
      [0, uprightDeg],
      [overM, pitch],
    ],
  }
}

/** Pitches as objects have them: to a tenth of a degree. */
export const tenth = (value: number): number => Math.round(value * 10) / 10

const heightOver = (topM: number, { groundM }: Pick<FittedHouse, 'groundM'>) =>
  Math.min(highestEaveM, Math.max(lowestEaveM, Math.round((topM - groundM) * 100) / 100))

interface Rising {
  readonly pitchDeg: number
  readonly heightM: number
}

/** The plane whose eave runs along a side, and how high it lies over the side: a roof from there lies in the same plane. */
function planeFrom(planes: readonly Face[], a: Vec2, b: Vec2, besideM: number): Rising | null {
  const length = distance2(a, b)
  const [ux, uy] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length]
  const middle: Vec2 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]
  let best: Rising | null = null
  let most = 0.2 * length
  for (const face of planes) {
    let along = 0
    face.corners.forEach((p, k) => {
      const q = face.corners[(k + 1) % face.corners.length] ?? p
      if (!fallsOver(face, p, q)) return
      const off = [p, q].map((c) => Math.abs((c[1] - a[1]) * ux - (c[0] - a[0]) * uy))
      if (Math.max(...off) > besideM) return
      const [from, to] = [p, q].map((c) => (c[0] - a[0]) * ux + (c[1] - a[1]) * uy)
      const shared =
        Math.min(length, Math.max(from ?? 0, to ?? 0)) - Math.max(0, Math.min(from ?? 0, to ?? 0))
      if (shared <= 0) return
      along += shared
    })
    if (along > most) {
      most = along
      best = { pitchDeg: face.pitchDeg, heightM: planeHeightM(face, middle) }
    }
  }
  return best
}

/** Whether an edge is one that the plane's water runs over: level, and across the slope. */
function fallsOver({ normal }: Face, p: Vec3, q: Vec3): boolean {
  const length = Math.hypot(q[0] - p[0], q[1] - p[1])
  const outwards = (normal[0] * (q[1] - p[1]) - normal[1] * (q[0] - p[0])) / Math.max(1e-9, length)
  const steep = Math.hypot(normal[0], normal[1])
  return length > 0.1 && outwards > 0.97 * steep
}
