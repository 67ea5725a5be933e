import fc from 'fast-check'
import { defaultOffer, type Incentive } from '../kinds/offer/offer'
import { waysToPay } from '../kinds/offer/payment'
import { npvOf } from './cash'
import { incentiveYears } from './incentives'
import { loanMonths } from './loan'
import { priceOf } from './price'
import { moneyOf, type CashYear, type MoneyCase, type YearsOffer } from './ways'

const bare: YearsOffer = {
  ...defaultOffer,
  incentives: [],
  escalation: 0.1,
  exportGrowth: 0.1,
  upkeepPerYear: 50,
  upkeepGrowth: 0.1,
  replacements: [],
  discountRate: 0.05,
}
const price = priceOf(
  { ...defaultOffer, pricePerWatt: 1, equipment: 'in-price', incentives: [] },
  {
    modules: 5,
    powerW: 1000,
    modulePrice: 0,
    inverterPrice: 150,
    inverters: 1,
    optimizerPrice: 0,
    optimizers: 0,
    parts: null,
    batteries: 0,
    batteryPrice: 0,
  },
)
const after = [600, 650, 700].map((bill, k) => ({ bill, exported: 100, yieldKwh: 1000 - 10 * k }))
const given = (offer: Partial<YearsOffer> = {}): MoneyCase => ({
  offer: { ...bare, ...offer },
  price,
  before: [1200, 1200, 1200],
  after,
})
const closely = (values: readonly number[]) => values.map((value) => expect.closeTo(value, 6) as number)
const column = (years: readonly CashYear[], key: keyof CashYear) => years.map((year) => year[key])

test('cash by hand: bills and upkeep grow by a tenth, what is ahead adds up', () => {
  const money = moneyOf(given())
  expect(column(money.years, 'billBefore')).toEqual(closely([0, 1200, 1320, 1452]))
  // 1200 - 600 - 50 = 550; (1200 - 650 - 50) 1.1 = 550; (1200 - 700 - 50) 1.21 = 544.5.
  expect(money.cumulative).toEqual(closely([-1000, -450, 100, 644.5]))
  expect(money.npv).toBeCloseTo(-1000 + 550 / 1.05 + 550 / 1.05 ** 2 + 544.5 / 1.05 ** 3, 9)
  expect(money.years.at(-1)?.present).toBeCloseTo(money.npv, 9)
  // 450 are missing after the first year, and the second brings 550.
  expect(money.paybackYears).toBeCloseTo(1 + 450 / 550, 9)
  expect(money.doingNothing).toBeCloseTo(3972, 9)
  // Price and upkeep at what they are worth today, over kWh that come at the ends of years.
  const kwh = 1000 / 1.05 + 990 / 1.05 ** 2 + 980 / 1.05 ** 3
  expect(money.lcoe).toBeCloseTo((1000 + 50 / 1.05 + 55 / 1.05 ** 2 + 60.5 / 1.05 ** 3) / kwh, 9)
})

test('what exports earn grows by itself', () => {
  const { years } = moneyOf(given({ exportGrowth: -0.1 }))
  expect(column(years, 'billAfter')).toEqual(closely([0, 600, 750 * 1.1 - 90, 800 * 1.21 - 81]))
})

test('yearly costs and replacements, each in its own money', () => {
  const { years } = moneyOf(
    given({
      costs: [{ name: 'Insurance', perYear: 20, growth: 0.5 }],
      replacements: [
        { name: 'Inverter', what: 'inverter', year: 2, cost: null },
        { name: 'No battery', what: 'battery', year: 2, cost: 500 },
        { name: 'Roof', what: 'other', year: 3, cost: 70 },
      ],
    }),
  )
  expect(column(years, 'upkeep')).toEqual(closely([0, -70, -85, -105.5]))
  // There is no battery to be replaced; an inverter costs what it does today.
  expect(column(years, 'replacements')).toEqual(closely([0, 0, -150, -70]))
})

const credit: Incentive = {
  name: 'Credit',
  kind: 'tax-credit',
  share: 0.3,
  of: 'all',
  cap: 250,
  taxPerYear: 100,
  years: 2,
}

test('incentives of the years by hand', () => {
  const kwh = [1000, 900, 800]
  const of = (one: Incentive) => incentiveYears([one], { solar: 800, battery: 200 }, kwh, 0.25)
  // 250 of 300, a hundred a year for two years: 50 are lost.
  expect(of(credit).map(({ offTax }) => offTax)).toEqual([100, 100, 0])
  expect(of({ ...credit, years: 5 }).map(({ offTax }) => offTax)).toEqual([100, 100, 50])
  expect(of({ ...credit, taxPerYear: null, of: 'battery' }).map(({ offTax }) => offTax)).toEqual([60, 0, 0])
  expect(of({ name: 'Feed', kind: 'per-kwh', perKwh: 0.1, growth: -0.5, years: 2, taxed: true })).toEqual([
    { paid: 100, taxed: 100, offTax: 0 },
    { paid: 45, taxed: 45, offTax: 0 },
    { paid: 0, taxed: 0, offTax: 0 },
  ])
  expect(
    of({ name: 'Certificates', kind: 'certificates', perMwh: [50, 40], taxed: false }).map(
      ({ paid }) => paid,
    ),
  ).toEqual([50, 36, 0])
  expect(
    of({ name: 'Straight', kind: 'depreciation', shares: [0.6, 0.4] }).map(({ offTax }) => offTax),
  ).toEqual([150, 100, 0])
})

