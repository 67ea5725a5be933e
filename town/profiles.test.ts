import { type LoadShape } from '@/core/kinds/load/load'
import { hourlyLoad } from '@/core/load/hourly-load'
import { meterFile } from '@/core/load/meter-file'
import { shapeSpread } from '@/core/readers/offsets'
import { acStage } from '@/core/stages/ac'
import { clockStage } from '@/core/stages/clock'
import { profileCsv, profileHours, profileList } from './profiles'
import { freshGraph, job, option, worldOf } from './testing'

const sum = (values: Iterable<number>) => [...values].reduce((all, one) => all + one, 0)
const hoursOf = (id: string, southern = false) => {
  const found = profileHours(id, southern)
  if (!found) throw new Error(`${id} is there`)
  return found
}

test('at least six households, the same each time, each with its year', () => {
  expect(profileList.length).toBeGreaterThanOrEqual(6)
  for (const { id, kwhPerYear } of profileList) {
    const kwh = hoursOf(id)
    expect(kwh).toHaveLength(8760)
    expect(sum(kwh)).toBeCloseTo(kwhPerYear, 6)
    expect(Math.min(...kwh)).toBeGreaterThan(0)
    expect(Math.max(...kwh)).toBeLessThan(15)
    expect(hoursOf(id)).toEqual(kwh)
  }
  expect(profileHours('nobody', false)).toBeNull()
  expect(profileCsv('nobody', false)).toBeNull()
})

test('they differ as their houses do', () => {
  const part = (id: string, holds: (hour: number, day: number) => boolean, southern = false) => {
    const kwh = hoursOf(id, southern)
    return sum(kwh.filter((_, i) => holds(i % 24, Math.floor(i / 24)))) / sum(kwh)
  }
  const night = (hour: number) => hour < 5
  const noon = (hour: number) => hour >= 10 && hour < 16
  const cold = (_hour: number, day: number) => day < 59
  expect(part('night-car', night)).toBeGreaterThan(2 * part('two-at-work', night))
  expect(part('retired', noon)).toBeGreaterThan(1.25 * part('two-at-work', noon))
  expect(part('heat-pump', cold)).toBeGreaterThan(0.22)
  expect(part('heat-pump', cold, true)).toBeLessThan(0.12)
  // The year begins on a Sunday: days 0 and 6 are free.
  expect(part('weekends-only', (_, day) => day % 7 === 0 || day % 7 === 6)).toBeGreaterThan(0.5)
})

test.each(profileList.map(({ id }) => id))('%s is read as any meter’s file is', (id) => {
  const file = meterFile(profileCsv(id, false) ?? '')
  const own = profileList.find((one) => one.id === id)
  expect(file.annualKwh).toBeCloseTo(own?.kwhPerYear ?? 0, -1)
  expect(file.meter).toMatchObject({ days: 365, stepMinutes: 60, filledShare: 0 })
})

/** The shape that says most of a household; none says much of a house that is empty all week. */
const shapes: Readonly<Record<string, LoadShape>> = {
  'two-at-work': 'evening',
  'family-of-five': 'evening',
  retired: 'at-home',
  'heat-pump': 'all-electric',
  'night-car': 'night-car',
  'home-office': 'at-home',
}

test('how far self-consumption from a shape is off is what these households say, at half the yield and at more', async () => {
  const run = freshGraph().open(await worldOf(job.house, option))
  const made = run.value(acStage).kwhByInterval.map((kwh) => Math.max(0, kwh))
  const clock = run.value(clockStage)
  const used = (load: Float64Array, times: number) =>
    sum(made.map((kwh, i) => Math.min(kwh * times, load[i] ?? 0))) / (sum(made) * times)
  const spreadAt = (offset: number, withMonths: boolean) => {
    const off = Object.entries(shapes).map(([id, shape]) => {
      const { annualKwh, meter } = meterFile(profileCsv(id, false) ?? '')
      const own = { annualKwh, byMonth: null, meter: { ...meter, name: id } }
      const metered = hourlyLoad({ ...own, shape: 'meter' }, clock, false)
      const byMonth = new Array<number>(12).fill(0)
      metered.forEach((kwh, i) => (byMonth[clock.month[i] ?? 0] = (byMonth[clock.month[i] ?? 0] ?? 0) + kwh))
      const shaped = hourlyLoad({ ...own, shape, ...(withMonths && { byMonth }) }, clock, false)
      const times = (offset * annualKwh) / sum(made)
      return [used(metered, times), used(shaped, times)] as const
    })
    const square = off.reduce((all, [metered, shaped]) => all + (metered - shaped) ** 2, 0) / off.length
    return Math.sqrt(square) / (off.reduce((all, [metered]) => all + metered, 0) / off.length)
  }
  for (const offset of [0.5, 0.8, 1, 1.3]) {
    expect(Math.abs(spreadAt(offset, false) - shapeSpread.year)).toBeLessThan(0.015)
    expect(Math.abs(spreadAt(offset, true) - shapeSpread.months)).toBeLessThan(0.015)
  }
}, 60_000)
