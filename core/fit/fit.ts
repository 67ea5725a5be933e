import { centroid } from '../geometry/polygon'
import { type Vec2 } from '../geometry/vector'
import { Fault } from '../model/fault'
import { toDegrees } from '../model/units'
import { checkOutline } from '../roof/check-outline'
import { type RoofPlane } from '../roof/plane'
import { type HeightGrid } from '../heights/raster'
import { blocksOn, standingOver, type FittedBlock, type Standing } from './above'
import { arrangementOf, distinctLines } from './arrangement'
import { heightOn, Sums, type Flat } from './flat'
import { groundUnder } from './ground'
import { grownRegions, none, type Grown } from './grow'
import { movedOutline, withinWalls } from './outline'
import { parcelsOf, type Parcel } from './parcels'
import { planesOver } from './planes'
import { regularised, wallDirections } from './regular'
import { filled, lineThrough, partingLines } from './seams'
import { awayFrom, boxOf, holds, inBox } from './rings'
import { refitted, settled } from './settle'
import { around, surveyOf, usefulGrid, type Survey } from './survey'
import { treesAround, type FittedTree } from './trees'

/** A plane with what it rests on. */
export interface FittedPlane extends RoofPlane {
  readonly fit: {
    /** How many heights lie in it. */
    readonly cells: number
    /** How far they lie from it, m: root of the mean square. */
    readonly rmsM: number
    /** Standard deviation of its pitch, by those alone, degrees. */
    readonly pitchSpreadDeg: number
  }
}

/** A house as it was read from heights. Metres east and north as the outline's; heights as the raster's. */
export interface FittedHouse {
  /** The outline, with those sides moved that the roof ends elsewhere than at. */
  readonly outline: readonly Vec2[]
  readonly planes: readonly FittedPlane[]
  readonly obstructions: readonly FittedBlock[]
  readonly trees: readonly FittedTree[]
  /** Height of the ground under the middle of the outline, m. */
  readonly groundM: number
  /** How far the heights lie from the planes, m (root of the mean square), and the share that lies within 10 cm. */
  readonly rmsM: number
  readonly withinShare: number
}

/** The least scatter that planes are told apart by, m. */
const leastScatterM = 0.05
/** Heights that scatter more around every plane that is tried are of no roof, m. */
const mostScatterM = 0.5
/** What lies lower over the ground is no roof, m. */
const lowestRoofM = 1.2
/** Fewer cells make no roof. */
const leastCells = 20
/** The share of heights this near to the planes is said, m. */
const nearM = 0.1
/** How often planes are fitted anew to what lies inside their parcels. */
const refits = 2
/** Flatter planes are fitted to what lies further inside: a parapet may stand along the border. By rise over run. */
const nearlyLevel = 0.1

/**
 * Planes of a roof from heights: stretches of cells that lie in one plane, the lines in which those meet or step, and the
 * plan cut by these lines and put together again by what fits the heights best.
 * @throws Fault from `checkOutline`, `no-heights-inside`, `no-planes-found`
 */
export function fitHouse(measured: HeightGrid, outline: readonly Vec2[]): FittedHouse {
  checkOutline(outline)
  const grid = usefulGrid(measured)
  const first = roofUnder(grid, outline)
  const { survey, grown, parcels, flats } = first
  const moved = movedOutline(survey, outline, parcels, flats, grown.scatterM)
  return answered(grid, moved === outline ? first : roofUnder(grid, moved), moved)
}

interface Roof extends Parted {
  readonly survey: Survey
  readonly grown: Grown
  readonly ground: Flat
}

/** The planes within an outline. @throws Fault `no-heights-inside`, `no-planes-found` */
function roofUnder(grid: HeightGrid, outline: readonly Vec2[]): Roof {
  const whole = surveyOf(grid, outline)
  const ground = groundUnder(whole)
  // An outline drawn too wide has ground in it.
  const survey: Survey = {
    ...whole,
    inside: whole.inside.map((isIn, k) =>
      isIn && (whole.z[k] ?? 0) - heightOn(ground, whole.x[k] ?? 0, whole.y[k] ?? 0) > lowestRoofM ? 1 : 0,
    ),
  }
  const cells = survey.inside.reduce((sum, isIn) => sum + isIn, 0)
  if (cells < leastCells) throw new Fault('no-heights-inside', { cells, least: leastCells }, 'heights')
  const begun = grownRegions(survey)
  if (begun.scatterM > mostScatterM)
    throw new Fault('no-planes-found', { scatter: { value: begun.scatterM, unit: 'm' } }, 'heights')
  let grown = settled(survey, begun)
  if (grown.regions.length === 0) throw new Fault('no-planes-found', {}, 'heights')
  let parted = partedBy(survey, grown, outline)
  for (let round = 0; round < refits; round++) {
    grown = ofParcels(survey, parted, grown)
    parted = partedBy(survey, grown, outline)
  }
  return { ...parted, survey, grown, ground }
}

function answered(grid: HeightGrid, roof: Roof, outline: readonly Vec2[]): FittedHouse {
  const { survey, grown, flats, ground } = roof
  const standing = standingOver(survey, roof.parcels, flats, grown.scatterM)
  const { trees, crowns, isTree } = treesAround(survey, ground, standing.mask)
  const inCrown = (k: number) => isTree[crowns[k] ?? -1] === true
  const obstructions = blocksOn(survey, standing, roof.parcels, flats, outline, inCrown)
  const inner = withinWalls(outline, obstructions)
  const [mx, my] = centroid(outline)
  return {
    outline,
    ...fittedPlanes(inner === outline ? roof : roofUnder(grid, inner)),
    obstructions,
    trees,
    groundM: heightOn(ground, mx, my),
  }
}

