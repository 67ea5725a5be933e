import { bypassV } from './series-curve'
import { diodeAt, openCircuitV, type DiodeModel, type DiodeParameters } from './single-diode'

/** The slow and plain reference of strings under unlike light, for tests. */

/** Volts of one group at a current, by bisection of the whole equation, its bypass diode with it. */
export function groupV(p: DiodeParameters, groupsPerModule: number, currentA: number): number {
  if (!(p.lightA > 0)) return -bypassV
  let [low, high] = [-bypassV * groupsPerModule - 1, openCircuitV(p) + 1]
  for (let k = 0; k < 50; k++) {
    const volts = (low + high) / 2
    const junction = volts + currentA * p.seriesOhm
    const given = p.lightA - p.saturationA * Math.expm1(junction / p.thermalV) - junction / p.shuntOhm
    if (given > currentA) low = volts
    else high = volts
  }
  return Math.max(-bypassV, low / groupsPerModule)
}

/**
 * The greatest power of groups in series over a sweep of the current, finer around its best.
 * @param light of each group, W/m²
 * @param cellC of all of them, or of each
 */
export function sweptBest(
  model: DiodeModel,
  groupsPerModule: number,
  light: readonly number[],
  cellC: number | readonly number[],
  held = { lowV: -Infinity, highV: Infinity },
): number {
  const counts = new Map<string, { level: number; own: number; groups: number }>()
  light.forEach((level, k) => {
    const own = typeof cellC === 'number' ? cellC : (cellC[k] ?? NaN)
    const key = `${level} ${own}`
    counts.set(key, { level, own, groups: (counts.get(key)?.groups ?? 0) + 1 })
  })
  const levels = [...counts.values()].map(({ level, own, groups }) => ({
    cell: diodeAt(model, level, own),
    groups,
  }))
  const most = Math.max(...levels.map(({ cell }) => cell.lightA))
  const voltsAt = (current: number) =>
    levels.reduce((sum, { cell, groups }) => sum + groups * groupV(cell, groupsPerModule, current), 0)
  let [best, at] = [0, 0]
  const look = (current: number) => {
    const volts = voltsAt(current)
    if (volts >= held.lowV && volts <= held.highV && current * volts > best)
      [best, at] = [current * volts, current]
  }
  const coarse = most / 400
  for (let k = 1; k < 400; k++) look(k * coarse)
  const about = at
  for (let k = -40; k <= 40; k++) look(about + (k * coarse) / 40)
  // The edges of the window themselves, which fall between two steps.
  for (const edge of [held.lowV, held.highV]) {
    if (!Number.isFinite(edge) || edge > voltsAt(0)) continue
    let [low, high] = [0, most]
    for (let k = 0; k < 40; k++) {
      const current = (low + high) / 2
      if (voltsAt(current) > edge) low = current
      else high = current
    }
    best = Math.max(best, low * edge)
  }
  return best
}
