import { type Offer } from '../kinds/offer/offer'
import { type Dispatch } from '../battery/own-use'
import { cashResult, type CashResult } from './cash'

export interface Price {
  /** All that is paid by the watt. */
  readonly work: number
  readonly modules: number
  readonly inverter: number
  readonly batteries: number
  readonly total: number
  readonly incentive: number
  readonly net: number
}

/** What is put up, and list prices of one each. */
export interface PricedEquipment {
  readonly modules: number
  readonly powerW: number
  readonly modulePrice: number
  readonly inverterPrice: number
  readonly batteries: number
  readonly batteryPrice: number
}

export function priceOf(
  offer: Pick<Offer, 'pricePerWatt' | 'equipment' | 'listShare' | 'pricePerBattery' | 'incentiveShare'>,
  priced: PricedEquipment,
): Price {
  const listed = offer.equipment === 'listed' ? offer.listShare : 0
  const work = priced.powerW * offer.pricePerWatt
  const modules = priced.modules * priced.modulePrice * listed
  // Without modules there is nothing for an inverter to do.
  const inverter = priced.modules > 0 ? priced.inverterPrice * listed : 0
  const batteries = priced.batteries * (offer.pricePerBattery ?? priced.batteryPrice * offer.listShare)
  const total = work + modules + inverter + batteries
  const incentive = total * offer.incentiveShare
  return { work, modules, inverter, batteries, total, incentive, net: total - incentive }
}

export interface MoneyYear {
  readonly billBefore: number
  readonly billAfter: number
}

export interface Money extends CashResult {
  readonly years: readonly MoneyYear[]
}

/**
 * The bill of every year to come at today's prices: each is run through load, battery and tariff again with the
 * modules a year older.
 * @returns currency a year, one entry to each of `years`
 */
export function agedBills(request: {
  readonly yieldKwh: Float64Array
  /** Where a year's yield goes. */
  readonly run: (yieldKwh: Float64Array) => Pick<Dispatch, 'bought' | 'sold'>
  /** What a year costs. */
  readonly bill: (boughtKwh: Float64Array, soldKwh: Float64Array) => number
  /** Share of power that modules lose each year. */
  readonly degradation: number
  readonly years: number
}): number[] {
  const { yieldKwh, run, bill } = request
  return Array.from({ length: request.years }, (_, year) => {
    const left = (1 - request.degradation) ** year
    // What the inverter draws at night stays.
    const { bought, sold } = run(yieldKwh.map((made) => (made > 0 ? made * left : made)))
    return bill(bought, sold)
  })
}

/** Cash purchase over the offer's years; all prices grow by the escalation. `after` is what `agedBills` gives. */
export function moneyOf(
  offer: Pick<Offer, 'escalation' | 'upkeepPerYear' | 'discountRate'>,
  price: Price,
  before: number,
  after: readonly number[],
): Money {
  const years: MoneyYear[] = []
  const flows = [-price.net]
  after.forEach((bill, year) => {
    const growth = (1 + offer.escalation) ** year
    years.push({ billBefore: before * growth, billAfter: bill * growth })
    flows.push((before - bill - offer.upkeepPerYear) * growth)
  })
  return { years, ...cashResult(flows, offer.discountRate) }
}
