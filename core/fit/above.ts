import { centroid, turnedRectangle } from '../geometry/polygon'
import { distance2, type Vec2 } from '../geometry/vector'
import { toDegrees } from '../model/units'
import { heightOn, type Flat } from './flat'
import { type Parcel } from './parcels'
import { awayFrom, boxOf, holds, inBox } from './rings'
import { groupsOf, quantileOf, type Survey } from './survey'

/** What stands on a roof, as a block. */
export interface FittedBlock {
  readonly kind: 'chimney' | 'vent' | 'block' | 'parapet'
  /** Counter-clockwise, metres east and north. */
  readonly base: readonly Vec2[]
  /** Lowest height of the roof under it, and its top, m. */
  readonly bottomM: number
  readonly topM: number
  /** How far its top is over the roof in its middle, m. */
  readonly overM: number
}

/** What stands over the planes of the roof, cell by cell. */
export interface Standing {
  /** 1 where a cell stands over the plane under it. */
  readonly mask: Uint8Array
  /** Number of the parcel under each cell, -1 outside. */
  readonly parcel: Int32Array
}

/** A cell this much over its plane belongs to something else, m; and not by less than so many times the scatter. */
const [overM, overScatters] = [0.2, 4]
/** One cell alone must stand this high to be no accident of measuring, m. */
const aloneM = 0.6
/** A wall along the edge of a roof is within this of it, m. */
const atEdgeM = 0.45
/** From these on a block is a chimney, m and m2; a smaller one is a vent. */
const [chimneyM, ventM2] = [0.5, 0.25]

/** Cells that stand over the planes of a roof. Those that lie in a plane just beside are of that one: a seam a little off. */
export function standingOver(
  survey: Survey,
  parcels: readonly Parcel[],
  flats: readonly Flat[],
  scatterM: number,
): Standing {
  const mask = new Uint8Array(survey.inside.length)
  const parcel = new Int32Array(survey.inside.length).fill(-1)
  const over = Math.max(overM, overScatters * scatterM)
  const boxes = parcels.map(({ rings }) => boxOf(rings[0] ?? [], 0.5))
  survey.inside.forEach((isIn, k) => {
    if (!isIn) return
    const p: Vec2 = [survey.x[k] ?? 0, survey.y[k] ?? 0]
    const z = survey.z[k] ?? 0
    const near = parcels.flatMap((one, i) => {
      const box = boxes[i]
      const flat = flats[one.region]
      return box && flat && inBox(box, p)
        ? [{ i, rings: one.rings, off: z - heightOn(flat, p[0], p[1]) }]
        : []
    })
    const own = near.find(({ rings }) => holds(rings, p))
    if (!own) return
    parcel[k] = own.i
    if (own.off < over) return
    const beside = near.some(
      ({ i, rings, off }) =>
        i !== own.i && Math.abs(off) < 3.5 * scatterM && awayFrom(rings, p) < 2 * survey.sideM,
    )
    if (!beside) mask[k] = 1
  })
  return { mask, parcel }
}

/**
 * Blocks on a roof: groups of cells that stand over it, as rectangles in the direction of the house; along the edge as a
 * wall on each side that has one.
 * @param isOther whether a cell belongs to something that is no block: the crown of a tree over the roof
 */
