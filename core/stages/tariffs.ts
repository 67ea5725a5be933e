import { stage, type Stage } from '../graph/stage'
import { type TariffForm } from '../kinds/tariff/form'
import { type Tariff } from '../kinds/tariff/tariff'
import { modelYear } from '../model/model-year'
import { exportPrices } from '../tariff/export-price'
import { factorIn } from '../tariff/form-bill'
import { hourlyPrice } from '../tariff/price'
import { withHolidays } from '../tariff/when'
import { clockStage } from './clock'
import { fieldsOf, tariffNowIn, tariffThenIn, type World } from './world'

/** All of a tariff that a bill is made of. */
export const formOf = ({
  id: _id,
  kind: _kind,
  name: _name,
  utility: _utility,
  ...form
}: Tariff): TariffForm => ({
  ...form,
  name: '',
  utility: '',
})

/** The same before there is anything to send out. */
export const withoutExports = (tariff: Tariff): TariffForm => ({
  ...formOf(tariff),
  exportPerKwh: 0,
  exports: { kind: 'none' },
})

/** What a tariff says of prices; what its periods are called does not count. */
const pricesIn = ({ pricePerKwh, nonBypassablePerKwh, holidays, periods, priceSteps }: Tariff) => ({
  priceSteps,
  pricePerKwh,
  nonBypassablePerKwh,
  holidays,
  periods: periods.map(({ name: _name, exportPerKwh: _exports, ...when }) => when),
})

/** Prices as they have become by the model year, as bills have them. */
function inYear(steps: Pick<TariffForm, 'priceSteps'>, prices: Float64Array): Float64Array {
  const factor = factorIn(steps, modelYear)
  return factor === 1 ? prices : prices.map((price) => price * factor)
}

/** Price of a bought kWh in every interval, before. */
export const priceNowStage: Stage<World, Float64Array> = stage({
  name: 'price now',
  version: 2,
  after: { clock: clockStage },
  reads: (world: World) => ({ prices: pricesIn(tariffNowIn(world)) }),
  compute: ({ prices }, { clock }) =>
    inYear(prices, hourlyPrice(prices, withHolidays(clock, prices.holidays, modelYear))),
})

/** The same with solar. */
export const priceThenStage: Stage<World, Float64Array> = stage({
  name: 'price then',
  version: 2,
  after: { clock: clockStage },
  reads: (world: World) => ({ prices: pricesIn(tariffThenIn(world)) }),
  compute: ({ prices }, { clock }) =>
    inYear(prices, hourlyPrice(prices, withHolidays(clock, prices.holidays, modelYear))),
})

/** What a kWh that goes out earns in every interval, or spares under net metering. */
export const exportPriceStage: Stage<World, Float64Array> = stage({
  name: 'export price',
  version: 1,
  after: { clock: clockStage },
  reads: (world: World) => {
    const tariff = tariffThenIn(world)
    return {
      ...fieldsOf(tariff, 'pricePerKwh', 'exportPerKwh', 'exports', 'holidays', 'priceSteps'),
      periods: tariff.periods.map(({ name: _name, ...period }) => period),
    }
  },
  compute: (form, { clock }) =>
    inYear(form, exportPrices(form, withHolidays(clock, form.holidays, modelYear))),
})
