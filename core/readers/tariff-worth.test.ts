import { type Objects } from '../kinds/documents'
import { tariffFormSchema, type TariffForm } from '../kinds/tariff/form'
import { storageId } from '../kinds/storage/storage'
import { Overtaken } from '../graph/run'
import { acStage } from '../stages/ac'
import { billNowStage, billThenStage } from '../stages/bills'
import { financeStage } from '../stages/finance'
import { loadNowStage } from '../stages/load'
import { storageIn } from '../stages/world'
import { freshGraph, job, option, runOf, set, withBattery, worldOf } from '@/town/testing'
import { tariffsIn } from '@/town/tariffs'
import { cheapestOf, tariffWorths, type TariffWorth } from './tariff-worth'

const graph = freshGraph()
const patient = { atMostMs: 1000, pause: async () => true }
const forms = tariffsIn('pellworth')
const tariff = (id: 'tariff-now' | 'tariff-then', form: TariffForm, house: Objects = job.house): Objects => ({
  ...house,
  [id]: { ...form, id, kind: 'tariff' },
})

test('each tariff as the chain itself has it, as it is, with modules and with the battery', async () => {
  const world = await worldOf(job.house, withBattery)
  const told: [number, number][] = []
  const found = await tariffWorths(graph, world, forms, patient, (rows, all) => told.push([rows.length, all]))
  // Those of the job are without the holidays of the leaflets.
  expect(found).toHaveLength(forms.length + 2)
  expect(new Set(found.map(({ form }) => form.name))).toEqual(new Set(forms.map(({ name }) => name)))
  expect(told).toEqual(found.map((_, k) => [k + 1, found.length]))
  expect(found.filter(({ isNow }) => isNow)).toHaveLength(1)
  expect(found.filter(({ isThen }) => isThen)).toHaveLength(1)
  expect(found.map(({ after }) => after)).toEqual(found.map(({ after }) => after).sort((a, b) => a - b))
  for (const row of found) {
    const fresh = freshGraph()
    const stored = fresh.open(await worldOf(tariff('tariff-then', row.form), withBattery))
    expect(row.stored).toBe(stored.value(billThenStage).annual)
    expect(row.after).toBe(row.stored)
    expect(row.npv).toBe(stored.value(financeStage).npv)
    expect(row.paybackYears).toBe(stored.value(financeStage).paybackYears)
    const alone = set(withBattery, storageId, { batteryId: null })
    expect(row.solar).toBe(
      fresh.open(await worldOf(tariff('tariff-then', row.form), alone)).value(billThenStage).annual,
    )
    expect(row.before).toBe(
      fresh.open(await worldOf(tariff('tariff-now', row.form), alone)).value(billNowStage).annual,
    )
    expect(row.battery).toEqual({ batteryId: storageIn(world).batteryId, count: 1, isOwn: true })
  }
}, 60_000)

test('by hand: one price and nothing paid for what goes out', async () => {
  const plain = tariffFormSchema.parse({
    name: 'Plain',
    pricePerKwh: 0.3,
    fixedPerMonth: 10,
    exports: { kind: 'none' },
  })
  const world = await worldOf(job.house, option)
  const rows = await tariffWorths(graph, world, [plain, plain], patient)
  const row = rows.find(({ form }) => form.name === 'Plain')
  expect(rows.filter(({ form }) => form.name === 'Plain')).toHaveLength(1)
  const run = runOf(world)
  const load = run.value(loadNowStage)
  const made = run.value(acStage).kwhByInterval
  const sum = (values: Float64Array) => values.reduce((all, one) => all + one, 0)
  expect(row?.before).toBeCloseTo(120 + 0.3 * sum(load), 6)
  const bought = load.map((kwh, i) => Math.max(0, kwh - (made[i] ?? 0)))
  expect(row?.solar).toBeCloseTo(120 + 0.3 * sum(bought), 6)
  // The option has no battery: the smallest there is is tried, and it is not counted in.
  expect(row?.after).toBe(row?.solar)
  const { batteries } = world.catalogue
  const smallest = Math.min(...batteries.map(({ usableKwh }) => usableKwh))
  expect(batteries.find(({ id }) => id === row?.battery?.batteryId)?.usableKwh).toBe(smallest)
  expect(row?.battery).toMatchObject({ count: 1, isOwn: false })
  expect(row?.stored).toBeLessThan(row?.solar ?? 0)
}, 60_000)

test('a tariff of the job that no utility offers is tried too, and the two of the job may be one', async () => {
  const timeOfUse = forms.find(({ periods }) => periods.length > 0)
  const own = { ...timeOfUse, name: 'By hand' } as TariffForm
  // What a period is called is no other tariff.
  const renamed = { ...own, periods: own.periods.map((period) => ({ ...period, name: 'Other' })) }
  const house = tariff('tariff-then', renamed, tariff('tariff-now', own))
  const found = await tariffWorths(graph, await worldOf(house, option), [], patient)
  expect(found).toHaveLength(1)
  expect(found[0]).toMatchObject({ isNow: true, isThen: true, form: { name: 'By hand' } })
}, 60_000)

test('gives up between two tariffs', async () => {
  const world = await worldOf(job.house, option)
  let asked = 0
  const hasty = { atMostMs: 1000, pause: async () => ++asked < 2 }
  const told: number[] = []
  await expect(
    tariffWorths(freshGraph(), world, forms, hasty, (rows) => told.push(rows.length)),
  ).rejects.toThrow(Overtaken)
  expect(told.length).toBeLessThan(forms.length)
}, 60_000)

test('the lowest bill in each case is named, the first of equal ones', () => {
  const row = (name: string, before: number, solar: number, stored: number) =>
    ({ form: { name }, before, solar, stored }) as TariffWorth
  const rows = [row('a', 3, 5, 1), row('b', 2, 5, 2), row('c', 2, 7, 0.5)]
  const found = cheapestOf(rows)
  expect(found.before?.form.name).toBe('b')
  expect(found.solar?.form.name).toBe('a')
  expect(found.stored?.form.name).toBe('c')
  expect(cheapestOf([])).toEqual({ before: null, solar: null, stored: null })
})
