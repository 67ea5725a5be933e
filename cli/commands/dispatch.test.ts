import { Fault } from '@/core/model/fault'
import { answerTo } from '../case-command'
import { dispatchQuestion } from './dispatch'

const given = {
  yieldKwh: [0, 4, 0, 0],
  loadKwh: [1, 1, 1, 3],
  stepHours: 1,
  battery: {
    usableKwh: 10,
    chargeKw: 2,
    dischargeKw: 5,
    chargeEfficiency: 0.9,
    dischargeEfficiency: 0.8,
    reserve: 0.1,
  },
  rule: 'own-use',
  buy: [0.2, 0.2, 0.2, 0.4],
  sell: [0.05, 0.05, 0.05, 0.05],
}
interface Answer {
  readonly annual: { bought: number; sold: number; cost: number }
  readonly hourly: Record<'charge' | 'discharge' | 'stored' | 'bought' | 'sold', number[]>
}
const dispatch = (more: object = {}) => answerTo(dispatchQuestion, { ...given, ...more }) as Answer

test('own use by hand, as it begins so it ends', () => {
  const { annual, hourly } = dispatch()
  // Two go in, 1.8 are inside, 1.44 come out: one in the third hour, the rest in the fourth.
  expect(hourly.charge).toEqual([0, 2, 0, 0])
  expect(hourly.discharge[2]).toBeCloseTo(1, 12)
  expect(hourly.discharge[3]).toBeCloseTo(0.44, 12)
  expect(hourly.stored[3]).toBeCloseTo(1, 12)
  expect(annual.bought).toBeCloseTo(1 + 2.56, 12)
  expect(annual.sold).toBeCloseTo(1, 12)
  expect(annual.cost).toBeCloseTo(0.2 + 2.56 * 0.4 - 0.05, 12)
})

test('the optimum keeps it for the dear hour; what is inside at the start may be used up', () => {
  const best = dispatch({ rule: 'optimum' })
  expect(best.hourly.discharge[2]).toBeCloseTo(0, 12)
  expect(best.annual.cost).toBeCloseTo(0.2 + 0.2 + (3 - 1.44) * 0.4 - 0.05, 9)
  const full = dispatch({ rule: 'optimum', startKwh: 10 })
  expect(full.annual.cost).toBeLessThan(0)
  expect(full.hourly.stored.at(-1)).toBeCloseTo(1, 9)
  expect(dispatch({ rule: 'tariff' }).annual.cost).toBeGreaterThanOrEqual(best.annual.cost - 1e-9)
})

test('without a battery, and with a limit to what goes out', () => {
  const { annual, hourly } = dispatch({ battery: null, exportLimitKw: 2 })
  expect(annual).toMatchObject({ bought: 5, sold: 2, curtailed: 1 })
  expect(hourly.stored).toEqual([0, 0, 0, 0])
})

test.each([
  [{ loadKwh: [1] }, 'loadKwh'],
  [{ buy: [1, 2, 3, 4, 5] }, 'buy'],
  [{ startKwh: 0.5 }, 'startKwh'],
  [{ loadKwh: [1, 1, -1, 1] }, 'loadKwh.2'],
  [{ stepHours: 0 }, 'stepHours'],
  [{ rule: 'best' }, 'rule'],
  [{ battery: { ...given.battery, chargeEfficiency: 0 } }, 'battery.chargeEfficiency'],
  [{ yieldKwh: [] }, 'yieldKwh'],
])('bad input %# is named', (more, path) => {
  expect.assertions(2)
  try {
    dispatch(more)
  } catch (error) {
    expect(error).toBeInstanceOf(Fault)
    expect((error as Fault).path).toBe(path)
  }
})
