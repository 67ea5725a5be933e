const weeks = 4

/**
 * Fills what is missing with the mean of the same weekday and time of day in up to four weeks before and after, else of
 * the same time of day, else of all that was measured.
 */
export function fillMissing(kwh: Float64Array, measured: Uint8Array, stepMinutes: number): void {
  const perDay = Math.round(1440 / stepMinutes)
  const daily = new Float64Array(perDay)
  const counts = new Float64Array(perDay)
  let [sum, count] = [0, 0]
  kwh.forEach((value, i) => {
    if (measured[i] === 0) return
    const at = i % perDay
    daily[at] = (daily[at] ?? 0) + value
    counts[at] = (counts[at] ?? 0) + 1
    sum += value
    count++
  })
  kwh.forEach((_, i) => {
    if (measured[i] === 1) return
    let [near, found] = [0, 0]
    for (let week = -weeks; week <= weeks; week++) {
      const at = i + week * 7 * perDay
      if (measured[at] !== 1) continue
      near += kwh[at] ?? 0
      found++
    }
    const ofDay = counts[i % perDay] ?? 0
    kwh[i] =
      found > 0 ? near / found : ofDay > 0 ? (daily[i % perDay] ?? 0) / ofDay : count > 0 ? sum / count : 0
  })
}
