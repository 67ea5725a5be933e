import { type MeterYear } from '../kinds/load/load'
import { Fault } from '../model/fault'
import { encodedHours, onModelYear } from './meter-year'
import { energyOf, readMeter } from './meter/read-meter'
import { type MeterProblem } from './meter/reading'

const dayMinutes = 1440

/** A meter's file as a job keeps it. */
export interface MeterFile {
  readonly meter: Omit<MeterYear, 'name'>
  /** Of a year, as it was measured. */
  readonly annualKwh: number
  readonly problems: readonly MeterProblem[]
}

/**
 * A meter's file as a job keeps it: its hours on the calendar of the model year.
 * @returns `annualKwh` of a year, as `energyOf` has it
 * @throws Fault `meter-file`, and those of `readMeter`
 */
export function meterFile(text: string): MeterFile {
  const series = readMeter(text)
  const hours = onModelYear(series)
  if (!hours) throw new Fault('meter-file', { reason: 'day' })
  const { start, stepMinutes, kwh, measured } = series
  const filled = measured.reduce((count, one) => count + (one === 0 ? 1 : 0), 0)
  return {
    meter: {
      from: new Date(start * 60_000).toISOString().slice(0, 10),
      days: Math.max(1, Math.round((kwh.length * stepMinutes) / dayMinutes)),
      stepMinutes,
      filledShare: filled / kwh.length,
      ...encodedHours(hours),
    },
    annualKwh: energyOf(series).annualKwh,
    problems: series.problems,
  }
}
