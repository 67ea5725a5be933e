import { Fault } from '../../model/fault'
import { isStep } from '../../model/model-year'
import { ProblemList } from '../../weather/reading'
import { toStandardTime } from './clock-changes'
import { fillMissing } from './fill'
import { type MeterSeries, type RawReadings, type Reading } from './reading'

/** Five years of quarter-hours, a year of five minutes. */
const mostIntervals = 200_000
/** So many times the mean is no use of a house. */
const spike = 60
/** Zeros for so long mean that the meter was off. */
const silentHours = 48

/**
 * Sets readings in order: standard time, one value an interval, gaps filled and said.
 * @throws Fault `meter-file` where they are no intervals
 */
export function inOrder(raw: RawReadings): MeterSeries {
  const { stepMinutes } = raw
  if (!isStep(stepMinutes)) throw coarse(stepMinutes)
  const found = new ProblemList()
  let readings = [...raw.readings]
  const first = readings[0]
  const last = readings.at(-1)
  if (!first || !last) throw new Fault('meter-file', { reason: 'nothing' })
  if (last.start < first.start) {
    readings.reverse()
    found.add('backwards', first.line, () => ({}), 'note')
  }
  const standard = raw.wallClock ? toStandardTime(readings, stepMinutes) : null
  if (standard) {
    readings = standard
    found.add('daylight-saving', 0, () => ({}), 'note')
  }
  const start = readings.reduce((least, one) => Math.min(least, one.start), Infinity)
  const end = readings.reduce((most, one) => Math.max(most, one.start), -Infinity)
  const intervals = Math.round((end - start) / stepMinutes) + 1
  if (intervals > mostIntervals)
    throw new Fault('meter-file', { reason: 'long', limit: mostIntervals, found: intervals })
  const kwh = new Float64Array(intervals)
  const measured = new Uint8Array(intervals)
  let before = -Infinity
  for (const one of readings) {
    if (one.start < before) found.add('unsorted', one.line, (count) => ({ count }), 'note')
    before = one.start
    place(one, { start, stepMinutes, kwh, measured }, found)
  }
  const values = kwh.filter((_, i) => measured[i] === 1)
  if (values.length === 0) throw new Fault('meter-file', { reason: 'nothing' })
  sayOdd(readings, kwh, measured, stepMinutes, found)
  fillMissing(kwh, measured, stepMinutes)
  return { stepMinutes, start, kwh, measured, problems: [...raw.problems, ...found.list] }
}

const coarse = (stepMinutes: number): Fault =>
  new Fault('meter-file', {
    reason: stepMinutes >= 1440 ? 'coarse' : 'step',
    step: stepMinutes,
  })

function place(
  { start: at, kwh: value, line }: Reading,
  series: Pick<MeterSeries, 'start' | 'stepMinutes' | 'kwh' | 'measured'>,
  found: ProblemList,
): void {
  const exact = (at - series.start) / series.stepMinutes
  const i = Math.round(exact)
  if (Math.abs(exact - i) > 1e-6) found.add('off-step', line, (count) => ({ count }))
  if (Number.isNaN(value)) return
  if (series.measured[i] === 1) {
    found.add('repeated', line, (count) => ({ count }))
    return
  }
  if (value < 0) found.add('negative', line, (count) => ({ count }))
  series.kwh[i] = Math.max(0, value)
  series.measured[i] = 1
}

function sayOdd(
  readings: readonly Reading[],
  kwh: Float64Array,
  measured: Uint8Array,
  stepMinutes: number,
  found: ProblemList,
): void {
  const lineOf = (i: number): number =>
    readings.find(({ start }) => start >= (readings[0]?.start ?? 0) + i * stepMinutes)?.line ?? 0
  const mean = kwh.reduce((sum, value) => sum + value, 0) / Math.max(1, kwh.length)
  let [missing, longest, gap, silent, mostSilent, spikes] = [0, 0, 0, 0, 0, 0]
  let firstMissing = -1
  kwh.forEach((value, i) => {
    const known = measured[i] === 1
    gap = known ? 0 : gap + 1
    if (!known) missing++
    if (!known && firstMissing < 0) firstMissing = i
    longest = Math.max(longest, gap)
    silent = known && value === 0 ? silent + 1 : 0
    mostSilent = Math.max(mostSilent, silent)
    if (value > spike * mean)
      found.add('spike', spikes++ === 0 ? lineOf(i) : 0, (count) => ({ count, times: spike }))
  })
  const hours = (count: number) => ({ value: (count * stepMinutes) / 60, unit: 'h', digits: 1 }) as const
  if (missing > 0)
    found.add('gaps', lineOf(firstMissing), () => ({ count: missing, longest: hours(longest) }))
  if ((mostSilent * stepMinutes) / 60 >= silentHours)
    found.add('silent', 0, () => ({ longest: hours(mostSilent) }))
}
