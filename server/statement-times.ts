import { type Histogram } from 'prom-client'

/** How long a statement takes, by its name, since this process began. */
export interface StatementTime {
  readonly name: string
  readonly count: number
  readonly meanMs: number
  /** Those that took longer than a tenth of a second. */
  readonly slow: number
}

/** A bucket's bound that is slow, s. */
const slowSeconds = 0.1

/** Statements by the time that they have taken in all, the longest first. */
export async function statementTimes(
  histogram: Pick<Histogram<'statement'>, 'get'>,
  most: number,
): Promise<StatementTime[]> {
  const { values } = await histogram.get()
  const times = new Map<string, { count: number; sum: number; fast: number }>()
  for (const { labels, value, metricName } of values) {
    const name = String(labels.statement ?? '')
    const time = times.get(name) ?? { count: 0, sum: 0, fast: 0 }
    times.set(name, time)
    if (metricName?.endsWith('_count')) time.count = value
    else if (metricName?.endsWith('_sum')) time.sum = value
    // Each of the rest is how many were within a bound, which stands among the labels.
    else if ('le' in labels && Number(labels.le) === slowSeconds) time.fast = value
  }
  return [...times]
    .sort(([, a], [, b]) => b.sum - a.sum)
    .slice(0, most)
    .map(([name, { count, sum, fast }]) => ({
      name,
      count,
      meanMs: count > 0 ? (sum / count) * 1000 : 0,
      slow: count - fast,
    }))
}
