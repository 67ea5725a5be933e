import { type DispatchCase } from './optimum'
import { type BatteryRun, type HouseYear } from './battery-run'
import { type Dispatch } from './own-use'

/** A year of sun that differs from day to day, evenings at home, and prices by the hour of the day. */
export function sunnyYear(stepHours: number): DispatchCase {
  const n = 8760 / stepHours
  const at = (i: number) => ({ hour: (i * stepHours) % 24, day: (i * stepHours) / 24 })
  const fill = (value: (hour: number, day: number) => number) =>
    Float64Array.from({ length: n }, (_, i) => value(at(i).hour, at(i).day))
  const sun = (day: number) =>
    (4 + 2 * Math.cos(((day - 172) / 365) * 2 * Math.PI)) * (0.4 + 0.6 * Math.sin(day * 1.7) ** 2)
  return {
    yieldKwh: fill((hour, day) => Math.max(0, Math.sin(((hour - 6) / 12) * Math.PI)) * sun(day) * stepHours),
    loadKwh: fill((hour) => (hour > 16 && hour < 22 ? 2 : 0.5) * stepHours),
    buy: fill((hour) => (hour >= 16 && hour < 21 ? 0.45 : hour < 6 ? 0.12 : 0.25)),
    sell: fill(() => 0.06),
    stepHours,
    exportLimitKw: null,
    gridCharging: true,
    startKwh: null,
  }
}

/** Hours of a house without a limit, which end as they begin. */
export const hoursOf = (yieldKwh: Float64Array, loadKwh: Float64Array): HouseYear => ({
  yieldKwh,
  loadKwh,
  stepHours: 1,
  exportLimitKw: null,
  startKwh: null,
})

/** Energy in is energy out and what is lost; nothing is taken that is not there. */
export function expectSound(
  run: Dispatch,
  given: HouseYear & Pick<DispatchCase, 'gridCharging'>,
  battery: BatteryRun,
  start: number | null,
): void {
  const n = given.yieldKwh.length
  let stored = start ?? run.storedKwh[n - 1] ?? 0
  for (let i = 0; i < n; i++) {
    const [made, used] = [given.yieldKwh[i] ?? 0, given.loadKwh[i] ?? 0]
    const at = (series: Float64Array) => series[i] ?? NaN
    const into = made + at(run.bought) + at(run.discharged)
    const clipped = battery.dcSide ? (given.clippedKwh?.[i] ?? 0) : 0
    expect(at(run.fromClipping)).toBeLessThanOrEqual(clipped + 1e-9)
    const beside = at(run.charged) - at(run.fromClipping)
    expect(into - used - at(run.sold) - beside - at(run.curtailed)).toBeCloseTo(0, 9)
    const ofSun = Math.min(beside, Math.max(0, made))
    const stores = battery.dcSide?.gridEfficiency ?? battery.chargeEfficiency
    const change =
      (at(run.fromClipping) + ofSun) * battery.chargeEfficiency +
      (beside - ofSun) * stores -
      at(run.discharged) / battery.dischargeEfficiency
    const next = stored + change
    expect(at(run.storedKwh)).toBeCloseTo(next, 9)
    stored = next
    const { bought, sold, charged, fromClipping, discharged, curtailed } = run
    for (const series of [bought, sold, charged, fromClipping, discharged, curtailed])
      expect(at(series)).toBeGreaterThanOrEqual(-1e-9)
    expect(stored).toBeGreaterThanOrEqual(battery.usableKwh * battery.reserve - 1e-9)
    expect(stored).toBeLessThanOrEqual(battery.usableKwh + 1e-9)
    if (!given.gridCharging) expect(beside).toBeLessThanOrEqual(Math.max(0, made) + 1e-9)
    const inside = change + at(run.discharged) / battery.dischargeEfficiency
    const most = battery.chargeKw * given.stepHours
    expect(inside / battery.chargeEfficiency).toBeLessThanOrEqual(most + 1e-9)
    expect(at(run.discharged)).toBeLessThanOrEqual(battery.dischargeKw * given.stepHours + 1e-9)
    // An inverter puts out and takes in no more than it can, and gives nothing beside what it clips.
    const inverterMost = (battery.dcSide?.inverterKw ?? Infinity) * given.stepHours
    if (at(run.discharged) > 1e-9) {
      expect(at(run.discharged) + Math.max(0, made)).toBeLessThanOrEqual(inverterMost + 1e-9)
      expect(clipped).toBe(0)
    }
    expect(beside - ofSun).toBeLessThanOrEqual(inverterMost + 1e-9)
    if (given.exportLimitKw !== null)
      expect(at(run.sold)).toBeLessThanOrEqual(given.exportLimitKw * given.stepHours + 1e-9)
    expect(at(run.bought) * at(run.sold)).toBe(0)
  }
}
