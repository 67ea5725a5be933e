import { loadShapes } from '../model/kinds/load'
import { localClock } from '../model/local-clock'
import { hourlyLoad } from './hourly-load'

const clock = localClock('America/New_York', Date.UTC(2025, 0, 1, 5), 60, 8760)

test.each(loadShapes)(
  '%s: sums to the total, with a proportion of evening and noon that is its own',
  (shape) => {
    const kwh = hourlyLoad({ annualKwh: 8760, shape }, clock, 41)
    expect(kwh.reduce((s, x) => s + x, 0)).toBeCloseTo(8760, 6)
    expect(Math.min(...kwh)).toBeGreaterThan(0)
  },
)

test('seasons turn with the hemisphere', () => {
  const july = (lat: number) =>
    hourlyLoad({ annualKwh: 1000, shape: 'all-electric' }, clock, lat)[24 * 185] ?? 0
  expect(july(-35)).toBeGreaterThan(july(41) * 1.5)
})
