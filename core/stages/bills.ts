import { stage, type Stage } from '../graph/stage'
import { type Tariff } from '../kinds/tariff/tariff'
import { billOf, type Bill } from '../tariff/bill'
import { hourlyPrice } from '../tariff/price'
import { clockStage } from './clock'
import { dispatchStage } from './dispatch'
import { loadStage } from './load'
import { fieldsOf, tariffNowIn, tariffThenIn, type World } from './world'

/** What a tariff says of prices; what its periods are called does not count. */
const pricesIn = ({ pricePerKwh, periods }: Tariff) => ({
  pricePerKwh,
  periods: periods.map((period) => fieldsOf(period, 'months', 'days', 'fromHour', 'toHour', 'pricePerKwh')),
})

/** Price of a bought kWh in every interval, before. */
export const priceNowStage: Stage<World, Float64Array> = stage({
  name: 'price now',
  version: 1,
  after: { clock: clockStage },
  reads: (world: World) => ({ prices: pricesIn(tariffNowIn(world)) }),
  compute: ({ prices }, { clock }) => hourlyPrice(prices, clock),
})

/** The same with solar. */
export const priceThenStage: Stage<World, Float64Array> = stage({
  name: 'price then',
  version: 1,
  after: { clock: clockStage },
  reads: (world: World) => ({ prices: pricesIn(tariffThenIn(world)) }),
  compute: ({ prices }, { clock }) => hourlyPrice(prices, clock),
})

export const billNowStage: Stage<World, Bill> = stage({
  name: 'bill now',
  version: 1,
  after: { price: priceNowStage, load: loadStage, clock: clockStage },
  reads: (world: World) => ({ tariff: fieldsOf(tariffNowIn(world), 'fixedPerMonth') }),
  compute: ({ tariff }, { price, load, clock }) => billOf({ ...tariff, exportPerKwh: 0 }, price, clock, load),
})

export const billThenStage: Stage<World, Bill> = stage({
  name: 'bill then',
  version: 1,
  after: { price: priceThenStage, dispatch: dispatchStage, clock: clockStage },
  reads: (world: World) => ({ tariff: fieldsOf(tariffThenIn(world), 'fixedPerMonth', 'exportPerKwh') }),
  compute: ({ tariff }, { price, dispatch: { bought, sold }, clock }) =>
    billOf(tariff, price, clock, bought, sold),
})
