import { containsPoint } from '@/core/geometry/polygon'
import { type Vec2, type Vec3 } from '@/core/geometry/vector'
import { type FittedHouse } from '@/core/fit/fit'
import { type truthOf } from './truth'

/** What was counted when a fitted house was held against what is true of it. */
export interface Judged {
  /** Planes over 8 m²; of these found, and found within 1° of pitch, 2° of azimuth and 0.15 m at eave and ridge. */
  readonly planes: number
  readonly found: number
  readonly within: number
  /** Fitted planes over 8 m², and of these such as lie on none of the house's. */
  readonly fitted: number
  readonly invented: number
  /** Trees over 3 m whose whole crown is in sight, and of these found within 0.5 m of their height. */
  readonly trees: number
  readonly treesFound: number
}

const largeM2 = 8
const [pitchDeg, azimuthDeg, heightM] = [1, 2, 0.15]
const [treeM, treeHeightM] = [3, 0.5]
/** Points are asked this far apart, m. */
const stepM = 0.35

interface Face {
  readonly corners: readonly Vec3[]
  readonly holes?: readonly (readonly Vec3[])[]
  readonly pitchDeg: number
  readonly azimuthDeg: number
  readonly areaM2: number
}

const ringsOf = ({ corners, holes = [] }: Face) =>
  [corners, ...holes].map((ring) => ring.map(([x, y]): Vec2 => [x, y]))

const covers = (rings: readonly Vec2[][], p: Vec2) =>
  rings.filter((ring) => containsPoint(ring, p)).length % 2 === 1

/** Share of one face's plan that another covers. */
function share(of: Face, by: Face): number {
  const [own, other] = [ringsOf(of), ringsOf(by)]
  const [xs, ys] = [of.corners.map(([x]) => x), of.corners.map(([, y]) => y)]
  let [all, both] = [0, 0]
  for (let x = Math.min(...xs) + stepM / 2; x < Math.max(...xs); x += stepM)
    for (let y = Math.min(...ys) + stepM / 2; y < Math.max(...ys); y += stepM) {
      if (!covers(own, [x, y])) continue
      all++
      if (covers(other, [x, y])) both++
    }
  return both / Math.max(1, all)
}

/** How far apart two bearings are, degrees. */
const apartDeg = (a: number, b: number) => Math.abs(((a - b + 540) % 360) - 180)

const alike = (a: Face, b: Face) => Math.abs(a.pitchDeg - b.pitchDeg) < 5

function isWithin(truth: Face, fitted: Face): boolean {
  const heights = (face: Face) => face.corners.map((corner) => corner[2])
  const near = (pick: (...values: number[]) => number) =>
    Math.abs(pick(...heights(truth)) - pick(...heights(fitted))) < heightM
  return (
    Math.abs(truth.pitchDeg - fitted.pitchDeg) < pitchDeg &&
    (truth.pitchDeg < 1 || apartDeg(truth.azimuthDeg, fitted.azimuthDeg) < azimuthDeg) &&
    near(Math.min) &&
    near(Math.max)
  )
}

/**
 * A fitted house against the truth.
 * @param sees whether all of a crown is in the raster
 */
export function judged(
  fitted: FittedHouse,
  truth: ReturnType<typeof truthOf>,
  sees: (tree: { readonly x: number; readonly y: number; readonly crownDiameterM: number }) => boolean,
): Judged {
  const large = truth.planes.filter(({ areaM2 }) => areaM2 > largeM2)
  const pairs = large.flatMap((plane) => {
    const [best] = fitted.planes
      .map((own) => ({ own, covered: share(plane, own) }))
      .sort((a, b) => b.covered - a.covered)
    return best && best.covered > 0.5 && alike(plane, best.own) ? [{ plane, own: best.own }] : []
  })
  const own = fitted.planes.filter(({ areaM2 }) => areaM2 > largeM2)
  const trees = truth.trees.filter((tree) => tree.heightM > treeM && sees(tree))
  return {
    planes: large.length,
    found: pairs.length,
    within: pairs.filter((pair) => isWithin(pair.plane, pair.own)).length,
    fitted: own.length,
    invented: own.filter(
      (plane) => !truth.planes.some((known) => alike(plane, known) && share(plane, known) > 0.5),
    ).length,
    trees: trees.length,
    treesFound: trees.filter((tree) =>
      fitted.trees.some(
        (found) =>
          Math.hypot(found.x - tree.x, found.y - tree.y) < Math.max(1.2, tree.crownDiameterM / 4) &&
          Math.abs(found.heightM - tree.heightM) < treeHeightM,
      ),
    ).length,
  }
}

export const noneJudged: Judged = {
  planes: 0,
  found: 0,
  within: 0,
  fitted: 0,
  invented: 0,
  trees: 0,
  treesFound: 0,
}

export const together = (a: Judged, b: Judged): Judged => ({
  planes: a.planes + b.planes,
  found: a.found + b.found,
  within: a.within + b.within,
  fitted: a.fitted + b.fitted,
  invented: a.invented + b.invented,
  trees: a.trees + b.trees,
  treesFound: a.treesFound + b.treesFound,
})
