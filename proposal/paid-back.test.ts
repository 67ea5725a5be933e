import { seededRandom } from '@/core/model/random'
import { paidBackShown } from './paid-back'

test('what comes back is shown so that the price less it is what is paid', () => {
  // 13,366.6 less 2,673.32 is 10,693.28: rounded one by one 13,367 − 2,673 would not be 10,693.
  expect(paidBackShown([{ name: 'Grant', amount: 2673.32 }], 13_366.6, 10_693.28)).toEqual([
    { name: 'Grant', amount: 2674 },
  ])
  expect(paidBackShown([], 13_366.6, 13_366.6)).toEqual([])
  expect(paidBackShown([{ name: 'Grant', amount: 12.3 }], null, null)).toEqual([
    { name: 'Grant', amount: 12.3 },
  ])
})

test('each of several stays within one of what it is, and they add up', () => {
  const random = seededRandom(8)
  for (let round = 0; round < 2000; round++) {
    const parts = Array.from({ length: 1 + Math.floor(random() * 4) }, (_, k) => ({
      name: `P${k}`,
      amount: random() * 5000,
    }))
    const price = 15_000 + random() * 9000
    const paid = parts.reduce((rest, { amount }) => rest - amount, price)
    const shown = paidBackShown(parts, price, paid)
    expect(shown.reduce((rest, { amount }) => rest - amount, Math.round(price))).toBe(Math.round(paid))
    shown.forEach(({ amount }, k) => expect(Math.abs(amount - (parts[k]?.amount ?? 0))).toBeLessThan(2))
  }
})
