import { signedArea } from '../geometry/polygon'
import { distance2, type Vec2 } from '../geometry/vector'
import { Fault } from '../model/fault'
import { checkOutline } from '../roof/check-outline'
import { type FittedBlock } from './above'
import { heightOn, type Flat } from './flat'
import { type Parcel } from './parcels'
import { awayFrom } from './rings'
import { crossing, lineThrough, offLine, type Line } from './seams'
import { type Survey } from './survey'

/** How far a side is looked for on both sides of where it is drawn, m. */
const searchM = 1.5
/** A side found nearer than this to where it is drawn stays: the cells say no more, m. */
const staysM = 0.3
/** Shorter sides follow their neighbours, m. */
const leastSideM = 1.2
/** A side is moved only where most cells beside it say so. */
const leastSure = 0.8

/**
 * An outline moved, side by side, to where the roof ends in the heights: it was drawn around the walls, or a little beside
 * the house. Sides keep their directions.
 * @returns the outline itself where no side moves, or where the moved ones would make none
 */
export function movedOutline(
  survey: Survey,
  outline: readonly Vec2[],
  parcels: readonly Parcel[],
  flats: readonly Flat[],
  scatterM: number,
): readonly Vec2[] {
  const sides = outline.map((a, i) => [a, outline[(i + 1) % outline.length] ?? a] as const)
  let moved = false
  const lines = sides.map(([a, b]): Line => {
    const line = lineThrough(a, b)
    if (distance2(a, b) < leastSideM) return line
    const outM = foundOut(survey, a, b, outline, parcels, flats, scatterM)
    if (Math.abs(outM) < staysM) return line
    moved = true
    // The normal of a counter-clockwise outline's side points inwards.
    return { ...line, offsetM: line.offsetM - outM }
  })
  return moved ? around(lines, outline) : outline
}

/** The outline within the walls along a roof's edge: where they stand, sides are moved in by their width. */
export function withinWalls(outline: readonly Vec2[], blocks: readonly FittedBlock[]): readonly Vec2[] {
  const walls = blocks.filter(({ kind }) => kind === 'parapet')
  if (walls.length === 0) return outline
  const lines = outline.map((a, i): Line => {
    const b = outline[(i + 1) % outline.length] ?? a
    const line = lineThrough(a, b)
    const wall = walls.find(({ base: [from, to] }) => from === a && to === b)
    const [, , inner] = wall?.base ?? []
    return inner ? { ...line, offsetM: line.offsetM + offLine(line, inner) } : line
  })
  return around(lines, outline)
}

/** The outline whose sides lie in given lines; the old one where they make none near it. */
function around(lines: readonly Line[], outline: readonly Vec2[]): readonly Vec2[] {
  const corners = lines.map((line, i) => crossing(lines[(i + lines.length - 1) % lines.length] ?? line, line))
  if (corners.some((corner, i) => !corner || distance2(corner, outline[i] ?? corner) > 2 * searchM))
    return outline
  const next = corners.flatMap((corner) => (corner ? [corner] : []))
  try {
    checkOutline(next)
  } catch (error) {
    if (error instanceof Fault) return outline
    throw error
  }
  return signedArea(next) > 0 ? next : outline
}

/** How far outwards of a side the roof ends, m: where the fewest cells lie on the wrong side. */
function foundOut(
  { x, y, z, sideM }: Survey,
  a: Vec2,
  b: Vec2,
  outline: readonly Vec2[],
  parcels: readonly Parcel[],
  flats: readonly Flat[],
  scatterM: number,
): number {
  const length = distance2(a, b)
  const [ux, uy] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length]
  const line = lineThrough(a, b)
  const at = (t: number): Vec2 => [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])]
  // The planes that end at this side: only they go on beyond it.
  const own = [0.15, 0.35, 0.5, 0.65, 0.85].flatMap((t) => {
    const p = at(t)
    const near = parcels.find(({ rings }) => awayFrom(rings, p) < 0.05)
    const flat = near ? flats[near.region] : undefined
    return flat ? [flat] : []
  })
  if (own.length === 0) return 0
  const cells: { outM: number; isRoof: boolean }[] = []
  for (let k = 0; k < z.length; k++) {
    const p: Vec2 = [x[k] ?? 0, y[k] ?? 0]
    const outM = -offLine(line, p)
    if (Math.abs(outM) > searchM || Number.isNaN(z[k])) continue
    const along = (p[0] - a[0]) * ux + (p[1] - a[1]) * uy
    if (along < 0.1 * length || along > 0.9 * length) continue
    // Not what lies behind another side of the house.
    if (outM < -sideM && awayFrom([outline], p) < -outM - 1.5 * sideM) continue
    const isRoof = own.some((flat) => Math.abs((z[k] ?? 0) - heightOn(flat, p[0], p[1])) < 4 * scatterM)
    cells.push({ outM, isRoof })
  }
  if (cells.length < 8) return 0
  let [best, least] = [0, Infinity]
  for (let outM = -searchM; outM <= searchM; outM += sideM / 2) {
    const wrong = cells.filter((cell) => cell.isRoof !== cell.outM < outM).length + Math.abs(outM) * 0.01
    if (wrong < least) [best, least] = [outM, wrong]
  }
  return least > (1 - leastSure) * cells.length || Math.abs(best) > searchM - sideM ? 0 : best
}
