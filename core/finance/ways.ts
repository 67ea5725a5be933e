import { type Offer } from '../kinds/offer/offer'
import { waysToPay, type WayToPay } from '../kinds/offer/payment'
import { cashResult, cumulated, discounted, npvOf, rateOf, type CashResult } from './cash'
import { incentiveYears, type IncentiveYear } from './incentives'
import { loanMonths, loanYears, type LoanMonth, type LoanYear } from './loan'
import { type Price } from './price'

/** A year to come at today's prices. */
export interface AgedYear {
  /** The whole bill, export payments taken off. */
  readonly bill: number
  /** Paid for exports. */
  readonly exported: number
  readonly yieldKwh: number
}

/** What the years of an offer are reckoned from. */
export const yearsFields = [
  'incentives',
  'incomeTax',
  'discountRate',
  'escalation',
  'exportGrowth',
  'upkeepPerYear',
  'upkeepGrowth',
  'costs',
  'replacements',
  'pay',
  'loan',
  'lease',
  'ppa',
] as const
export type YearsOffer = Pick<Offer, (typeof yearsFields)[number]>

export interface MoneyCase {
  readonly offer: YearsOffer
  readonly price: Price
  /** Each year's bill without solar, at today's prices. */
  readonly before: readonly number[]
  readonly after: readonly AgedYear[]
}

/** Parts of what a year brings: below zero what is paid. Year 0 is today. */
export interface CashYear {
  readonly billBefore: number
  /** With solar; as before solar where it has been taken away again. */
  readonly billAfter: number
  readonly saved: number
  /** The price, or that of buying a leased system. */
  readonly price: number
  /** With tax on them taken off. */
  readonly incentives: number
  readonly upkeep: number
  readonly replacements: number
  /** What is lent, in year 0, and what is paid to a lender or an owner. */
  readonly payments: number
  /** All the above but the bills themselves. */
  readonly net: number
  readonly cumulative: number
  /** Of all years so far, at what they are worth today. */
  readonly present: number
  /** Owed to a lender at the year's end. */
  readonly owed: number
}

/** One way to pay. */
export interface WayMoney extends CashResult {
  readonly years: readonly CashYear[]
  /** What the first month asks and what an average month of the first year saves. */
  readonly firstMonth: { readonly payment: number; readonly saved: number }
}

/** What an investor has of a contract, before tax on what it earns. */
export interface InvestorMoney {
  readonly withTax: Pick<CashResult, 'npv' | 'irr' | 'irrReason'>
  /** For one who owes no tax that credits and depreciation could come off. */
  readonly withoutTax: Pick<CashResult, 'npv' | 'irr' | 'irrReason'>
}

export interface Money extends WayMoney {
  /** The way that the offer goes by. */
  readonly pay: WayToPay
  readonly ways: Readonly<Record<WayToPay, WayMoney>>
  readonly investor: Readonly<Record<'lease' | 'ppa', InvestorMoney>>
  /** Levelised cost of what is made, currency per kWh, whoever lends; null where nothing is made. */
  readonly lcoe: number | null
  /** All bills without solar. */
  readonly doingNothing: number
}

/** What comes of an option over its years, for every way to pay. */
export function moneyOf(given: MoneyCase): Money {
  const world = yearsOf(given)
  const ways = Object.fromEntries(waysToPay.map((way) => [way, wayMoney(given, world, way)])) as Record<
    WayToPay,
    WayMoney
  >
  const { pay } = given.offer
  return {
    ...ways[pay],
    pay,
    ways,
    investor: { lease: investorOf(given, world, 'lease'), ppa: investorOf(given, world, 'ppa') },
    lcoe: lcoeOf(given, ways.cash),
    doingNothing: world.reduce((sum, { billBefore }) => sum + billBefore, 0),
  }
}

/** What a year is like whoever owns the system; below zero what is paid. */
interface SystemYear extends IncentiveYear {
  readonly billBefore: number
  readonly billAfter: number
  readonly upkeep: number
  readonly replacements: number
  readonly yieldKwh: number
}

