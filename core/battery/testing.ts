import { type DispatchCase } from './optimum'
import { type HouseYear } from './own-use'

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
