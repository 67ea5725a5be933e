import { containsPoint, turnedRectangle } from '@/core/geometry/polygon'
import { type Vec2 } from '@/core/geometry/vector'
import { planeHeightM } from '@/core/roof/plane'
import { type TownTree } from '../lot'
import { noise } from './noise'
import { type PaintedLot } from './scene'
import { fillSpans, placeAt, strip, type Grid } from './sheet'

const fenceM = 1.3
const carM = 1.4

type Raise = (polygon: readonly Vec2[], heightAt: (p: Vec2) => number) => void

/** Raises the heights of a grid, m over the ground, to those of a shape. */
const raising =
  (grid: Grid, heights: Float32Array): Raise =>
  (polygon, heightAt) =>
    fillSpans(grid, polygon, (from, to, row) => {
      for (let x = from; x < to; x++) {
        const index = row * grid.columns + x
        heights[index] = Math.max(heights[index] ?? 0, heightAt(placeAt(grid, x, row)))
      }
    })

/** Heights of what is built, and of cars and fences, into a grid. */
export function raiseBuilt(grid: Grid, lots: readonly PaintedLot[], heights: Float32Array): void {
  const raise = raising(grid, heights)
  for (const { lot, planes, cars, fences } of lots) {
    for (const { plane, plan } of planes) raise(plan, (p) => planeHeightM(plane, p))
    for (const { center, widthM, depthM, heightM, rotationDeg = 0 } of lot.chimneys) {
      const under = planes.filter(({ plan }) => containsPoint(plan, center))
      const top = Math.max(0, ...under.map(({ plane }) => planeHeightM(plane, center))) + heightM
      raise(turnedRectangle(center, widthM, depthM, rotationDeg), () => top)
    }
    for (const [a, b] of fences) raise(strip(a, b, Math.max(0.12, Math.abs(grid.stepM[0]))), () => fenceM)
    for (const { at, turnRad } of cars) {
      const way: Vec2 = [Math.cos(turnRad) * 2, Math.sin(turnRad) * 2]
      raise(strip([at[0] - way[0], at[1] - way[1]], [at[0] + way[0], at[1] + way[1]], 1.7), () => carM)
    }
  }
}

/** Heights of crowns into a grid. */
export function raiseTrees(grid: Grid, trees: readonly TownTree[], heights: Float32Array): void {
  const raise = raising(grid, heights)
  for (const { center, heightM, crownDiameterM } of trees) {
    const radius = crownDiameterM / 2
    const square: Vec2[] = [
      [center[0] - radius, center[1] - radius],
      [center[0] + radius, center[1] - radius],
      [center[0] + radius, center[1] + radius],
      [center[0] - radius, center[1] + radius],
    ]
    raise(square, ([x, y]) => {
      const away = Math.hypot(x - center[0], y - center[1]) / radius
      const edge = 0.9 + 0.2 * noise(x * 3, y * 3)
      return away > edge ? 0 : heightM * (0.62 + 0.38 * Math.sqrt(Math.max(0, 1 - (away / edge) ** 2)))
    })
  }
}
