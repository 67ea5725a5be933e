/** Draws a straight line over every run of NaN, round the turn of the year; all NaN stays as it is. In place. */
export function fillLinear(series: Float64Array): void {
  const n = series.length
  const first = series.findIndex((value) => !Number.isNaN(value))
  if (first < 0) return
  let last = first
  for (let k = 1; k <= n; k++) {
    const i = (first + k) % n
    if (Number.isNaN(series[i])) continue
    const gap = first + k - last
    const from = series[last % n] as number
    const to = series[i] as number
    for (let g = 1; g < gap; g++) series[(last + g) % n] = from + ((to - from) * g) / gap
    last = first + k
  }
}

/** Days looked at on either side for the same time of day. */
const farthestDay = 30

/** Fills NaN with the mean of the nearest day before and after that has a value at the same time. In place. */
export function fillSameTime(series: Float64Array, perDay: number): void {
  const n = series.length
  const given = series.slice()
  const near = (i: number, direction: number) => {
    for (let day = 1; day <= farthestDay; day++) {
      const value = given[(i + direction * day * perDay + n * farthestDay) % n] as number
      if (!Number.isNaN(value)) return value
    }
    return NaN
  }
  for (let i = 0; i < n; i++) {
    if (!Number.isNaN(given[i])) continue
    const known = [near(i, -1), near(i, 1)].filter((value) => !Number.isNaN(value))
    series[i] = known.length > 0 ? known.reduce((sum, value) => sum + value, 0) / known.length : 0
  }
}