/** The planes of a roof, the largest first, and how well the heights lie in them. */
function fittedPlanes({
  survey,
  grown,
  flats,
  ...roof
}: Roof): Pick<FittedHouse, 'planes' | 'rmsM' | 'withinShare'> {
  const parcels = [...roof.parcels].sort((a, b) => b.areaM2 - a.areaM2)
  const standing = standingOver(survey, parcels, flats, grown.scatterM)
  const rests = restsOf(survey, standing, parcels)
  return {
    planes: planesOver(parcels, flats).map((plane) => ({
      ...plane,
      fit: restOf(rests[plane.edgeIndex] ?? new Sums(), flats[parcels[plane.edgeIndex]?.region ?? -1]),
    })),
    ...fitOf(survey, standing, parcels, flats),
  }
}

/** Whether the cells on all sides lie inside too: one on the border may be half of the roof and half of what is beside it. */
const isInner = ({ grid, inside }: Survey, k: number): boolean =>
  inside[k] === 1 && around(grid, k).every((j) => inside[j] === 1)

/** The heights that each parcel rests on: those of its cells that nothing stands on. */
function restsOf(survey: Survey, { mask, parcel }: Standing, parcels: readonly Parcel[]): Sums[] {
  const { inside, x, y, z } = survey
  const rests = parcels.map(() => new Sums())
  inside.forEach((_, k) => {
    if (isInner(survey, k) && !mask[k]) rests[parcel[k] ?? -1]?.add(x[k] ?? 0, y[k] ?? 0, z[k] ?? 0)
  })
  return rests
}

function restOf(rest: Sums, flat: Flat | undefined): FittedPlane['fit'] {
  if (!flat || rest.n < 3) return { cells: rest.n, rmsM: 0, pitchSpreadDeg: 90 }
  const rmsM = Math.sqrt(rest.squares(flat) / rest.n)
  const steep = Math.hypot(flat.a, flat.b)
  const spread =
    steep < 1e-9 ? rest.riseSpread(1, 0, rmsM) : rest.riseSpread(flat.a / steep, flat.b / steep, rmsM)
  // From rise over run to degrees at this pitch.
  return { cells: rest.n, rmsM, pitchSpreadDeg: toDegrees(spread / (1 + steep * steep)) }
}

/** How near all these heights lie to their planes. */
function fitOf(
  survey: Survey,
  { mask, parcel }: Standing,
  parcels: readonly Parcel[],
  flats: readonly Flat[],
): Pick<FittedHouse, 'rmsM' | 'withinShare'> {
  const { inside, x, y, z } = survey
  let [squares, within, count] = [0, 0, 0]
  inside.forEach((_, k) => {
    const flat = flats[parcels[parcel[k] ?? -1]?.region ?? -1]
    if (!isInner(survey, k) || mask[k] || !flat) return
    const off = (z[k] ?? 0) - heightOn(flat, x[k] ?? 0, y[k] ?? 0)
    count++
    squares += off * off
    if (Math.abs(off) <= nearM) within++
  })
  return { rmsM: Math.sqrt(squares / Math.max(1, count)), withinShare: within / Math.max(1, count) }
}

interface Parted {
  readonly parcels: readonly Parcel[]
  readonly flats: readonly Flat[]
  /** How many planes there are. */
  readonly regions: number
}

/** The plan under planes, cut where they part and put together by what fits the heights best. */
function partedBy(survey: Survey, grown: Grown, outline: readonly Vec2[]): Parted {
  const sides = outline.map((from, i) => ({ from, to: outline[(i + 1) % outline.length] ?? from }))
  const { regions, labels } = regularised(survey, grown, sides)
  const flats: Flat[] = regions.map(({ flat }) => flat)
  const walls = sides.map(({ from, to }) => lineThrough(from, to))
  const seams = partingLines(survey, { regions }, filled(survey, labels), walls, wallDirections(outline))
  const { low, high } = boxOf(outline, 1)
  const arrangement = arrangementOf(distinctLines([...walls, ...seams], low, high), low, high)
  const scatterM = Math.max(leastScatterM, grown.scatterM)
  return { parcels: parcelsOf(survey, arrangement, outline, flats, scatterM), flats, regions: regions.length }
}

/**
 * Planes fitted anew to the cells well inside their parcels: near a seam it was chance that gave a cell to the one or
 * the other, and the planes lean towards each other for it.
 */
function ofParcels(survey: Survey, { parcels, flats, regions }: Parted, { scatterM }: Grown): Grown {
  const labels = new Int32Array(survey.inside.length).fill(none)
  const within = new Uint8Array(labels.length)
  for (const { region, rings } of parcels) {
    const flat = flats[region]
    if (!flat) continue
    const insideM = (Math.hypot(flat.a, flat.b) < nearlyLevel ? 1.5 : 0.75) * survey.sideM
    const box = boxOf(rings[0] ?? [])
    survey.inside.forEach((isIn, k) => {
      if (!isIn) return
      const p: Vec2 = [survey.x[k] ?? 0, survey.y[k] ?? 0]
      if (!inBox(box, p) || !holds(rings, p)) return
      if (Math.abs((survey.z[k] ?? 0) - heightOn(flat, p[0], p[1])) > 3.5 * scatterM) return
      labels[k] = region
      if (awayFrom(rings, p) >= insideM) within[k] = 1
    })
  }
  return refitted(survey, regions, labels, scatterM, (k) => within[k] === 1)
}
