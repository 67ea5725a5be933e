import { type LocalClock } from '../model/local-clock'

/**
 * The mean of a series by month and hour of the clock.
 * @returns twelve rows of 24; 0 in an hour that a month does not have
 */
export function meanBoard(series: Float64Array, { month, hour }: LocalClock): number[][] {
  const sums = Array.from({ length: 12 }, () => new Float64Array(24))
  const counts = Array.from({ length: 12 }, () => new Float64Array(24))
  for (let i = 0; i < series.length; i++) {
    const [sum, count] = [sums[month[i] ?? 0], counts[month[i] ?? 0]]
    const h = hour[i] ?? 0
    if (!sum || !count) continue
    sum[h] = (sum[h] as number) + (series[i] as number)
    count[h] = (count[h] as number) + 1
  }
  return sums.map((sum, m) => Array.from(sum, (value, h) => value / (counts[m]?.[h] || 1)))
}
