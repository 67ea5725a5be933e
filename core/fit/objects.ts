import { centroid, signedArea } from '../geometry/polygon'
import { distance2, type Vec2 } from '../geometry/vector'
import { highestChimneyM, lowestChimneyM, widestChimneyM } from '../kinds/chimney/chimney'
import { inWorld, round } from '../kinds/place'
import { highestTreeM, widestCrownM } from '../kinds/tree/tree'
import { unionOf } from '../kinds/volume/join'
import { type Volume } from '../kinds/volume/volume'
import { Fault } from '../model/fault'
import { planeHeightM, planOf, type RoofPlane } from '../roof/plane'
import { buildRoof } from '../roof/roof'
import { type FittedBlock } from './above'
import { dormersAmong } from './dormers'
import { type ChimneyDraft, type DormerDraft, type FittedObjects, type VolumeDraft } from './drafts'
import { type FittedHouse } from './fit'
import { boxOf, holds } from './rings'
import { areaOf, isLevel, roofOn, tenth, wallsAround, type Face } from './roof-on'

/** Heights nearer to each other than this meet, m. */
const meetsM = 0.05
/** How far beside an edge it is looked for what lies beyond, m. */
const asideM = 0.03
const agreesM = 0.15
/** Points are compared this far apart, m. */
const stepM = 0.4

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

interface Built {
  readonly volume: VolumeDraft
  readonly dormers: readonly DormerDraft[]
  readonly dormerPlanes: readonly Face[]
}

/** One volume over planes that meet, with the dormers among them; null where they enclose nothing. */
function volumeOver(planes: readonly Face[], house: FittedHouse, role: Volume['role']): Built | null {
  const around = outlineOf(planes, house.outline)
  if (!around) return null
  // Walls along the edge belong to the building: its outline goes around them.
  const outline = isLevel(planes) && wallsAround(planes, house).length > 0 ? house.outline : around
  const roof = roofOn(outline, planes, house)
  if (!roof) return null
  const volume: VolumeDraft = { kind: 'volume', role, outline: outline.map(inWorld), ...roof }
  const built = volume.flat ? null : roofOf(volume)
  if (!built) return { volume, dormers: [], dormerPlanes: [] }
  const { dormers, used } = dormersAmong(planes, built, house.groundM)
  return { volume, dormers, dormerPlanes: used }
}

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
    // What stands amid the planes without meeting them is on this roof, not in a yard.
    const rings = planes.map(({ corners }) => planOf(corners))
    const outline = unionOf(rings, 'built over')
    const alike = Math.abs(signedArea(outline) - signedArea(whole)) < 0.01 * signedArea(whole)
    return alike ? whole : outline
  } catch (error) {
    if (error instanceof Fault) return null
    throw error
  }
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
