import { type Offer } from '../model/kinds/offer'
import { type Tariff } from '../model/kinds/tariff'
import { type LocalClock } from '../model/local-clock'
import { dispatchOwnUse, type BatteryRun } from '../battery/own-use'
import { cashResult, type CashResult } from '../finance/cash'
import { billOf } from '../tariff/bill'

export interface Price {
  readonly modules: number
  readonly batteries: number
  readonly total: number
  readonly incentive: number
  readonly net: number
}

export function priceOf(offer: Offer, powerW: number, batteries: number): Price {
  const modules = powerW * offer.pricePerWatt
  const storage = batteries * offer.pricePerBattery
  const total = modules + storage
  const incentive = total * offer.incentiveShare
  return { modules, batteries: storage, total, incentive, net: total - incentive }
}

export interface MoneyYear {
  readonly billBefore: number
  readonly billAfter: number
}

export interface Money extends CashResult {
  readonly years: readonly MoneyYear[]
}

/**
 * Cash purchase over the offer's years: every year is run through load, battery and tariff again with the modules a
 * year older; all prices grow by the escalation.
 */
export function moneyOf(request: {
  readonly yieldKwh: Float64Array
  readonly loadKwh: Float64Array
  readonly stepHours: number
  readonly battery: BatteryRun | null
  readonly exportLimitKw: number | null
  readonly clock: LocalClock
  readonly before: number
  readonly then: Tariff
  readonly thenPrice: Float64Array
  readonly offer: Offer
  readonly degradation: number
  readonly price: Price
}): Money {
  const { offer, clock } = request
  const years: MoneyYear[] = []
  const flows = [-request.price.net]
  for (let year = 0; year < offer.years; year++) {
    const left = (1 - request.degradation) ** year
    const aged = year === 0 ? request.yieldKwh : request.yieldKwh.map((kwh) => (kwh > 0 ? kwh * left : kwh))
    const run = dispatchOwnUse(
      aged,
      request.loadKwh,
      request.stepHours,
      request.battery,
      request.exportLimitKw,
    )
    const after = billOf(request.then, request.thenPrice, clock, run.bought, run.sold).annual
    const growth = (1 + offer.escalation) ** year
    years.push({ billBefore: request.before * growth, billAfter: after * growth })
    flows.push((request.before - after - offer.upkeepPerYear) * growth)
  }
  return { years, ...cashResult(flows, offer.discountRate) }
}
