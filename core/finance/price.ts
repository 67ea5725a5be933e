import { type Offer } from '../kinds/offer/offer'
import { paidAtOnce, type PaidAtOnce, type PriceParts } from './incentives'

export interface Price {
  /** All that is paid by the watt. */
  readonly work: number
  readonly modules: number
  readonly inverter: number
  readonly optimizers: number
  /** Of the parts list, where the price follows from it: all but the batteries. */
  readonly listed: number
  readonly batteries: number
  readonly adders: number
  readonly markup: number
  readonly salesTax: number
  readonly total: number
  /** Parts of the total, markup and tax with them. */
  readonly parts: PriceParts
  /** What comes back at purchase, one by one. */
  readonly paidBack: readonly PaidAtOnce[]
  /** All of it. */
  readonly incentive: number
  readonly net: number
  /** Today's prices of what may be replaced; null where there is none. */
  readonly replaced: { readonly inverter: number | null; readonly battery: number | null }
}

/** What the parts that are to be brought cost: all of them but those of the battery, and those. */
export type PartsPrice = {
  readonly solar: number
  readonly battery: number
  /** Lines whose price nobody knows: they cost nothing. */
  readonly unpriced: number
}

/** What is put up, and list prices of one each. */
export interface PricedEquipment {
  readonly modules: number
  readonly powerW: number
  readonly modulePrice: number
  /** Of one inverter, and how many there are. */
  readonly inverterPrice: number
  readonly inverters: number
  /** Of one, and how many there are. */
  readonly optimizerPrice: number
  readonly optimizers: number
  readonly batteries: number
  readonly batteryPrice: number
  /** Where the price may follow from the parts list; list prices hold as long as that is not known. */
  readonly parts: PartsPrice | null
}

/** What a price is reckoned from. */
export const pricedFields = [
  'pricePerWatt',
  'equipment',
  'listShare',
  'pricePerBattery',
  'adders',
  'markup',
  'salesTax',
  'incentives',
] as const

/** What an option costs, by its parts, and what comes back at once. */
export function priceOf(offer: Pick<Offer, (typeof pricedFields)[number]>, priced: PricedEquipment): Price {
  const { listShare } = offer
  const any = priced.modules > 0
  // Without modules no parts are counted: a battery alone has its list price.
  const fromParts = any && offer.equipment === 'parts' ? priced.parts : null
  const inList = offer.equipment === 'in-price' || fromParts ? 0 : listShare
  const work = priced.powerW * offer.pricePerWatt
  const modules = priced.modules * priced.modulePrice * inList
  // Without modules there is nothing for an inverter to do.
  const inverter = any ? priced.inverters * priced.inverterPrice * inList : 0
  const optimizers = priced.optimizers * priced.optimizerPrice * inList
  const listed = fromParts ? fromParts.solar * listShare : 0
  const batteries =
    fromParts && offer.pricePerBattery === null
      ? fromParts.battery * listShare
      : priced.batteries * (offer.pricePerBattery ?? priced.batteryPrice * listShare)
  // Nor is there anything to add to where nothing is put up.
  const adders = any || priced.batteries > 0 ? offer.adders.reduce((sum, { amount }) => sum + amount, 0) : 0
  const marked = 1 + offer.markup
  const onTop = marked * (1 + offer.salesTax)
  const bare = work + modules + inverter + optimizers + listed + batteries + adders
  const parts = {
    solar: (work + modules + inverter + optimizers + listed + adders) * onTop,
    battery: batteries * onTop,
  }
  const total = bare * onTop
  const paidBack = paidAtOnce(offer.incentives, parts, priced.powerW / 1000)
  const incentive = paidBack.reduce((sum, { amount }) => sum + amount, 0)
  return {
    work,
    modules,
    inverter,
    optimizers,
    listed,
    batteries,
    adders,
    markup: bare * offer.markup,
    salesTax: bare * marked * offer.salesTax,
    total,
    parts,
    paidBack,
    incentive,
    net: total - incentive,
    replaced: {
      inverter: any ? priced.inverters * priced.inverterPrice * listShare : null,
      battery: priced.batteries > 0 ? batteries : null,
    },
  }
}
