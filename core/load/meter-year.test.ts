import fc from 'fast-check'
import { modelYear } from '../model/model-year'
import { decodedHours } from './meter-hours'
import { encodedHours, onModelYear } from './meter-year'
import { readMeter } from './meter/read-meter'
import { meterTable, usual } from './meter/testing'

const day = 86_400_000
const sum = (values: Float64Array) => values.reduce((all, value) => all + value, 0)
const dateIn = (d: number) => new Date(Date.UTC(modelYear, 0, 1) + d * day)

test('a whole other year: each day takes the same weekday of its season, and the year its sum', () => {
  // 2023; a kWh on each hour of Sundays, what day of the year it is on the hour of noon.
  const value = (_: number, at: Date) => {
    const ofYear = Math.floor((at.getTime() - Date.UTC(2023, 0, 1)) / day)
    return at.getUTCHours() === 12 ? ofYear / 100 : at.getUTCDay() === 0 ? 1 : 0.25
  }
  const hours = onModelYear(readMeter(meterTable({ days: 365, from: Date.UTC(2023, 0, 1), value })))
  if (!hours) throw new Error('there are days')
  for (let d = 0; d < 365; d++) {
    expect(hours[d * 24 + 3]).toBe(dateIn(d).getUTCDay() === 0 ? 1 : 0.25)
    const from = Math.round((hours[d * 24 + 12] ?? NaN) * 100)
    const way = Math.abs(from - d)
    // A year is a day more than whole weeks: around New Year the nearest may be four days away.
    expect(Math.min(way, 365 - way)).toBeLessThanOrEqual(4)
  }
})

test('two weeks stand for all of the year; two years for their mean; part of a day for nothing', () => {
  const weeks = onModelYear(readMeter(meterTable({ days: 14, step: 15, value: (_, at) => usual(at, 15) })))
  if (!weeks) throw new Error('there are days')
  expect(weeks).toHaveLength(8760)
  expect(weeks[18]).toBeCloseTo(2, 12)
  expect(sum(weeks)).toBeCloseTo(365 * (23 * 0.5 + 2), 6)
  const value = (_: number, at: Date) => (at.getUTCFullYear() === 2022 ? 1 : 2)
  const years = onModelYear(readMeter(meterTable({ days: 730, from: Date.UTC(2022, 0, 1), value })))
  expect(years?.[200 * 24 + 5]).toBe(1.5)
  const short = {
    stepMinutes: 60,
    start: 6 * 60,
    kwh: new Float64Array(20),
    measured: new Uint8Array(20),
    problems: [],
  }
  expect(onModelYear(short)).toBeNull()
})

test('hours come back from the document to the watt-hour, whatever their size', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 3000 }), fc.integer(), (greatest, seed) => {
      const kwh = Float64Array.from({ length: 8760 }, (_, i) => Math.abs(Math.sin(i * 1.7 + seed)) * greatest)
      const kept = encodedHours(kwh)
      expect(kept.hours).toHaveLength(23_360)
      const back = decodedHours(kept)
      const worst = kwh.reduce((most, value, i) => Math.max(most, Math.abs(value - (back[i] ?? NaN))), 0)
      expect(worst).toBeLessThanOrEqual(kept.unitWh / 2000 + 1e-9)
      expect(kept.unitWh).toBe(Math.max(1, Math.ceil((Math.max(...kwh) * 1000) / 65_535)))
    }),
    { seed: 5, numRuns: 25, endOnFailure: true },
  )
})
