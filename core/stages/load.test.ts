import { job, option, runOf, set, withBattery, worldOf } from '@/town/testing'
import { type Objects } from '../kinds/documents'
import { loadId, type AddedLoad } from '../kinds/load/load'
import { tariffNowId, tariffThenId } from '../kinds/tariff/tariff'
import { carsIn, loadNowStage, loadThenStage, steadyLoadStage } from './load'
import { clockStage } from './clock'
import { billNowStage, billThenStage } from './bills'
import { dispatchStage } from './dispatch'
import { yearsStage } from './finance'
import { exportPriceStage, formOf, priceThenStage } from './tariffs'
import { moduleIn, tariffThenIn } from './world'
import { acStage } from './ac'
import { dispatchOwnUse } from '../battery/own-use'
import { hoursOf } from '../battery/testing'
import { scaledYield } from '../battery/scaled-yield'
import { withCars } from '../load/cars'
import { modelYear } from '../model/model-year'
import { ledgerOf } from '../readers/ledger'
import { formBill } from '../tariff/form-bill'

const sum = (values: Float64Array) => values.reduce((all, value) => all + value, 0)
const hours: AddedLoad = {
  what: 'hours',
  id: 'old-fridge',
  name: 'Old fridge',
  on: true,
  kwhPerYear: -500,
  fromHour: 0,
  toHour: 24,
  months: [],
}
const runFor = async (house: Objects) => runOf(await worldOf(house, withBattery))
const loadWith = async (...added: AddedLoad[]) =>
  (await runFor(set(job.house, loadId, { added }))).value(loadNowStage)

test('what comes adds to each hour, what goes takes from it, and no hour falls below nothing', async () => {
  const [plain, less, none, off] = await Promise.all([
    loadWith(),
    loadWith(hours),
    loadWith({ ...hours, kwhPerYear: -200_000 }),
    loadWith({ ...hours, on: false }),
  ])
  expect(sum(less)).toBeCloseTo(sum(plain) - 500, 6)
  expect(sum(none)).toBe(0)
  expect(off).toEqual(plain)
})

test('prices that have risen by the model year hold in the hours as they do on the bills', async () => {
  const risen = set(job.house, tariffThenId, { priceSteps: [{ year: 2025, factor: 1.5 }] })
  const [before, after] = await Promise.all([runFor(job.house), runFor(risen)])
  expect(after.value(priceThenStage)[5]).toBeCloseTo(1.5 * (before.value(priceThenStage)[5] ?? NaN), 12)
  expect(after.value(exportPriceStage)[5]).toBeCloseTo(1.5 * (before.value(exportPriceStage)[5] ?? NaN), 12)
  expect(after.value(billThenStage).annual).toBeCloseTo(1.5 * before.value(billThenStage).annual, 6)
})

const car: AddedLoad = {
  what: 'car',
  id: 'car',
  name: 'Car',
  on: true,
  kwhPerYear: 3000,
  chargerKw: 7,
  fromHour: 10,
  toHour: 7,
  charging: 'at-once',
}

test('a car that waits for the sun is charged from it, with solar alone', async () => {
  const withCar = (charging: typeof car.charging) =>
    runFor(set(job.house, loadId, { added: [{ ...car, charging }] }))
  const [cheapest, waiting] = await Promise.all([withCar('cheapest'), withCar('on-surplus')])
  expect(waiting.value(billNowStage)).toEqual(cheapest.value(billNowStage))
  const { loadKwh, onSurplusKwh } = waiting.value(loadThenStage)
  expect(onSurplusKwh).toBeGreaterThan(1000)
  expect(sum(loadKwh)).toBeCloseTo(sum(waiting.value(loadNowStage)), 6)
  const bought = (run: typeof waiting) => sum(run.value(dispatchStage).bought)
  expect(bought(waiting)).toBeLessThan(bought(cheapest) - 500)
  // What it takes is told beside the energy used at home.
  const told = ledgerOf(waiting).find(({ id }) => id === 'used')
  expect(told?.explanation.inputs).toContainEqual(
    expect.objectContaining({
      code: 'cars-on-surplus',
      value: { value: onSurplusKwh, unit: 'kWh', digits: 0 },
    }),
  )
  // The first of the years is the year of the bills.
  expect(waiting.value(yearsStage)[0]?.bill).toBeCloseTo(waiting.value(billThenStage).annual, 6)
})

test('in later years it is placed by what is left of the sun', async () => {
  const house = set(job.house, loadId, { added: [{ ...car, charging: 'on-surplus' }] })
  const world = await worldOf(house, option)
  const bare = runOf(world)
  const made = new Float64Array(8760)
  scaledYield(bare.value(acStage).kwhByInterval, 1 - moduleIn(world).degradation, made)
  const placed = {
    ...carsIn(world),
    steadyKwh: bare.value(steadyLoadStage),
    clock: bare.value(clockStage),
    price: bare.value(priceThenStage),
  }
  const used = withCars(placed, made).loadKwh
  const { bought, sold } = dispatchOwnUse(hoursOf(made, used), null)
  const billed = { clock: bare.value(clockStage), year: modelYear, stepMinutes: 60 }
  const next = formBill(formOf(tariffThenIn(world)), { ...billed, boughtKwh: bought, soldKwh: sold })
  expect(bare.value(yearsStage)[1]?.bill).toBeCloseTo(next.annual, 6)
})

test('cheapest hours are those of the tariff that the house is on', async () => {
  const from = (fromHour: number, toHour: number) => ({
    periods: [
      { name: 'Cheap', months: [], days: 'all', fromHour, toHour, pricePerKwh: 0.01, exportPerKwh: 0 },
    ],
  })
  const house = set(job.house, loadId, { added: [{ ...car, charging: 'cheapest' }] })
  const run = await runFor(set(set(house, tariffNowId, from(2, 4)), tariffThenId, from(12, 14)))
  const steady = (await runFor(job.house)).value(loadNowStage)
  const { hour } = run.value(clockStage)
  const hours = (load: Float64Array) =>
    new Set([...hour].filter((_, i) => (load[i] ?? 0) > (steady[i] ?? 0) + 1e-9 && i > 48 && i < 1400))
  expect(hours(run.value(loadNowStage))).toEqual(new Set([2, 3]))
  expect(hours(run.value(loadThenStage).loadKwh)).toEqual(new Set([12, 13]))
})
