import { centroid, signedArea } from '../geometry/polygon'
import { distance2, type Vec2, type Vec3 } from '../geometry/vector'
import { highestChimneyM, lowestChimneyM, widestChimneyM } from '../kinds/chimney/chimney'
import { inWorld, round } from '../kinds/place'
import { highestTreeM, widestCrownM } from '../kinds/tree/tree'
import { unionOf } from '../kinds/volume/join'
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
import { Fault } from '../model/fault'
import { planeHeightM, planOf, type RoofPlane } from '../roof/plane'
import { buildRoof } from '../roof/roof'
import { type FittedBlock } from './above'
import { dormersAmong } from './dormers'
import { type ChimneyDraft, type DormerDraft, type FittedObjects, type VolumeDraft } from './drafts'
import { type FittedHouse } from './fit'
import { boxOf, holds } from './rings'

/** Heights nearer to each other than this meet, m. */
const meetsM = 0.05
/** How far beside an edge it is looked for what lies beyond, m. */
const asideM = 0.03
/** An eave this near to a side of the outline is that side's, m. */
const onSideM = 0.25
const agreesM = 0.15
/** A slope that begins this much over the eave rises from a gable, m. */
const higherM = 0.4
/** Points are compared this far apart, m. */
const stepM = 0.4
/** Share of a component's roof that is level for all of it to be. */
const levelShare = 0.6

type Face = Pick<RoofPlane, 'corners' | 'holes' | 'normal' | 'pitchDeg' | 'azimuthDeg' | 'areaM2'>

const ringsOf = ({ corners, holes = [] }: Face) => [planOf(corners), ...holes.map(planOf)]

/**
 * The objects that a fitted house is drawn with: a volume to every stretch of planes that meet each other, the pitch of each
 * side by the plane that rises from it, dormers, chimneys, trees. Heights over the ground.
 */
export function objectsOf(house: FittedHouse, role: Volume['role']): FittedObjects {
  const groups = componentsOf(house.planes)
  const built = groups.map((planes) => volumeOver(planes, house, role))
  const volumes = built.flatMap((one) => (one ? [one.volume] : []))
  const dormers = built.flatMap((one) => (one ? one.dormers : []))
  return {
    volumes,
    dormers,
    chimneys: house.obstructions.flatMap((block) => chimneyOf(block, house)),
    trees: house.trees.map(({ x, y, heightM, crownDiameterM }) => ({
      kind: 'tree',
      center: inWorld([x, y]),
      heightM: round(Math.min(highestTreeM, heightM)),
      crownDiameterM: round(Math.min(widestCrownM, crownDiameterM)),
      clearStemM: round(heightM / 4),
    })),
    agreement: agreementOf(
      house,
      volumes,
      built.flatMap((one) => one?.dormerPlanes ?? []),
    ),
  }
}

/** Planes that meet each other at one height, the largest group first. */
function componentsOf(planes: readonly Face[]): Face[][] {
  const parent = planes.map((_, i) => i)
  const rootOf = (i: number): number => (parent[i] === i ? i : rootOf(parent[i] ?? i))
  planes.forEach((face, i) =>
    face.corners.forEach((a, k) => {
      const b = face.corners[(k + 1) % face.corners.length] ?? a
      const length = distance2([a[0], a[1]], [b[0], b[1]])
      if (length < asideM) return
      for (const t of [0.2, 0.5, 0.8]) {
        const at: Vec2 = [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])]
        const beyond: Vec2 = [
          at[0] + (asideM * (b[1] - a[1])) / length,
          at[1] - (asideM * (b[0] - a[0])) / length,
        ]
        const j = planes.findIndex((other, o) => o !== i && holds(ringsOf(other), beyond))
        const other = planes[j]
        if (other && Math.abs(planeHeightM(face, at) - planeHeightM(other, at)) < meetsM)
          parent[rootOf(i)] = rootOf(j)
      }
    }),
  )
  const groups = new Map<number, Face[]>()
  planes.forEach((face, i) => groups.set(rootOf(i), [...(groups.get(rootOf(i)) ?? []), face]))
  return [...groups.values()].sort((a, b) => areaOf(b) - areaOf(a))
}

const areaOf = (faces: readonly Face[]) => faces.reduce((sum, { areaM2 }) => sum + areaM2, 0)

interface Built {
  readonly volume: VolumeDraft
  readonly dormers: readonly DormerDraft[]
  readonly dormerPlanes: readonly Face[]
}

