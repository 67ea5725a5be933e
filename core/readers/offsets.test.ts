import { type FormBill } from '../tariff/bill-lines'
import { offsetsOf } from './offsets'

const even = (year: number) => new Array<number>(12).fill(year / 12)
const billOf = (...lines: FormBill['months'][number]['lines']): FormBill => {
  const total = lines.reduce((sum, { amount }) => sum + amount, 0)
  return { months: Array.from({ length: 12 }, () => ({ lines, total })), annual: 12 * total }
}
const line = (code: FormBill['months'][number]['lines'][number]['code'], amount: number) => ({
  code,
  name: '',
  amount,
})

test('by hand: 8,000 made, 10,000 used, 5,000 sold at 0.1, 7,000 bought at 0.3', () => {
  const offsets = offsetsOf({
    monthly: {
      yieldKwh: even(8000),
      loadKwh: even(10_000),
      boughtKwh: even(7000),
      usedKwh: even(3000),
      soldKwh: even(5000),
      batteryLostKwh: even(0),
      curtailedKwh: even(0),
      billBefore: even(3120),
      billAfter: even(1720),
    },
    bills: {
      before: billOf(line('fixed', 10), line('energy', 250)),
      after: billOf(line('fixed', 10), line('energy', 175), line('exports', -500 / 12)),
    },
  })
  expect(offsets).toMatchObject({ consumption: 0.8, soldKwh: 5000 })
  expect(offsets.bill).toBeCloseTo(1 - 1720 / 3120, 12)
  expect(offsets.selfUse).toBeCloseTo(3 / 8, 12)
  expect(offsets.selfSufficiency).toBeCloseTo(0.3, 12)
  expect(offsets.earned).toBeCloseTo(0.1, 12)
  expect(offsets.paid).toBeCloseTo(0.3, 12)
  expect(offsets.fixed).toBeCloseTo(120, 9)
})

test('nothing made, nothing used: nothing is divided by', () => {
  const none = even(0)
  const monthly = {
    yieldKwh: none,
    loadKwh: none,
    boughtKwh: none,
    usedKwh: none,
    soldKwh: none,
    batteryLostKwh: none,
    curtailedKwh: none,
    billBefore: none,
    billAfter: none,
  }
  expect(offsetsOf({ monthly, bills: { before: billOf(), after: billOf() } })).toEqual({
    consumption: 0,
    bill: 0,
    selfUse: 0,
    selfSufficiency: 0,
    soldKwh: 0,
    earned: null,
    paid: null,
    fixed: 0,
  })
})
