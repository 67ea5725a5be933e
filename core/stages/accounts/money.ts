import { type Price } from '../../finance/price'
import { type CashYear, type Money } from '../../finance/ways'
import { stage, type Stage } from '../../graph/stage'
import { offerId } from '../../kinds/offer/offer'
import { tariffNowId, tariffThenId } from '../../kinds/tariff/tariff'
import {
  type Assumption,
  type Check,
  type Explanation,
  type LedgerLine,
  type LineId,
  type Term,
} from '../../model/ledger'
import { type Unit } from '../../model/said'
import { type BillLineCode, type FormBill } from '../../tariff/bill-lines'
import { billNowStage, billThenStage } from '../bills'
import { financeStage, priceStage } from '../finance'
import { powerStage } from '../power'
import { batteryIn, fieldsOf, moduleIn, offerIn, type World } from '../world'
import { term, type Account } from './account'

const moneyLine = (
  id: LineId,
  value: number | null,
  unit: Unit,
  better: LedgerLine['better'],
  explanation: Explanation,
): LedgerLine => ({ id, group: 'money', value, unit, weight: 'line', better, explanation, about: [] })

const cash = (code: Term['code'], value: number) => term(code, value, 'money', 0)

/** What lines of a bill come under in its explanation. */
const headOf: Readonly<Record<BillLineCode, Term['code']>> = {
  energy: 'energy',
  tier: 'energy',
  'non-bypassable': 'energy',
  demand: 'demand',
  exports: 'export-credit',
  'credit-carried': 'export-credit',
  'credit-used': 'export-credit',
  'credit-lapsed': 'export-credit',
  surplus: 'export-credit',
  fixed: 'fixed',
  daily: 'fixed',
  minimum: 'fixed',
  tax: 'taxes-and-credits',
  credit: 'taxes-and-credits',
}

/** A year's bill in a few sums that make it up. */
function billTerms({ months }: FormBill): Term[] {
  const sums = new Map<Term['code'], number>([
    ['energy', 0],
    ['fixed', 0],
  ])
  for (const { code, amount } of months.flatMap(({ lines }) => lines)) {
    const head = headOf[code]
    sums.set(head, (sums.get(head) ?? 0) + amount)
  }
  return [...sums].map(([code, sum]) => cash(code, sum))
}

/** A figure that nothing stands behind before modules are laid or a battery is chosen. */
const onlyWith =
  (any: boolean) =>
  (line: LedgerLine): LedgerLine =>
    any ? line : { ...line, value: null, absent: 'to-come' }

/** What is paid for energy, before and with solar. */
const billAccount: Stage<World, Account> = stage({
  name: 'account of bills',
  version: 3,
  after: { before: billNowStage, after: billThenStage, power: powerStage },
  reads: (world: World) => ({ hasBattery: batteryIn(world) !== null }),
  compute: ({ hasBattery }, { before, after, power }) => {
    const gained = onlyWith(power.count > 0 || hasBattery)
    return {
      checks: [],
      lines: [
        moneyLine('bill-now', before.annual, 'money/year', 'less', {
          formula: { code: 'bill-now' },
          inputs: [{ code: 'tariff', value: { ref: tariffNowId } }, ...billTerms(before)],
          sources: [{ code: 'tariff-entered' }],
          assumptions: [],
        }),
        gained(
          moneyLine('bill-then', after.annual, 'money/year', 'less', {
            formula: { code: 'bill-then' },
            inputs: [{ code: 'tariff', value: { ref: tariffThenId } }, ...billTerms(after)],
            sources: [{ code: 'tariff-entered' }],
            assumptions: [{ code: 'first-year' }],
          }),
        ),
        gained(
          moneyLine('saving', before.annual - after.annual, 'money/year', 'more', {
            formula: { code: 'saving' },
            inputs: [],
            sources: [{ code: 'lines-above' }],
            assumptions: [{ code: 'first-year' }],
          }),
        ),
      ],
    }
  },
})

/** What is paid for at a price of its own, and what comes on top; those of nothing are left out. */
const listed = ({
  modules,
  inverter,
  optimizers,
  listed: parts,
  batteries,
  adders,
  markup,
  salesTax,
}: Price): Term[] =>
  [
    cash('price-modules', modules),
    cash('price-inverter', inverter),
    cash('price-optimizers', optimizers),
    cash('price-parts', parts),
    cash('price-batteries', batteries),
    cash('price-adders', adders),
    cash('markup', markup),
    cash('sales-tax', salesTax),
  ].filter(({ value }) => typeof value === 'object' && 'value' in value && value.value !== 0)

