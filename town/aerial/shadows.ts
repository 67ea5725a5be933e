import { type Vec2 } from '@/core/geometry/vector'
import { type Grid } from './sheet'

/** The sun over a picture: the way towards it, and its height as the rise over a metre. */
export interface LowSun {
  readonly towards: Vec2
  readonly risePerMetre: number
}

/** Over this height the edge of a shadow goes from light to dark, m. */
const softM = 0.35

/**
 * Where a height field shades itself, 0 in the sun to 1: the height up to which each point lies in shadow, carried from
 * the sun's side row by row or column by column, between its two neighbours.
 * @param heights over the ground, m, rows from the north-west
 */
export function shadowsOf(
  { columns, rows, stepM }: Grid,
  heights: Float32Array,
  { towards, risePerMetre }: LowSun,
): Float32Array {
  const shade = new Float32Array(columns * rows)
  const top = new Float32Array(columns * rows)
  // In points towards the sun; rows run south.
  const [dx, dy] = [towards[0] / stepM[0], towards[1] / stepM[1]]
  const byColumn = Math.abs(dx) >= Math.abs(dy)
  const major = byColumn ? dx : dy
  const slant = (byColumn ? dy : dx) / Math.abs(major)
  const drop = risePerMetre / Math.abs(major)
  const [longs, shorts] = byColumn ? [columns, rows] : [rows, columns]
  const [longStep, shortStep] = byColumn ? [1, columns] : [columns, 1]
  const ahead = Math.sign(major)
  for (let k = 1; k < longs; k++) {
    const at = ahead > 0 ? longs - 1 - k : k
    const before = at + ahead
    for (let s = 0; s < shorts; s++) {
      const from = s + slant
      const low = Math.floor(from)
      const share = from - low
      const read = (i: number) => {
        const clamped = i < 0 ? 0 : i >= shorts ? shorts - 1 : i
        const index = before * longStep + clamped * shortStep
        return Math.max(heights[index] ?? 0, top[index] ?? 0)
      }
      const height = read(low) * (1 - share) + read(low + 1) * share - drop
      const index = at * longStep + s * shortStep
      top[index] = height
      const under = (height - (heights[index] ?? 0)) / softM
      shade[index] = under <= 0 ? 0 : under >= 1 ? 1 : under
    }
  }
  return shade
}

/** The mean over a square of neighbours, along rows and then columns. */
export function blurred({ columns, rows }: Grid, values: Float32Array, reach: number): Float32Array {
  const along = new Float32Array(values.length)
  const out = new Float32Array(values.length)
  const pass = (
    from: Float32Array,
    to: Float32Array,
    lines: number,
    length: number,
    line: number,
    step: number,
  ) => {
    for (let l = 0; l < lines; l++) {
      let sum = 0
      const read = (k: number) => from[l * line + Math.min(length - 1, Math.max(0, k)) * step] ?? 0
      for (let k = -reach; k <= reach; k++) sum += read(k)
      for (let k = 0; k < length; k++) {
        to[l * line + k * step] = sum / (2 * reach + 1)
        sum += read(k + reach + 1) - read(k - reach)
      }
    }
  }
  pass(values, along, rows, columns, columns, 1)
  pass(along, out, columns, rows, 1, columns)
  return out
}
