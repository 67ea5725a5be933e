import { defaultLoad } from '../kinds/load/load'
import { dayCount } from '../model/day'
import { yearHours } from '../model/model-year'
import { monthParts } from '../tariff/span-bill'
import { encodedHours } from './meter-year'
import { spanHours } from './span-hours'

const zone = 'America/New_York'

test('a meter’s weekends fall on weekends, and its seasons on their season, in any year', () => {
  // The model year begins on a Wednesday: its fourth and fifth day are a weekend. Each day tells its number, each weekend 500 more.
  const kwh = Float64Array.from({ length: yearHours }, (_, hour) => {
    const day = Math.floor(hour / 24)
    return (day + 1) / 1000 + ((day + 2) % 7 >= 5 ? 0.5 : 0)
  })
  const load = {
    ...defaultLoad,
    shape: 'meter' as const,
    meter: {
      name: 'a',
      from: '2025-01-01',
      days: 365,
      stepMinutes: 60,
      filledShare: 0,
      ...encodedHours(kwh),
    },
  }
  for (const year of [2020, 2023, 2024, 2026])
    for (const [from, first] of [
      [`${year}-01-01`, 0],
      [`${year}-07-01`, 181],
      [`${year}-12-17`, 350],
    ] as const) {
      const [part] = monthParts(dayCount(from), dayCount(from) + 13, zone)
      if (!part) throw new Error('14 days have a part')
      const hours = spanHours(load, part, false)
      expect(hours).toHaveLength(14 * 24)
      for (let i = 12; i < hours.length; i += 24) {
        const own = hours[i] ?? 0
        expect(own >= 0.5 ? 1 : 0).toBe(part.clock.weekend[i])
        const day = Math.round((own - (part.clock.weekend[i] ? 0.5 : 0)) * 1000) - 1
        const apart = Math.abs(day - (first + Math.floor(i / 24))) % 365
        // At New Year the nearer one may lie in the other year.
        expect(Math.min(apart, 365 - apart)).toBeLessThanOrEqual(from.includes('-07-') ? 3 : 6)
      }
    }
})
