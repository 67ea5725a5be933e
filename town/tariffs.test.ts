import { formBill } from '@/core/tariff/form-bill'
import { localClock } from '@/core/model/local-clock'
import { modelYear, yearStartMs } from '@/core/model/model-year'
import { tariffsAt } from '@/services/world'
import { askTown } from './ask'
import { tariffsIn } from './tariffs'
import { towns } from './towns'

const all = towns.flatMap(({ id }) => tariffsIn(id))

test('twelve tariffs of four utilities, no two of one name at a utility', () => {
  expect(all).toHaveLength(12)
  expect(new Set(all.map(({ utility }) => utility)).size).toBe(4)
  expect(new Set(all.map(({ utility, name }) => `${utility} ${name}`)).size).toBe(12)
  expect(tariffsIn('nowhere')).toEqual([])
})

test('each makes bills of a plain house that somebody could pay, and solar makes none of them dearer', () => {
  for (const town of towns) {
    const clock = localClock(town.timeZone, yearStartMs(town.timeZoneHours), 60, 8760)
    const boughtKwh = Float64Array.from(clock.hour, (hour) => (hour >= 17 && hour < 22 ? 2 : 0.5))
    const soldKwh = Float64Array.from(clock.hour, (hour) => (hour === 12 ? 1.5 : 0))
    const hours = { clock, year: modelYear, stepMinutes: 60, boughtKwh }
    for (const tariff of tariffsIn(town.id)) {
      const before = formBill(tariff, { ...hours, soldKwh: new Float64Array(8760) })
      const after = formBill(tariff, { ...hours, soldKwh })
      expect(before.annual).toBeGreaterThan(600)
      expect(before.annual).toBeLessThan(4000)
      expect(after.annual).toBeLessThanOrEqual(before.annual)
    }
  }
})

test('they are found by a place, as a service tells them; far from any town there are none', async () => {
  for (const town of towns) expect(await tariffsAt(askTown, town)).toEqual(tariffsIn(town.id))
  await expect(tariffsAt(askTown, { latitudeDeg: 0, longitudeDeg: 0 })).rejects.toMatchObject({
    code: 'service-refused',
  })
})
