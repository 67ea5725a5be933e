import { agedYears, type RunYear } from '../finance/aged'
import { priceOf, type Price } from '../finance/price'
import { steppedBills } from '../finance/price-steps'
import { moneyOf, yearsFields, type Money } from '../finance/ways'
import { stage, type Stage } from '../graph/stage'
import { acStage } from './ac'
import { modelYear } from '../model/model-year'
import { loadUnder } from '../load/cars'
import { fadeOf, usualFade } from '../battery/fade'
import { emptyDispatch } from '../battery/own-use'
import { dispatchServed } from '../battery/running'
import { withStandby } from '../battery/standby'
import { TariffYear } from '../tariff/form-bill'
import { billNowStage } from './bills'
import { clockStage } from './clock'
import { countedHours, runningIn, sunOf } from './dispatch'
import { feedInStage, limitOf } from './feed-in'
import { carsIn, steadyLoadStage } from './load'
import { partsPriceStage } from './parts-price'
import { powerStage } from './power'
import { pricedIn } from './prices'
import { stringsStage } from './strings'
import { exportPriceStage, formOf, priceThenStage } from './tariffs'
import { batteryIn, fieldsOf, moduleIn, offerIn, tariffNowIn, tariffThenIn, type World } from './world'

/** The years to come at today's prices. */
export const yearsStage: Stage<World, readonly RunYear[]> = stage({
  name: 'years',
  version: 8,
  after: {
    ac: acStage,
    steadyKwh: steadyLoadStage,
    buy: priceThenStage,
    sell: exportPriceStage,
    clock: clockStage,
    feedIn: feedInStage,
  },
  reads: (world: World) => {
    const { years, batteryFade, replacements } = offerIn(world)
    const running = runningIn(world)
    const battery = batteryIn(world)
    return {
      years,
      degradation: moduleIn(world).degradation,
      running,
      // Where there is no battery, how it ages changes nothing.
      batteryFade: battery ? fadeOf(batteryFade, battery) : usualFade,
      newBattery: running.battery
        ? replacements.flatMap(({ what, year }) => (what === 'battery' ? [year] : []))
        : [],
      tariff: formOf(tariffThenIn(world)),
      ...carsIn(world),
    }
  },
  compute: (
    { running, tariff, cars, stepMinutes, ...ageing },
    { ac, steadyKwh, buy, sell, clock, feedIn },
  ) => {
    const exportLimitKw = limitOf(feedIn)
    const prices = new TariffYear(tariff, { clock, year: modelYear, stepMinutes })
    const hours = countedHours(running.counted, clock)
    // Cars that wait for the sun find less of it each year.
    const loadOf = loadUnder({ steadyKwh, cars, clock, stepMinutes, price: buy })
    const given = { ...running, exportLimitKw, buy, sell, startKwh: null }
    const into = emptyDispatch(steadyKwh.length)
    return agedYears({
      ...ageing,
      battery: running.battery,
      ...sunOf(ac),
      run: (sun, battery) =>
        dispatchServed(
          { ...running, hours, battery },
          withStandby({ ...given, ...sun, loadKwh: loadOf(sun.yieldKwh) }, battery),
          into,
        ),
      bill: (bought, sold) => prices.bill(bought, sold),
    })
  },
})

/** What the option costs. */
export const priceStage: Stage<World, Price> = stage({
  name: 'price',
  version: 5,
  after: { power: powerStage, wiring: stringsStage, parts: partsPriceStage },
  reads: (world: World) => pricedIn(world),
  compute: ({ offer, ...priced }, { power, wiring, parts: [parts] }) =>
    priceOf(offer, {
      ...priced,
      modules: power.count,
      inverters: wiring.inverters,
      optimizers: wiring.optimized.length,
      parts: parts?.value ?? null,
      powerW: power.powerW,
    }),
})

/** What comes of it over the years. */
export const financeStage: Stage<World, Money> = stage({
  name: 'finance',
  version: 4,
  after: { price: priceStage, before: billNowStage, years: yearsStage },
  reads: (world: World) => ({
    offer: fieldsOf(offerIn(world), ...yearsFields),
    tariffs: {
      now: fieldsOf(tariffNowIn(world), 'priceSteps'),
      then: fieldsOf(tariffThenIn(world), 'priceSteps'),
    },
  }),
  compute: ({ offer, tariffs }, { price, before, years }) =>
    moneyOf({ offer, price, ...steppedBills(tariffs, before.annual, years) }),
})
