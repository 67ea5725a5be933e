import { incentiveSchema } from '@/core/kinds/offer/incentive'
import { incentivesAt } from '@/services/world'
import { askTown } from './ask'
import { incentivesIn, usualIncentives } from './incentives'
import { towns } from './towns'

test('every town has programmes of its own, one of them usual, and all kinds occur', () => {
  for (const { id } of towns) {
    const all = incentivesIn(id)
    expect(new Set(all.map(({ name }) => name)).size).toBe(all.length)
    expect(all.map((one) => incentiveSchema.parse(one))).toEqual(all)
    expect(usualIncentives(id)).toEqual(all.slice(0, 1))
  }
  const kinds = new Set(towns.flatMap(({ id }) => incentivesIn(id).map(({ kind }) => kind)))
  expect([...kinds].sort()).toEqual(
    ['certificates', 'depreciation', 'fixed', 'per-kw', 'per-kwh', 'share', 'tax-credit'].sort(),
  )
  expect(incentivesIn('nowhere')).toEqual([])
})

test('they are found by a place, as a service tells them; far from any town there are none', async () => {
  for (const town of towns) expect(await incentivesAt(askTown, town)).toEqual(incentivesIn(town.id))
  await expect(incentivesAt(askTown, { latitudeDeg: 0, longitudeDeg: 0 })).rejects.toMatchObject({
    code: 'service-refused',
  })
})
