import { boundsOf } from '@/core/geometry/bounds'
import { containsPoint, turnedRectangle } from '@/core/geometry/polygon'
import { type Vec2, type Vec3 } from '@/core/geometry/vector'
import { planeHeightM, planOf, type RoofPlane } from '@/core/roof/plane'
import { type Lot, type TownTree } from './lot'
import { planesOver } from './lot-planes'

/** What a survey from the air sees of some lots: the highest thing over each point. */
export interface HeightScene {
  /** Height of the ground over a point, m. */
  readonly groundAt: (p: Vec2) => number
  /** Height of what is seen over a point, m. */
  readonly topAt: (p: Vec2) => number
}

interface Piece {
  readonly bounds: { readonly low: Vec2; readonly high: Vec2 }
  /** Height over the point, m; null where the piece does not reach. */
  readonly heightAt: (p: Vec2) => number | null
}

const parapetM = 0.25

const boundsIn = (plan: readonly Vec2[]): Piece['bounds'] => {
  const [low, high] = boundsOf(plan.map(([x, y]): Vec3 => [x, y, 0]))
  return { low: [low[0], low[1]], high: [high[0], high[1]] }
}

export function heightScene(lots: readonly Lot[], groundAt: (p: Vec2) => number): HeightScene {
  const pieces = lots.flatMap((lot) => {
    const planes = planesOver(lot)
    const baseM = groundAt(lot.center)
    const roof = planes.map((plane) => planePiece(plane, baseM))
    const walls = lot.volumes.flatMap((volume) =>
      volume.flat && volume.flat.parapetM > 0
        ? [ringPiece(volume.outline, baseM + volume.eaveHeightM + volume.flat.parapetM)]
        : [],
    )
    const chimneys = lot.chimneys.map((chimney) =>
      boxPiece(
        turnedRectangle(chimney.center, chimney.widthM, chimney.depthM, chimney.rotationDeg ?? 0),
        baseM + roofOverM(planes, chimney.center) + chimney.heightM,
      ),
    )
    return [
      ...roof,
      ...walls,
      ...chimneys,
      ...lot.trees.map((tree) => crownPiece(tree, groundAt(tree.center))),
    ]
  })
  return {
    groundAt,
    topAt: (p) => {
      let top = groundAt(p)
      for (const { bounds, heightAt } of pieces) {
        if (p[0] < bounds.low[0] || p[0] > bounds.high[0] || p[1] < bounds.low[1] || p[1] > bounds.high[1])
          continue
        const height = heightAt(p)
        if (height !== null && height > top) top = height
      }
      return top
    },
  }
}

/** Height of the highest plane over a point, 0 where there is none. */
export const roofOverM = (planes: readonly RoofPlane[], p: Vec2): number =>
  Math.max(
    0,
    ...planes
      .filter((plane) => containsPoint(planOf(plane.corners), p))
      .map((plane) => planeHeightM(plane, p)),
  )

function planePiece(plane: RoofPlane, baseM: number): Piece {
  const ring = planOf(plane.corners)
  const holes = (plane.holes ?? []).map(planOf)
  return {
    bounds: boundsIn(ring),
    heightAt: (p) =>
      containsPoint(ring, p) && !holes.some((hole) => containsPoint(hole, p))
        ? baseM + planeHeightM(plane, p)
        : null,
  }
}

const boxPiece = (base: readonly Vec2[], topM: number): Piece => ({
  bounds: boundsIn(base),
  heightAt: (p) => (containsPoint(base, p) ? topM : null),
})

/** A wall along the sides of an outline, inside it. */
function ringPiece(outline: readonly Vec2[], topM: number): Piece {
  const sides = outline.map((a, i) => [a, outline[(i + 1) % outline.length] ?? a] as const)
  return {
    bounds: boundsIn(outline),
    heightAt: (p) =>
      containsPoint(outline, p) && sides.some(([a, b]) => awayOf(a, b, p) < parapetM) ? topM : null,
  }
}

const awayOf = (a: Vec2, b: Vec2, p: Vec2) => {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]]
  return Math.abs(dx * (p[1] - a[1]) - dy * (p[0] - a[0])) / Math.hypot(dx, dy)
}

/** A crown as an ellipsoid over its clear stem. */
function crownPiece({ center, heightM, crownDiameterM, clearStemM }: TownTree, baseM: number): Piece {
  const radius = crownDiameterM / 2
  const half = (heightM - clearStemM) / 2
  return {
    bounds: {
      low: [center[0] - radius, center[1] - radius],
      high: [center[0] + radius, center[1] + radius],
    },
    heightAt: (p) => {
      const share = Math.hypot(p[0] - center[0], p[1] - center[1]) / radius
      return share < 1 ? baseM + clearStemM + half + half * Math.sqrt(1 - share * share) : null
    },
  }
}
