import fc from 'fast-check'
import { loadId } from '../kinds/load/load'
import { storageId } from '../kinds/storage/storage'
import { siteId } from '../kinds/site/site'
import { type Objects } from '../kinds/documents'
import { accounts } from '../stages/accounts/index'
import { job, option, freshGraph, set, withBattery, without, worldOf } from '@/town/testing'
import { averageDays } from './average-days'
import { energyFlow, splitFlows, type EnergyFlow } from './energy-flow'
import { summarise } from './summary'

async function summaryOf(house: Objects, objects: Objects) {
  const world = await worldOf(house, objects)
  const run = freshGraph().open(world)
  await run.prepare(accounts, { atMostMs: 1e6, pause: async () => true })
  return summarise(run, world)
}

/** Each node gives what it takes, and nothing flows backwards. */
function expectBalanced(flow: EnergyFlow): void {
  expect(flow.sunToHouse + flow.sunToBattery + flow.sunToGrid + flow.curtailed).toBe(flow.yield)
  expect(flow.sunToHouse + flow.batteryToHouse + flow.gridToHouse).toBe(flow.consumption)
  expect(flow.gridToHouse + flow.gridToBattery).toBe(flow.bought)
  expect(flow.sunToGrid + flow.batteryToGrid).toBe(flow.sold)
  expect(flow.sunToBattery + flow.gridToBattery).toBe(
    flow.batteryToHouse + flow.batteryToGrid + flow.batteryLost,
  )
  for (const value of Object.values(flow)) expect(value).toBeGreaterThanOrEqual(0)
}

test('without a battery the sun goes to the house and out, in the figures of the ledger', async () => {
  const summary = await summaryOf(job.house, option)
  const flow = energyFlow(summary)
  if (!flow) throw new Error('something is laid')
  expectBalanced(flow)
  const line = (id: string) => summary.ledger.find((one) => one.id === id)?.shown
  expect(flow.sunToHouse).toBe(line('used'))
  expect(flow).toMatchObject({
    sold: line('sold'),
    bought: line('bought'),
    yield: line('yield'),
    sunToBattery: 0,
  })
})

test('with a battery that is filled from the grid and sells, and a limit: every node balances', async () => {
  for (const [rule, gridCharging, exportLimitKw] of [
    ['own-use', false, null],
    ['by-tariff', true, null],
    ['by-tariff', true, 2],
    ['own-use', false, 0],
  ] as const) {
    const house = set(job.house, siteId, { exportLimitKw })
    const flow = energyFlow(await summaryOf(house, set(withBattery, storageId, { rule, gridCharging })))
    if (!flow) throw new Error('something is laid')
    expectBalanced(flow)
    expect(flow.batteryToHouse).toBeGreaterThan(500)
    expect(flow.gridToBattery > 0).toBe(gridCharging)
    expect(flow.curtailed > 0).toBe(exportLimitKw !== null)
  }
}, 60_000)

test('what is bought over all that the house uses is drawn by the battery itself', async () => {
  const own = {
    id: 'bat-1',
    kind: 'own-battery',
    name: 'Hungry',
    maker: '',
    price: 1,
    usableKwh: 5,
    chargeKw: 2,
    dischargeKw: 2,
    efficiency: 0.9,
    standbyW: 1000,
  } as const
  const thrifty = set({ ...job.house, [own.id]: own }, loadId, { annualKwh: 600, byMonth: null })
  const flow = energyFlow(await summaryOf(thrifty, set(withBattery, storageId, { batteryId: own.id })))
  if (!flow) throw new Error('something is laid')
  expectBalanced(flow)
  expect(flow.bought).toBeGreaterThan(flow.consumption)
})

test('nothing laid: nothing flows', async () => {
  const bare = Object.keys(option)
    .filter((id) => option[id]?.kind === 'array')
    .reduce(without, option)
  expect(energyFlow(await summaryOf(job.house, bare))).toBeNull()
})

test('seeded: the split takes the sun first, and leaves nothing over', () => {
  const kwh = fc.double({ min: 0, max: 5, noNaN: true })
  fc.assert(
    fc.property(
      fc.array(fc.tuple(kwh, kwh, kwh, kwh, fc.boolean()), { minLength: 1, maxLength: 40 }),
      (hours) => {
        // Any hour in which the battery takes or gives; what is over goes out, what is missing comes in.
        const of = (what: (hour: (typeof hours)[number]) => number) => Float32Array.from(hours, what)
        const charged = of(([, , c, , takes]) => (takes ? c : 0))
        const discharged = of(([, , , d, takes]) => (takes ? 0 : d))
        const net = hours.map(([y, l], i) => y + (discharged[i] ?? 0) - l - (charged[i] ?? 0))
        const sold = Float32Array.from(net, (one) => Math.max(0, one))
        const found = splitFlows({ yield: of(([y]) => y), load: of(([, l]) => l), charged, discharged, sold })
        const sum = (series: ArrayLike<number>) => Array.from(series).reduce((all, one) => all + one, 0)
        const bought = sum(net.map((one) => Math.max(0, -one)))
        const house = found.direct + (bought - found.gridToBattery) + (sum(discharged) - found.batteryToGrid)
        expect(house).toBeCloseTo(sum(of(([, l]) => l)), 3)
        expect(found.gridToBattery).toBeLessThanOrEqual(bought + 1e-4)
        expect(found.batteryToGrid).toBeLessThanOrEqual(sum(sold) + 1e-4)
      },
    ),
    { numRuns: 1000, seed: 20261130 },
  )
})

test('mean days: their hours times their days are the year, in hours of the clock', async () => {
  const { carpet } = await summaryOf(job.house, option)
  const days = averageDays(carpet)
  const lengths = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
  const sum = (series: Iterable<number>) => [...series].reduce((all, one) => all + one, 0)
  const year = (of: 'yieldKw' | 'loadKw') => sum(days.map((day, m) => sum(day[of]) * (lengths[m] ?? 0)))
  // An hour that the clock skips, and one that it has twice, are all that differs.
  expect(Math.abs(year('loadKw') / sum(carpet.load) - 1)).toBeLessThan(1e-3)
  expect(Math.abs(year('yieldKw') / sum(carpet.yield) - 1)).toBeLessThan(1e-3)
  // The sun is highest at one o'clock in summer, when the clock is an hour ahead, and at noon in winter.
  const highest = (m: number) => days[m]?.yieldKw.indexOf(Math.max(...(days[m]?.yieldKw ?? []))) ?? NaN
  expect([12, 13]).toContain(highest(6))
  expect([11, 12]).toContain(highest(0))
  expect(days[6]?.yieldKw[2]).toBeLessThanOrEqual(0)
})