test('tax is due on what is taxed, in the year that it is paid, and in the first for what came at purchase', () => {
  const rebate: Incentive = { name: 'R', kind: 'fixed', amount: 200, taxed: true }
  const feed: Incentive = { name: 'F', kind: 'per-kwh', perKwh: 0.1, growth: 0, years: 1, taxed: true }
  const incentives = [rebate, feed]
  const { years } = moneyOf({
    ...given({ incentives, incomeTax: 0.25 }),
    price: { ...price, incentive: 200, paidBack: [{ name: 'R', amount: 200, taxed: true }], net: 800 },
  })
  expect(column(years, 'incentives')).toEqual(closely([200, 100 - 25 - 50, 0, 0]))
})

test('a loan by hand: a tenth down, the fee on top, the credit of the first year paid in', () => {
  const loan = { ...bare.loan, downShare: 0.1, feeShare: 0.05, rate: 0.06, years: 2, paidInMonth: 12 }
  const { years, firstMonth, flows } = moneyOf(given({ loan, pay: 'loan', incentives: [credit] }))
  const months = loanMonths({
    principal: 945,
    rate: 0.06,
    months: 24,
    interestOnlyMonths: 0,
    balloon: 0,
    paidIn: { month: 12, amount: 100 },
  })
  const paid = (from: number) =>
    months.slice(from, from + 12).reduce((sum, { payment, paidIn }) => sum + payment + paidIn, 0)
  expect(column(years, 'payments')).toEqual(closely([900, -paid(0), -paid(12), 0]))
  expect(flows[0]).toBeCloseTo(-100, 9)
  expect(column(years, 'owed')).toEqual(closely([945, months[11]?.balance ?? NaN, 0, 0]))
  expect(firstMonth).toEqual({ payment: months[0]?.payment, saved: 50 })
})

test('what is still owed after the years that are looked at is paid with the last of them', () => {
  const loan = { ...bare.loan, rate: 0, years: 10 }
  const { years } = moneyOf(given({ loan, pay: 'loan' }))
  // 1,000 in ten years: a hundred a year, and the other seven with the third.
  expect(column(years, 'payments')).toEqual(closely([1000, -100, -100, -800]))
  expect(column(years, 'owed')).toEqual(closely([1000, 900, 800, 0]))
})

test('a lease by hand: twelve payments a year that grow; taken away, nothing is saved; bought, it is', () => {
  const lease = { perMonth: 20, growth: 0.1, years: 2, buyout: null }
  const taken = moneyOf(given({ lease, pay: 'lease' }))
  // No upkeep: that is the owner's. (600 - 240), (550 1.1 - 264), nothing.
  expect(taken.flows).toEqual(closely([0, 360, 341, 0]))
  expect(taken.paybackYears).toBe(0)
  expect(taken.irrReason).toBe('no-root')
  const bought = moneyOf(given({ lease: { ...lease, buyout: 300 }, pay: 'lease' }))
  // The last year is the customer's own, with its upkeep.
  expect(bought.flows).toEqual(closely([0, 360, 41, 544.5]))
  expect(bought.investor.lease.withTax.npv).toBeCloseTo(
    -1000 + (240 - 50) / 1.05 + (264 - 55 + 300) / 1.05 ** 2,
    9,
  )
})

test('a power purchase is paid by what is made; the investor has the credits, if there is tax to pay', () => {
  const ppa = { perKwh: 0.2, growth: 0.05, years: 25, buyout: 100 }
  const { flows, investor } = moneyOf(given({ ppa, pay: 'ppa', incentives: [credit] }))
  expect(flows).toEqual(closely([0, 600 - 200, 605 - 0.21 * 990, 605 - 0.2205 * 980]))
  const { withTax, withoutTax } = investor.ppa
  expect(withTax.npv - withoutTax.npv).toBeCloseTo(100 / 1.05 + 100 / 1.05 ** 2, 9)
})

test('for any offer and way: columns add up to what a year brings, and the last present value is the NPV', () => {
  const share = (most: number) => fc.integer({ min: 0, max: 1000 }).map((n) => (n / 1000) * most)
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 3000 }), { minLength: 1, maxLength: 40 }),
      share(0.1),
      share(0.2),
      fc.integer({ min: 1, max: 50 }),
      fc.option(fc.integer({ min: 0, max: 5000 })),
      fc.integer({ min: 1, max: 60 }),
      (bills, growth, rate, years, buyout, paidInMonth) => {
        const money = moneyOf({
          offer: {
            ...bare,
            incentives: [credit],
            escalation: growth,
            costs: [{ name: 'Insurance', perYear: 100, growth: rate }],
            replacements: [{ name: 'Inverter', what: 'inverter', year: 3, cost: null }],
            loan: { ...bare.loan, rate, years, balloonShare: growth, interestOnlyMonths: 6, paidInMonth },
            lease: { perMonth: 50, growth, years, buyout },
            ppa: { perKwh: 0.1, growth, years, buyout },
          },
          price,
          before: bills.map(() => 2000),
          after: bills.map((bill) => ({ bill, exported: bill / 2, yieldKwh: bill })),
        })
        for (const way of waysToPay) {
          const { years: rows, flows, npv } = money.ways[way]
          expect(rows).toHaveLength(bills.length + 1)
          const off = rows.filter(
            (row, k) =>
              Math.abs(
                row.saved +
                  row.price +
                  row.incentives +
                  row.upkeep +
                  row.replacements +
                  row.payments -
                  (flows[k] ?? NaN),
              ) > 1e-6,
          )
          expect(off).toEqual([])
          expect(rows.at(-1)?.present).toBeCloseTo(npvOf(flows, bare.discountRate), 6)
          expect(rows.at(-1)?.present).toBeCloseTo(npv, 6)
        }
      },
    ),
    { seed: 61, numRuns: 300 },
  )
})