export function blocksOn(
  survey: Survey,
  { mask, parcel }: Standing,
  parcels: readonly Parcel[],
  flats: readonly Flat[],
  outline: readonly Vec2[],
  isOther: (k: number) => boolean,
): FittedBlock[] {
  const heightOver = (k: number, p: Vec2) => {
    const flat = flats[parcels[parcel[k] ?? -1]?.region ?? -1]
    return flat ? heightOn(flat, p[0], p[1]) : Infinity
  }
  const place = (k: number): Vec2 => [survey.x[k] ?? 0, survey.y[k] ?? 0]
  const groups = groupsOf(survey.grid, (k) => mask[k] === 1 && !isOther(k), true)
  const isAtEdge = (cells: readonly number[]) =>
    cells.filter((k) => awayFrom([outline], place(k)) < atEdgeM).length > 0.7 * cells.length
  const walls = parapets(survey, groups.filter(isAtEdge).flat(), outline, heightOver)
  const blocks = groups.flatMap((cells): FittedBlock[] => {
    const points = cells.map(place)
    if (isAtEdge(cells) && walls.some(({ base }) => points.some((p) => awayFrom([base], p) < atEdgeM)))
      return []
    const tops = cells.map((k) => survey.z[k] ?? 0)
    const [first = 0] = cells
    const topM = quantileOf(tops, 0.75)
    const base = rectangleAround(points, survey.sideM, outline)
    const bottomM = Math.min(...base.map((p) => heightOver(first, p)))
    const middle = centroid(base)
    const overMiddle = topM - heightOver(first, middle)
    if (cells.length < 2 && overMiddle < aloneM) return []
    const areaM2 = cells.length * survey.sideM ** 2
    const kind = areaM2 < ventM2 ? 'vent' : overMiddle >= chimneyM ? 'chimney' : 'block'
    return [{ kind, base, bottomM, topM, overM: overMiddle }]
  })
  return [...walls, ...blocks]
}

/** A rectangle along the longest side of the outline, as large as the cells together. */
function rectangleAround(points: readonly Vec2[], sideM: number, outline: readonly Vec2[]): Vec2[] {
  const [ux, uy] = longestWay(outline)
  const along = points.map(([x, y]) => x * ux + y * uy)
  const across = points.map(([x, y]) => y * ux - x * uy)
  const [a0, a1] = [Math.min(...along), Math.max(...along)]
  const [c0, c1] = [Math.min(...across), Math.max(...across)]
  const [wide, deep] = [a1 - a0 + sideM, c1 - c0 + sideM]
  // The outermost middles of cells lie anywhere within them: the area says how far.
  const k = Math.min(1, Math.sqrt((points.length * sideM * sideM) / (wide * deep)))
  const [a, c] = [(a0 + a1) / 2, (c0 + c1) / 2]
  const center: Vec2 = [a * ux - c * uy, a * uy + c * ux]
  return turnedRectangle(center, wide * k, deep * k, toDegrees(Math.atan2(uy, ux)))
}

function longestWay(outline: readonly Vec2[]): Vec2 {
  let best: Vec2 = [1, 0]
  let longest = 0
  outline.forEach((a, i) => {
    const b = outline[(i + 1) % outline.length] ?? a
    const length = distance2(a, b)
    if (length > longest) {
      longest = length
      best = [(b[0] - a[0]) / length, (b[1] - a[1]) / length]
    }
  })
  return best
}

/** A wall for each side of the outline that has cells of it along more than half its length. */
function parapets(
  survey: Survey,
  cells: readonly number[],
  outline: readonly Vec2[],
  roofAt: (k: number, p: Vec2) => number,
): FittedBlock[] {
  return outline.flatMap((a, i): FittedBlock[] => {
    const b = outline[(i + 1) % outline.length] ?? a
    const length = distance2(a, b)
    const [ux, uy] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length]
    const own = cells.filter((k) => {
      const [x, y] = [survey.x[k] ?? 0, survey.y[k] ?? 0]
      const along = (x - a[0]) * ux + (y - a[1]) * uy
      const inward = (y - a[1]) * ux - (x - a[0]) * uy
      return along > 0 && along < length && inward >= 0 && inward < atEdgeM
    })
    const widthM = (own.length * survey.sideM ** 2) / length
    const [first] = own
    if (first === undefined || widthM < survey.sideM / 2) return []
    const inner = ([x, y]: Vec2, along: number): Vec2 => [
      x + ux * along - uy * widthM,
      y + uy * along + ux * widthM,
    ]
    const base = [a, b, inner(b, 0), inner(a, 0)]
    const topM = quantileOf(
      own.map((k) => survey.z[k] ?? 0),
      0.6,
    )
    const bottomM = Math.min(...base.map((p) => roofAt(first, p)))
    return [{ kind: 'parapet', base, bottomM, topM, overM: topM - bottomM }]
  })
}