function yearsOf({ offer, price, before, after }: MoneyCase): SystemYear[] {
  const incentives = incentiveYears(
    offer.incentives,
    price.parts,
    after.map(({ yieldKwh }) => yieldKwh),
    offer.incomeTax,
  )
  return after.map(({ bill, exported, yieldKwh }, k): SystemYear => {
    const growth = (1 + offer.escalation) ** k
    const costs = offer.costs.reduce((sum, one) => sum + one.perYear * (1 + one.growth) ** k, 0)
    return {
      ...(incentives[k] ?? { paid: 0, taxed: 0, offTax: 0 }),
      yieldKwh,
      billBefore: (before[k] ?? 0) * growth,
      billAfter: (bill + exported) * growth - exported * (1 + offer.exportGrowth) ** k,
      upkeep: -(offer.upkeepPerYear * (1 + offer.upkeepGrowth) ** k + costs),
      replacements: -replacedIn(offer, price, k + 1),
    }
  })
}

/** What is replaced in a year costs, in its own money. */
const replacedIn = ({ replacements }: YearsOffer, price: Price, year: number): number =>
  replacements
    .filter((one) => one.year === year)
    .reduce((sum, { what, cost }) => {
      if (what === 'other') return sum + (cost ?? 0)
      const now = price.replaced[what]
      // Nothing of the kind is there.
      return now === null ? sum : sum + (cost ?? now)
    }, 0)

const taxedAtOnce = ({ paidBack }: Price): number =>
  paidBack.reduce((sum, { taxed, amount }) => sum + (taxed ? amount : 0), 0)

const rowsOf = (given: MoneyCase, system: readonly SystemYear[], way: WayToPay): Row[] =>
  way === 'cash' || way === 'loan' ? owned(given, system, way) : contracted(given, system, way)

/** What the years bring under the offer's own way to pay, today first. */
export const flowsOf = (given: MoneyCase): number[] =>
  rowsOf(given, yearsOf(given), given.offer.pay).map((row) => netOf(row))

function wayMoney(given: MoneyCase, system: readonly SystemYear[], way: WayToPay): WayMoney {
  const { offer } = given
  const rows = rowsOf(given, system, way)
  const flows = rows.map((row) => netOf(row))
  const cumulative = cumulated(flows)
  const present = cumulated(discounted(flows, offer.discountRate))
  const first = rows[1]
  return {
    ...cashResult(flows, offer.discountRate),
    years: rows.map((row, k) => ({
      ...row,
      saved: row.billBefore - row.billAfter,
      net: flows[k] ?? 0,
      cumulative: cumulative[k] ?? 0,
      present: present[k] ?? 0,
    })),
    firstMonth: {
      payment: firstPayment(given, system, way),
      saved: first ? (first.billBefore - first.billAfter) / 12 : 0,
    },
  }
}

type Row = Omit<CashYear, 'saved' | 'net' | 'cumulative' | 'present'>

const netOf = (row: Row): number =>
  row.billBefore - row.billAfter + row.price + row.incentives + row.upkeep + row.replacements + row.payments

/** What the first month asks, beyond what is paid at once. */
function firstPayment(given: MoneyCase, system: readonly SystemYear[], way: WayToPay): number {
  if (way === 'cash') return 0
  if (way === 'loan') return monthsOf(given, system)[0]?.payment ?? 0
  return paidToOwner(given.offer, way, 0, system[0]?.yieldKwh ?? 0) / 12
}

/** Bought, with own money or a lender's. */
function owned(given: MoneyCase, system: readonly SystemYear[], way: 'cash' | 'loan'): Row[] {
  const { offer, price } = given
  const lent = way === 'loan' ? lentOf(given) : 0
  const loan = way === 'loan' ? loanYears(monthsOf(given, system), system.length) : []
  const today: Row = {
    ...nothing,
    price: -price.total,
    incentives: price.incentive,
    payments: lent,
    owed: lent * (1 + offer.loan.feeShare),
  }
  return [
    today,
    ...system.map(({ billBefore, billAfter, upkeep, replacements, ...one }, k): Row => ({
      ...nothing,
      billBefore,
      billAfter,
      upkeep,
      replacements,
      incentives: one.paid + one.offTax - offer.incomeTax * (one.taxed + (k === 0 ? taxedAtOnce(price) : 0)),
      ...repaid(loan[k], k === system.length - 1),
    })),
  ]
}

