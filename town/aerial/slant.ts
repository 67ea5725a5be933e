import { type Vec2 } from '@/core/geometry/vector'
import { type Colour, type Picture } from './ground'
import { grain, grainRow } from './noise'
import { type Grid } from './sheet'
import { type LowSun } from './shadows'

/** What stands there, m over the ground, one height a point of the grid. */
export interface Standing {
  readonly built: Float32Array
  readonly crowns: Float32Array
}

/** Deeper than this under its top one sees the side of a thing, m. */
const topM = 0.12
const wallColour: Colour = [206, 199, 186]
const leafColour: Colour = [54, 72, 42]
/** A crown hides what is behind it from this share of its height upwards. */
const crownFrom = 0.28

/** A grid widened towards where the tall things stand that lean into it. */
export function widened({ columns, rows, corner, stepM }: Grid, leanM: Vec2, tallestM: number) {
  const margin = (axis: 0 | 1) => Math.ceil(Math.abs((leanM[axis] * tallestM) / stepM[axis])) + 1
  const [across, down] = [margin(0), margin(1)]
  // Rows run south: a thing that leans north comes from further down.
  const [left, above] = [leanM[0] > 0 ? across : 0, leanM[1] < 0 ? down : 0]
  const grid: Grid = {
    columns: columns + across,
    rows: rows + down,
    corner: [corner[0] - left * stepM[0], corner[1] - above * stepM[1]],
    stepM,
  }
  return { grid, left, above }
}

/**
 * A picture from straight above as it is seen at a slant: from each point the sight is followed down to what it meets
 * first, the top of a thing or its side.
 * @param from the picture on the widened grid, and what stands there
 * @param into the piece that is wanted, whose corner lies `left` and `above` points from the widened one's
 */
export function slanted(
  from: Picture,
  { built, crowns }: Standing,
  into: Picture,
  { left, above }: { readonly left: number; readonly above: number },
  leanM: Vec2,
  tallestM: number,
  { towards }: LowSun,
): void {
  const { columns: wide, rows: high, stepM } = from.grid
  const [perColumn, perRow] = [leanM[0] / stepM[0], leanM[1] / stepM[1]]
  const steps = Math.ceil(tallestM * Math.max(Math.abs(perColumn), Math.abs(perRow)) * 1.4)
  const fallM = tallestM / steps
  // Of the sides one sees those that face the camera.
  const away = Math.hypot(leanM[0], leanM[1])
  const wallLight = 0.62 + 0.3 * Math.max(0, -(leanM[0] * towards[0] + leanM[1] * towards[1]) / away)
  const { columns, rows } = into.grid
  for (let row = 0; row < rows; row++) {
    const start = grainRow(row)
    for (let column = 0; column < columns; column++) {
      let at = (row + above) * wide + column + left
      let side = 0
      for (let k = 0; k < steps; k++) {
        const z = tallestM - k * fallM
        const x = Math.round(column + left - perColumn * z)
        const y = Math.round(row + above - perRow * z)
        if (x < 0 || y < 0 || x >= wide || y >= high) continue
        const index = y * wide + x
        const crown = crowns[index] ?? 0
        const roof = built[index] ?? 0
        const inCrown = crown >= z && z > crown * crownFrom
        if (!inCrown && roof < z) continue
        at = index
        const depth = (inCrown ? crown : roof) - z
        side = depth < topM + fallM ? 0 : inCrown ? 1 : 2
        break
      }
      const to = (row * columns + column) * 3
      const rough = 1 + (grain(start, column) - 0.5) * (side === 1 ? 0.5 : 0.05)
      for (let c = 0; c < 3; c++)
        into.rgb[to + c] =
          side === 0
            ? (from.rgb[at * 3 + c] ?? 0)
            : ((side === 2 ? wallColour : leafColour)[c] ?? 0) * (side === 2 ? wallLight : 1) * rough
    }
  }
}
