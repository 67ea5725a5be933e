import { clippedFor, limitsOf } from './limits'
import { type BatteryRun, type HouseYear } from './battery-run'
import { standbyKwh } from './standby'

/** What stays on when the grid fails, and with what it begins. */
export interface Island extends Pick<HouseYear, 'yieldKwh' | 'clippedKwh' | 'stepHours'> {
  /** What the circuits that stay on use in each interval. */
  readonly criticalKwh: Float64Array
  /** In the battery at the end of each interval, as it runs with the grid. */
  readonly storedKwh: Float64Array
}

/**
 * How long the circuits that stay on would run if the grid failed at the start of each interval: from the sun as it is
 * made, and from all that is in the battery, its reserve too. They go out together, when what they use is more than sun
 * and battery give, or the battery is empty. What the battery draws itself is carried with them.
 * @param mostHours looked ahead; who runs that long is said to run that long
 * @returns hours, one entry an interval; the year goes round
 */
export function backupHours(island: Island, battery: BatteryRun, mostHours: number): Float32Array {
  const { yieldKwh, criticalKwh, storedKwh, stepHours } = island
  const n = yieldKwh.length
  const out = new Float32Array(n)
  const most = Math.min(n, Math.round(mostHours / stepHours))
  const own = standbyKwh(battery, stepHours)
  const { chargeMost, dischargeMost, inverterMost } = limitsOf(battery, stepHours)
  const clipped = clippedFor(battery, island)
  for (let first = 0; first < n; first++) {
    let held = storedKwh[(first + n - 1) % n] as number
    let steps = 0
    for (; steps < most; steps++) {
      const i = (first + steps) % n
      const made = Math.max(0, yieldKwh[i] as number)
      const short = (criticalKwh[i] as number) + own - made
      if (short <= 0) {
        const spare = (clipped ? (clipped[i] as number) : 0) - short
        held = Math.min(battery.usableKwh, held + Math.min(spare, chargeMost) * battery.chargeEfficiency)
        continue
      }
      if (short > Math.min(dischargeMost, inverterMost - made) + tiny) break
      const wanted = short / battery.dischargeEfficiency
      if (wanted > held + tiny) {
        // Empty within the interval.
        steps += held / wanted
        break
      }
      held -= wanted
    }
    out[first] = steps * stepHours
  }
  return out
}

const tiny = 1e-9

/** What a year of backup comes to. */
export interface BackupSummary {
  /** Of each interval that the grid may fail in. */
  readonly hours: Float32Array
  /** The shortest of all, and the interval it begins in. */
  readonly worstHours: number
  readonly worstInterval: number
  /** At least this long in 95 of 100 hours. */
  readonly mostlyHours: number
  /** Share of all hours from which they run for a day or longer. */
  readonly dayShare: number
  /** Half of the hours of each month are followed by as long a run or longer; January first. */
  readonly byMonth: readonly number[]
  /** As far as was looked ahead. */
  readonly mostHours: number
}

/** @param month 0 to 11 of each interval */
export function backupSummary(
  hours: Float32Array,
  month: ArrayLike<number>,
  mostHours: number,
): BackupSummary {
  let worst = 0
  const months = Array.from({ length: 12 }, (): number[] => [])
  let days = 0
  for (let i = 0; i < hours.length; i++) {
    const own = hours[i] as number
    if (own < (hours[worst] as number)) worst = i
    months[month[i] ?? 0]?.push(own)
    if (own >= 24 - 1e-6) days++
  }
  const sorted = hours.slice().sort()
  return {
    hours,
    worstHours: hours[worst] ?? 0,
    worstInterval: worst,
    mostlyHours: sorted[Math.floor(0.05 * sorted.length)] ?? 0,
    dayShare: hours.length > 0 ? days / hours.length : 0,
    byMonth: months.map((own) => own.sort((a, b) => a - b)[Math.floor(own.length / 2)] ?? 0),
    mostHours,
  }
}
