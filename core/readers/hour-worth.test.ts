import { type Objects } from '../kinds/documents'
import { tariffFormSchema } from '../kinds/tariff/form'
import { Overtaken } from '../graph/run'
import { freshGraph, job, option, set, withBattery, without, worldOf } from '@/town/testing'
import { extremesOf, hourWorths } from './hour-worth'

const patient = { atMostMs: 1000, pause: async () => true }
const tariffs = (form: object): Objects =>
  ['tariff-now', 'tariff-then'].reduce(
    (house, id) =>
      set(house, id, { ...tariffFormSchema.parse({ pricePerKwh: 0.3, ...form }), id, kind: 'tariff' }),
    job.house,
  )
const bare = Object.keys(option)
  .filter((id) => option[id]?.kind === 'array')
  .reduce(without, option)

test('without solar a kWh costs its price in each hour', async () => {
  const house = tariffs({
    periods: [{ name: 'Peak', fromHour: 17, toHour: 21, pricePerKwh: 0.5 }],
    nonBypassablePerKwh: 0.02,
    fixedPerMonth: 10,
  })
  const found = await hourWorths(freshGraph(), await worldOf(house, bare), patient)
  expect(found).toHaveLength(24)
  for (const { hour, now, then } of found) {
    expect(now).toBeCloseTo(hour >= 17 && hour < 21 ? 0.52 : 0.32, 9)
    expect(then).toBeCloseTo(now, 9)
  }
  expect(extremesOf(found)).toMatchObject({ least: { hour: 0 }, most: { hour: 17 } })
}, 60_000)

test('with solar noon costs what is not paid for it, midnight the whole price; with a battery noon is dearer', async () => {
  const house = tariffs({ exportPerKwh: 0.1 })
  const of = async (objects: Objects) => hourWorths(freshGraph(), await worldOf(house, objects), patient)
  const plain = await of(option)
  for (const { now, then } of plain) {
    expect(now).toBeCloseTo(0.3, 9)
    expect(then).toBeGreaterThan(0.1 - 1e-9)
    expect(then).toBeLessThan(0.3 + 1e-9)
  }
  expect(plain[0]?.then).toBeCloseTo(0.3, 9)
  expect(plain[12]?.then).toBeLessThan(0.2)
  expect(extremesOf(plain)?.least.hour).toBeGreaterThan(9)
  const stored = await of(withBattery)
  // What is taken at noon is missing in the evening.
  expect(stored[12]?.then).toBeGreaterThan(plain[12]?.then ?? 1)
}, 60_000)

test('gives up between two hours, and tells of each', async () => {
  const told: number[] = []
  let asked = 0
  const hasty = { atMostMs: 1000, pause: async () => ++asked < 4 }
  await expect(
    hourWorths(freshGraph(), await worldOf(job.house, option), hasty, (found, all) =>
      told.push(found.length, all),
    ),
  ).rejects.toThrow(Overtaken)
  expect(told.slice(0, 2)).toEqual([1, 24])
  expect(extremesOf([])).toBeNull()
}, 60_000)