/** One volume over planes that meet, with the dormers among them; null where they enclose nothing. */
function volumeOver(planes: readonly Face[], house: FittedHouse, role: Volume['role']): Built | null {
  const outline = outlineOf(planes, house.outline)
  if (!outline) return null
  const level = planes.filter(({ pitchDeg }) => pitchDeg < lowestPitchDeg)
  const walls = house.obstructions.filter(({ kind }) => kind === 'parapet')
  if (areaOf(level) > levelShare * areaOf(planes)) {
    const topM = level[0]?.corners[0]?.[2] ?? 0
    // Walls along the edge are those of the lowest level roof: of the one that reaches the outline.
    const own = walls.filter(({ bottomM }) => Math.abs(bottomM - topM) < 0.3)
    const [first] = own
    const volume: VolumeDraft = {
      kind: 'volume',
      role,
      outline: own.length > 0 ? house.outline.map(inWorld) : outline.map(inWorld),
      eaveHeightM: heightOver(topM, house),
      edges: (own.length > 0 ? house.outline : outline).map(() => ({ pitchDeg: 10 })),
      flat: { parapetM: first ? round(Math.min(highestParapetM, Math.max(0, first.topM - topM))) : 0 },
    }
    return { volume, dormers: [], dormerPlanes: [] }
  }
  const rising = outline.map((a, i) => planeFrom(planes, a, outline[(i + 1) % outline.length] ?? a))
  const eaves = rising.flatMap((one) => (one ? [one.heightM] : [])).sort((p, q) => p - q)
  const [least] = eaves
  if (least === undefined) return null
  // The eave in the middle of those that lie together lowest.
  const low = eaves.filter((heightM) => heightM < least + higherM)
  const lowest = low[low.length >> 1] ?? least
  const edges = rising.map((one): RoofEdge => (one ? edgeOf(one, lowest) : { gable: true }))
  const volume: VolumeDraft = {
    kind: 'volume',
    role,
    outline: outline.map(inWorld),
    eaveHeightM: heightOver(lowest, house),
    edges,
    flat: null,
  }
  const roof = roofOf(volume)
  if (!roof) return { volume, dormers: [], dormerPlanes: [] }
  const { dormers, used } = dormersAmong(planes, roof, house.groundM)
  return { volume, dormers, dormerPlanes: used }
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

const tenth = (value: number) => Math.round(value * 10) / 10
const heightOver = (topM: number, { groundM }: FittedHouse) =>
  Math.min(highestEaveM, Math.max(lowestEaveM, Math.round((topM - groundM) * 100) / 100))

/** The planes of a draft's roof; null where it makes none. */
function roofOf({ outline, edges, eaveHeightM }: VolumeDraft): readonly RoofPlane[] | null {
  try {
    return buildRoof({ outline, edges, eaveHeightM }).planes
  } catch (error) {
    if (error instanceof Fault) return null
    throw error
  }
}

/** The outline around planes; the house's own where it is the same but for a hair. */
function outlineOf(planes: readonly Face[], whole: readonly Vec2[]): readonly Vec2[] | null {
  try {
    const outline = unionOf(planes.map(({ corners }) => planOf(corners)))
    const alike = Math.abs(signedArea(outline) - signedArea(whole)) < 0.01 * signedArea(whole)
    return alike ? whole : outline
  } catch (error) {
    if (error instanceof Fault) return null
    throw error
  }
}

interface Rising {
  readonly pitchDeg: number
  readonly heightM: number
}

/** The plane whose eave runs along a side, and how high it lies there. */
function planeFrom(planes: readonly Face[], a: Vec2, b: Vec2): Rising | null {
  const length = distance2(a, b)
  const [ux, uy] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length]
  let best: Rising | null = null
  let most = 0.2 * length
  for (const face of planes) {
    let along = 0
    let sum = 0
    face.corners.forEach((p, k) => {
      const q = face.corners[(k + 1) % face.corners.length] ?? p
      if (!fallsOver(face, p, q)) return
      const off = [p, q].map((c) => Math.abs((c[1] - a[1]) * ux - (c[0] - a[0]) * uy))
      if (Math.max(...off) > onSideM) return
      const [from, to] = [p, q].map((c) => (c[0] - a[0]) * ux + (c[1] - a[1]) * uy)
      const shared =
        Math.min(length, Math.max(from ?? 0, to ?? 0)) - Math.max(0, Math.min(from ?? 0, to ?? 0))
      if (shared <= 0) return
      along += shared
      sum += (shared * (p[2] + q[2])) / 2
    })
    if (along > most) {
      most = along
      best = { pitchDeg: face.pitchDeg, heightM: sum / along }
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

function chimneyOf(block: FittedBlock, { groundM }: FittedHouse): ChimneyDraft[] {
  const [a, b, c] = block.base
  if (block.kind === 'parapet' || !a || !b || !c || block.topM <= block.bottomM || block.topM < groundM)
    return []
  return [
    {
      kind: 'chimney',
      is: block.kind,
      center: inWorld(centroid(block.base)),
      widthM: round(Math.min(widestChimneyM, Math.max(0.1, distance2(a, b)))),
      depthM: round(Math.min(widestChimneyM, Math.max(0.1, distance2(b, c)))),
      rotationDeg: tenth((Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI),
      heightM: round(Math.min(highestChimneyM, Math.max(lowestChimneyM, block.overM))),
    },
  ]
}

/** How much of the fitted roof the volumes lie near to; what dormers cover is left out. */
function agreementOf(
  house: FittedHouse,
  volumes: readonly VolumeDraft[],
  dormerPlanes: readonly Face[],
): number {
  const roofs = volumes.flatMap((volume): { ring: readonly Vec2[]; heightAt: (p: Vec2) => number }[] =>
    volume.flat
      ? [{ ring: volume.outline, heightAt: () => volume.eaveHeightM }]
      : (roofOf(volume) ?? []).map((plane) => ({
          ring: planOf(plane.corners),
          heightAt: (p) => planeHeightM(plane, p),
        })),
  )
  const { low, high } = boxOf(house.outline)
  let [all, near] = [0, 0]
  for (let x = low[0] + stepM / 2; x < high[0]; x += stepM)
    for (let y = low[1] + stepM / 2; y < high[1]; y += stepM) {
      const p: Vec2 = [x, y]
      const face = house.planes.find((plane) => holds(ringsOf(plane), p))
      if (!face || dormerPlanes.some((dormer) => holds(ringsOf(dormer), p))) continue
      all++
      const over = Math.max(
        0,
        ...roofs.filter(({ ring }) => holds([ring], p)).map(({ heightAt }) => heightAt(p)),
      )
      if (Math.abs(over + house.groundM - planeHeightM(face, p)) < agreesM) near++
    }
  return near / Math.max(1, all)
}
