import { commonVolts } from './parallel-strings'
import { seriesInto, type SteppedString } from './step-down'
import { emptyYear, type InSeries, type LitString, type StringRequest } from './string-year'

/** Even steps of volts up to those of an open circuit, and how near those are found. */
const steps = 120
const openShare = 1e-4
/** More volts than any string has: a model without a curve never comes to an end. */
const noVolts = 1e5
/** A working point so near the greatest power of the curve is on it: the steps of volts miss that by as much. */
const onTop = 1e-3

/** The curve of what hangs on an input, at one moment, after dirt and snow. */
export interface InputCurve {
  /** Rising volts, and the amperes there; from a little above nought to an open circuit. */
  readonly voltsV: readonly number[]
  readonly currentA: readonly number[]
  /** Where the input works; null where nothing does. */
  readonly work: { readonly voltsV: number; readonly powerW: number } | null
  /** The greatest power of the whole curve. */
  readonly bestW: number
}

/**
 * @param strings all that hang on the input
 * @param entry of `SunHours`
 * @returns null where no light falls on any of them, or their module's model has no curve
 */
export function inputCurve(
  strings: readonly (LitString | SteppedString)[],
  request: StringRequest,
  entry: number,
): InputCurve | null {
  const all = strings.map((string) => seriesInto(emptyYear(entry + 1, false), string, request))
  // What is shaded is read in its order.
  for (let k = 0; k < entry; k++) for (const series of all) series.read(k)
  const lit = all.filter((series) => series.read(entry))
  if (lit.length === 0) return null
  const powerAt = (volts: number) => lit.reduce((sum, series) => sum + series.workAt(volts).powerW, 0)
  const work = workOf(lit, request.window, powerAt)
  const openV = Math.max(...lit.map((series) => openVolts(series)))
  // Without light worth a volt, or without a curve.
  if (openV <= 0) return null
  const voltsV = Array.from({ length: steps + 1 }, (_, k) => (openV * Math.max(k, 0.5)) / steps)
  const watts = voltsV.map(powerAt)
  const mostW = Math.max(...watts)
  return {
    voltsV,
    currentA: watts.map((power, k) => power / (voltsV[k] ?? 1)),
    work,
    bestW: work && work.powerW >= mostW * (1 - onTop) ? work.powerW : mostW,
  }
}

/** Where strings work that are read to their entry: one by itself at its best, several at the volts that they share. */
function workOf(
  lit: readonly InSeries[],
  window: StringRequest['window'],
  powerAt: (volts: number) => number,
): InputCurve['work'] {
  const [one] = lit
  if (one && lit.length === 1) {
    const { powerW, voltsV } = one.work()
    return powerW > 0 ? { powerW, voltsV } : null
  }
  const shared = commonVolts(lit, window)
  return shared === null ? null : { powerW: powerAt(shared), voltsV: shared }
}

/** The most volts that a string comes to. */
function openVolts(series: InSeries): number {
  let [low, high] = [0, 1]
  while (series.workAt(high).powerW > 0 && high < noVolts) [low, high] = [high, 2 * high]
  if (high >= noVolts) return 0
  while (high - low > openShare * high) {
    const middle = (low + high) / 2
    if (series.workAt(middle).powerW > 0) low = middle
    else high = middle
  }
  return low
}