/** What a year pays to the lender; what is owed after the last year that is looked at is paid then. */
function repaid(year: LoanYear | undefined, isLast: boolean): Pick<Row, 'payments' | 'owed'> {
  const { paid, owed } = year ?? { paid: 0, owed: 0 }
  return isLast ? { payments: -(paid + owed), owed: 0 } : { payments: -paid, owed }
}

const nothing: Row = {
  billBefore: 0,
  billAfter: 0,
  price: 0,
  incentives: 0,
  upkeep: 0,
  replacements: 0,
  payments: 0,
  owed: 0,
}

/** What is lent, before the fee. */
const lentOf = ({ offer: { loan }, price }: MoneyCase): number =>
  Math.max(0, price.net) * (1 - loan.downShare)

/** The months of the offer's loan. */
function monthsOf(given: MoneyCase, system: readonly SystemYear[]): LoanMonth[] {
  const { loan } = given.offer
  const principal = lentOf(given) * (1 + loan.feeShare)
  const credit = system[0]?.offTax ?? 0
  return loanMonths({
    principal,
    rate: loan.rate,
    months: loan.years * 12,
    interestOnlyMonths: loan.interestOnlyMonths,
    balloon: principal * loan.balloonShare,
    paidIn: loan.paidInMonth === null ? null : { month: loan.paidInMonth, amount: credit },
  })
}

/** What the customer of a contract pays its owner in a year. */
function paidToOwner({ lease, ppa }: YearsOffer, way: 'lease' | 'ppa', k: number, yieldKwh: number): number {
  return way === 'lease'
    ? 12 * lease.perMonth * (1 + lease.growth) ** k
    : ppa.perKwh * (1 + ppa.growth) ** k * yieldKwh
}

/** Somebody else's until the contract ends; then bought, or taken away. */
function contracted(given: MoneyCase, system: readonly SystemYear[], way: 'lease' | 'ppa'): Row[] {
  const { offer } = given
  const { years, buyout } = offer[way]
  const rows = system.map((year, k): Row => {
    const { billBefore, billAfter, upkeep, replacements, paid, taxed } = year
    if (k < years) {
      // Bought at the end of the last year, unless nothing is looked at after it.
      const bought = k === years - 1 && k < system.length - 1 ? (buyout ?? 0) : 0
      const payments = -paidToOwner(offer, way, k, year.yieldKwh)
      return { ...nothing, billBefore, billAfter, payments, price: bought > 0 ? -bought : 0 }
    }
    if (buyout === null) return { ...nothing, billBefore, billAfter: billBefore }
    const incentives = paid - offer.incomeTax * taxed
    return { ...nothing, billBefore, billAfter, upkeep, replacements, incentives }
  })
  return [nothing, ...rows]
}

/** The owner's side of a contract. */
function investorOf(
  { offer, price }: MoneyCase,
  system: readonly SystemYear[],
  way: 'lease' | 'ppa',
): InvestorMoney {
  const { years, buyout } = offer[way]
  const figuresWith = (tax: 0 | 1) => {
    const flows = [
      price.incentive - price.total,
      ...system.slice(0, years).map((year, k) => {
        const sold = k === years - 1 ? (buyout ?? 0) : 0
        const taxed = year.taxed + (k === 0 ? taxedAtOnce(price) : 0)
        const subsidy = year.paid - offer.incomeTax * taxed + tax * year.offTax
        return paidToOwner(offer, way, k, year.yieldKwh) + year.upkeep + year.replacements + subsidy + sold
      }),
    ]
    return { npv: npvOf(flows, offer.discountRate), ...rateOf(flows) }
  }
  return { withTax: figuresWith(1), withoutTax: figuresWith(0) }
}

/** Present costs over present kWh, each at the end of its year. */
function lcoeOf({ offer, after }: MoneyCase, { years }: WayMoney): number | null {
  const kwh = npvOf([0, ...after.map(({ yieldKwh }) => yieldKwh)], offer.discountRate)
  const costs = years.map((year) => -(year.price + year.incentives + year.upkeep + year.replacements))
  return kwh > 0 ? npvOf(costs, offer.discountRate) / kwh : null
}
