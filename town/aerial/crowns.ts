import { seededRandom } from '@/core/model/random'
import { type TownTree } from '../lot'
import { noise } from './noise'
import { type Picture } from './ground'
import { type LowSun } from './shadows'

const leaves: readonly (readonly [number, number, number])[] = [
  [74, 96, 54],
  [84, 104, 58],
  [66, 90, 58],
]

/** Tufts a square metre of crown. */
const tuftsPerM2 = 2.6
const mostTufts = 260

/** A crown of many small round tufts, lit from the sun's side, the lower ones first. */
export function paintCrown({ grid, rgb }: Picture, tree: TownTree, { towards }: LowSun): void {
  const [cx, cy] = tree.center
  const radius = tree.crownDiameterM / 2
  const random = seededRandom(Math.round(cx * 131 + cy * 977) >>> 0)
  const leaf = leaves[Math.floor(random() * leaves.length)] ?? [74, 96, 54]
  const count = Math.min(mostTufts, Math.max(9, Math.round(tuftsPerM2 * Math.PI * radius * radius)))
  const tufts = Array.from({ length: count }, () => {
    const away = radius * Math.sqrt(random()) * 0.93
    const turn = random() * 2 * Math.PI
    return {
      x: cx + away * Math.cos(turn),
      y: cy + away * Math.sin(turn),
      r: radius * (0.11 + 0.1 * random()) + 0.1,
      height: Math.sqrt(Math.max(0, 1 - (away / radius) ** 2)) + 0.25 * random(),
      tone: 0.86 + 0.28 * random(),
    }
  }).sort((a, b) => a.height - b.height)
  const [sx, sy] = [Math.abs(grid.stepM[0]), Math.abs(grid.stepM[1])]
  for (const { x, y, r, height, tone } of tufts) {
    const column = (x - grid.corner[0]) / grid.stepM[0]
    const row = (y - grid.corner[1]) / grid.stepM[1]
    const [reachX, reachY] = [r / sx, r / sy]
    const side = ((x - cx) * towards[0] + (y - cy) * towards[1]) / radius
    for (let j = Math.max(0, Math.ceil(row - reachY)); j <= Math.min(grid.rows - 1, row + reachY); j++)
      for (
        let i = Math.max(0, Math.ceil(column - reachX));
        i <= Math.min(grid.columns - 1, column + reachX);
        i++
      ) {
        const u = ((i + 0.5 - column) * grid.stepM[0]) / r
        const v = ((j + 0.5 - row) * grid.stepM[1]) / r
        const d = u * u + v * v
        if (d > 0.72 + 0.5 * noise(i * 3, j * 3)) continue
        const lit = (u * towards[0] + v * towards[1]) * 0.24 + side * 0.2 + height * 0.16
        const k = tone * (0.74 + lit) * (0.94 + 0.12 * noise(i, j))
        const at = (j * grid.columns + i) * 3
        for (let c = 0; c < 3; c++) rgb[at + c] = (leaf[c] ?? 0) * k
      }
  }
}
