import { job, runOf, set, withBattery, worldOf } from '@/town/testing'
import { type Objects } from '../kinds/documents'
import { loadId, type AddedLoad } from '../kinds/load/load'
import { tariffThenId } from '../kinds/tariff/tariff'
import { loadStage } from './load'
import { billThenStage } from './bills'
import { exportPriceStage, priceThenStage } from './tariffs'

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
  (await runFor(set(job.house, loadId, { added }))).value(loadStage)

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
