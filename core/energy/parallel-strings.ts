import { goldenSection } from '../model/golden-section'
import { seriesInto, type SteppedString } from './step-down'
import { emptyYear, type InSeries, type LitString, type StringRequest, type StringYear } from './string-year'

/** Share of the volts that the search of the common ones ends at. */
const fineShare = 1e-3
/** Of the volts: half way between tops as near as this less than a ten-thousandth is lost (3,000 seeded pairs). */
const nearShare = 1e-2
/** Between the best volts of the strings. */
const steps = 8

/**
 * A year of strings on one input that differ: the input holds all of them at the same volts, where they give most
 * together; at those each is off its own best point, and one whose open-circuit volts are below them gives nothing. What
 * that costs is each string's loss `window`. Current that a string could draw from another is left out.
 * @returns a year of each, in their order
 */
export function parallelYears(
  strings: readonly (LitString | SteppedString)[],
  request: StringRequest,
): StringYear[] {
  const { withVolts, sun, window } = request
  const entries = sun.interval.length
  const outs = strings.map(() => emptyYear(entries, withVolts))
  const all = strings.map((string, s) => seriesInto(outs[s] as StringYear, string, request))
  for (let k = 0; k < entries; k++) {
    const lit = all.flatMap((series, s) => (series.read(k) ? [{ series, out: outs[s] as StringYear }] : []))
    const volts = commonVolts(
      lit.map(({ series }) => series),
      window,
    )
    if (volts === null) {
      for (const { series } of lit) series.book()
      continue
    }
    for (const { series, out } of lit) {
      const { powerW } = series.workAt(volts)
      series.book()
      out.powerW[k] = powerW
      if (withVolts) out.voltWatts[k] = powerW * volts
    }
  }
  return outs.map((out, s) => ({ ...out, weights: all[s]?.weights() ?? null }))
}

/**
 * The volts at which strings on one input give most together, at the entry that each was read to; null where none of them
 * works in the window. They are left where they work at their best by themselves, or at the volts tried last.
 */
export function commonVolts(lit: readonly InSeries[], window: StringRequest['window']): number | null {
  const [lowest, highest] = [window?.lowV ?? 0, window?.highV ?? Infinity]
  // A string that works alone in the window starts the input for all.
  const own = lit.map((series) => ({ ...series.work() })).filter(({ powerW }) => powerW > 0)
  if (own.length === 0) return null
  const tops = own.map(({ voltsV }) => Math.min(highest, Math.max(lowest, voltsV))).sort((a, b) => a - b)
  return bestBetween(tops, (at) => {
    let sum = 0
    for (const series of lit) sum += series.workAt(at).powerW
    return sum
  })
}

/**
 * The best of all volts from the least of several tops to the greatest: looked for at even steps, then round the best of
 * those. Below the least top every string gives more with the volts, above the greatest less.
 */
function bestBetween(tops: readonly number[], valueAt: (volts: number) => number): number {
  const [least, greatest] = [tops[0] ?? 0, tops.at(-1) ?? 0]
  if (greatest - least <= nearShare * greatest) return (least + greatest) / 2
  const places = [
    ...Array.from({ length: steps + 1 }, (_, k) => least + ((greatest - least) * k) / steps),
    ...tops.slice(1, -1),
  ].sort((a, b) => a - b)
  const values = places.map(valueAt)
  const best = values.indexOf(Math.max(...values))
  const top = places[best] ?? least
  const middle = goldenSection(
    valueAt,
    places[best - 1] ?? top,
    places[best + 1] ?? top,
    (low, high) => high - low <= fineShare * high,
  )
  return valueAt(middle) > (values[best] ?? 0) ? middle : top
}
