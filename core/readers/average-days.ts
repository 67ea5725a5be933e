import { monthsOf } from '../model/model-year'
import { type Carpet } from '../stages/carpet'

export const dayHours = 24

/** The mean day of a month: kW in each hour of the local clock. */
export interface AverageDay {
  readonly yieldKw: readonly number[]
  readonly loadKw: readonly number[]
  readonly boughtKw: readonly number[]
  readonly soldKw: readonly number[]
}

/** Twelve mean days, January first. */
export function averageDays(
  carpet: Pick<Carpet, 'stepMinutes' | 'clockHour' | 'yield' | 'load' | 'bought' | 'sold'>,
): AverageDay[] {
  const { clockHour, stepMinutes } = carpet
  const months = monthsOf(stepMinutes)
  const perHour = 60 / stepMinutes
  const of = (series: Float32Array): number[][] => {
    const sums = Array.from({ length: 12 }, () => new Array<number>(dayHours).fill(0))
    const counts = Array.from({ length: 12 }, () => new Array<number>(dayHours).fill(0))
    for (let i = 0; i < series.length; i++) {
      const [month, hour] = [months[i] ?? 0, clockHour[i] ?? 0]
      const [sum, count] = [sums[month], counts[month]]
      if (!sum || !count) continue
      sum[hour] = (sum[hour] ?? 0) + (series[i] as number)
      count[hour] = (count[hour] ?? 0) + 1
    }
    return sums.map((sum, m) => sum.map((kwh, h) => (kwh * perHour) / (counts[m]?.[h] || 1)))
  }
  const [made, load, bought, sold] = [carpet.yield, carpet.load, carpet.bought, carpet.sold].map(of)
  return Array.from({ length: 12 }, (_, month) => ({
    yieldKw: made?.[month] ?? [],
    loadKw: load?.[month] ?? [],
    boughtKw: bought?.[month] ?? [],
    soldKw: sold?.[month] ?? [],
  }))
}