/** Sums over the years of what is paid and received beside the bills. */
function besides({ years }: Money): Term[] {
  const sumOf = (key: keyof CashYear) => years.slice(1).reduce((sum, year) => sum + year[key], 0)
  const parts = [
    ['later-incentives', sumOf('incentives')],
    ['upkeep', sumOf('upkeep')],
    ['replacements', sumOf('replacements')],
    ['payments', sumOf('payments')],
  ] as const
  return parts.filter(([, sum]) => sum !== 0).map(([code, sum]) => cash(code, sum))
}

/** What it costs and what comes of it. Without modules and battery there is nothing to pay back. */
const financeAccount: Stage<World, Account> = stage({
  name: 'account of money',
  version: 3,
  after: {
    money: financeStage,
    price: priceStage,
    before: billNowStage,
    after: billThenStage,
    power: powerStage,
  },
  reads: (world: World) => ({
    offer: fieldsOf(offerIn(world), 'pricePerWatt', 'years', 'escalation', 'discountRate'),
    degradation: moduleIn(world).degradation,
    hasBattery: batteryIn(world) !== null,
  }),
  compute: ({ offer, degradation, hasBattery }, { money, price, before, after, power }) => {
    const gained = onlyWith(power.count > 0 || hasBattery)
    const years = [
      term('years', offer.years, '', 0),
      term('escalation', offer.escalation, 'share/year', 1),
      term('degradation', degradation, 'share/year', 2),
      ...besides(money),
    ]
    const assumptions: Assumption[] = [
      { code: 'paid-by', data: { way: money.pay } },
      { code: 'years-run-again' },
      { code: 'end-of-year' },
    ]
    const rate = term('discount-rate', offer.discountRate, 'share', 1)
    return {
      checks: power.count > 0 ? paybackCheck(money) : [],
      lines: [
        moneyLine('price', price.total, 'money', 'less', {
          formula: { code: 'price' },
          inputs: [
            cash('price-work', price.work),
            term('per-watt', offer.pricePerWatt, 'money/W', 2),
            ...listed(price),
          ],
          sources: [{ code: 'offer-entered' }],
          assumptions: [],
        }),
        moneyLine('net-price', price.net, 'money', 'less', {
          formula: { code: 'net-price' },
          inputs: price.paidBack.map(({ name, amount }) => ({
            ...cash('incentive', -amount),
            data: { name },
          })),
          sources: [{ code: 'offer-entered' }],
          assumptions: [{ code: 'incentive-at-purchase' }],
        }),
        gained({
          ...moneyLine('payback', money.paybackYears, 'years', 'less', {
            formula: { code: 'payback' },
            inputs: [cash('saved-first-year', before.annual - after.annual), ...years],
            sources: [{ code: 'cash-flow' }],
            assumptions,
          }),
          weight: 'total',
        }),
        gained(
          moneyLine('npv', money.npv, 'money', 'more', {
            formula: { code: 'npv' },
            inputs: [rate, ...years],
            sources: [{ code: 'offer-entered' }],
            assumptions,
          }),
        ),
        gained(
          moneyLine('irr', money.irr, 'share', 'more', {
            formula: { code: 'irr' },
            inputs: years,
            sources: [{ code: 'all-roots' }],
            assumptions,
          }),
        ),
        gained(
          moneyLine('lcoe', money.lcoe, 'money/kWh', 'less', {
            formula: { code: 'lcoe' },
            inputs: [rate, ...years.slice(0, 3)],
            sources: [{ code: 'offer-entered' }],
            assumptions: [{ code: 'end-of-year' }],
          }),
        ),
      ],
    }
  },
})

function paybackCheck(money: Money): Check[] {
  if (money.paybackYears !== null) return []
  return [
    {
      id: 'no-payback',
      code: 'no-payback',
      data: { years: money.years.length - 1 },
      severity: 'warning',
      measured: { figure: money.cumulative.at(-1) ?? 0, limit: 0, unit: 'money' },
      objects: [offerId],
    },
  ]
}

export const moneyAccounts = [billAccount, financeAccount] as const
