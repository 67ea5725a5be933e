import { type LaidArray } from '../site/site'
import { heatOverRoof, openHeat, type HeatLoss } from './cell-temperature'
import { windShare } from './wind'

/** Height of an array's modules over the ground on the mean, m, to the decimetre. */
export function heightOf({ panels }: Pick<LaidArray, 'panels'>): number {
  const heights = panels.flatMap(({ corners }) => corners.map(([, , z]) => z))
  const mean = heights.reduce((sum, z) => sum + z, 0) / Math.max(1, heights.length)
  return Math.round(mean * 10) / 10
}

/** Heat loss of an array by the wind of the station: gap behind it, and the share of the wind at its height. */
export function heatAt(array: Pick<LaidArray, 'airGapM' | 'panels'>): HeatLoss {
  const { u0, u1 } = array.airGapM === null ? openHeat : heatOverRoof(array.airGapM)
  return { u0, u1: u1 * windShare(heightOf(array), 'suburb') }
}
